import type { BatchEvent } from '../../core/batch/events';
import { placeAlone } from '../../core/flow/readings/repeated';
import { type Message, message } from '../../core/message/message';
import type { ScaleMark } from './draw/Scale';

/** The last flow test of a batch as a mark on the scale. */
export function measuredMark(events: readonly BatchEvent[], fat: number): ScaleMark | null {
  const last = events.findLast((e) => e.body.kind === 'flow');
  if (last?.body.kind !== 'flow') return null;
  try {
    const found = placeAlone(last.body.test, last.body.readings, last.body.celsius, fat);
    return { id: last.id, words: message('measured'), at: found.bowl, range: found.range, kind: 'measured' };
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}

/** In how many of ten it lands, as said: never "10 in 10" of a forecast. */
export const inTen = (chance: number): Message => {
  const n = Math.round(chance * 10);
  return n >= 10 ? message('over 9 in 10') : n <= 0 ? message('under 1 in 10') : message('{n} in 10', { n });
};
