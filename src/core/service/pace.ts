import type { Plan, WeighLine } from '../plan/types';
import { ROWS } from '../pot/kinds/rows';
import { THE_POT } from '../pot/pans/pan';

/** Minutes for a line to be weighed, and for each kilogram to be peeled and cut. Common practice, no source. */
export const WEIGH_MINUTES = 0.75;
const TRIM_MINUTES_PER_KG = 2.5;

/** Minutes to weigh out and trim `lines`, of one pair of hands; `pace` is how much longer this kitchen takes to weigh. */
export const miseMinutes = (
  lines: readonly Pick<WeighLine, 'asPurchased' | 'prep' | 'g'>[],
  pace = 1,
): number =>
  Math.ceil(
    lines.reduce(
      (sum, l) =>
        sum +
        WEIGH_MINUTES * pace +
        (l.prep || l.asPurchased > l.g * 1.01 ? (l.asPurchased / 1000) * TRIM_MINUTES_PER_KG : 0),
      0,
    ),
  );

/** How much longer this kitchen takes to each kind of work than a plan has it, by the kind of step; 1 where it is not known. */
export type Pace = Readonly<Record<string, number>>;

/**
 * Seconds on this kitchen’s clock at seconds of a plan: what somebody stands at takes as long as it takes here, the rest as
 * planned. Of several pans those in the pot itself count; it never goes back.
 */
export function pacedClock({ steps }: Pick<Plan, 'steps'>, pace: Pace): (seconds: number) => number {
  const slow = steps.filter(
    ({ step, pan, seconds }) =>
      pan === THE_POT && ROWS[step.kind].attended && seconds > 0 && (pace[step.kind] ?? 1) !== 1,
  );
  return (seconds) =>
    slow.reduce((sum, s) => {
      const passed = Math.min(s.seconds, Math.max(0, seconds - s.startsAt));
      return sum + passed * ((pace[s.step.kind] ?? 1) - 1);
    }, seconds);
}
