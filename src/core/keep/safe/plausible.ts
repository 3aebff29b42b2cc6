import { type Message, message } from '../../message/message';
import type { LotState } from '../lot';

/** °C a reading may stand off the forecast of what cools before it is asked about. Our assumption. */
const OFF = 15;

/** °C a minute no pan of soup cools by, but for its first moments in ice. Common practice, no source. */
const FASTEST = 2.5;

/** °C two probes and two places may differ by whatever the time between. Common practice, no source. */
const SPREAD = 10;

/** No soup is hotter than this, °C, not even at the bottom of a pot. */
const HOTTEST = 103;

/**
 * What is asked about a temperature of something kept before it is written down: hotter than soup can be, or colder than it
 * can have become since it was read last, or than its forecast (`expected` °C; null where there is none) has it. A cold
 * reading of the wrong pan would call it safe.
 */
export function askedOfKept(
  state: LotState,
  celsius: number,
  at: number,
  expected: number | null,
): Message | null {
  if (celsius > HOTTEST) return message('{celsius}: really?', { celsius: { celsius, exact: true } });
  const last = state.readings.at(-1);
  if (last) {
    const minutes = Math.max(0, (at - last.at) / 60_000);
    if (last.celsius - celsius > SPREAD + FASTEST * minutes)
      return message('{celsius}, {minutes} min after {before}: the right pan, the right probe?', {
        celsius: { celsius, exact: true },
        minutes: Math.round(minutes),
        before: { celsius: last.celsius, exact: true },
      });
  }
  if (state.stage === 'cooling' && expected !== null && expected - celsius > OFF)
    return message('{celsius}, where {expected} would be expected: the right pan, the right probe?', {
      celsius: { celsius, exact: true },
      expected: { celsius: expected },
    });
  return null;
}
