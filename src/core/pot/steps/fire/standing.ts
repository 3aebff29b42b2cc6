import { type CookOutcome, cook, sampleOf, simmersAt } from '../../cook';
import type { Kitchen } from '../../kitchen';
import { OFF_THE_HEAT, type Pot } from '../../pot';
import { inThePan } from '../sweat';

/** Less liquid than this share of its pieces, and a pot is a pan: they lie on its floor. Our assumption. */
const PAN = 0.5;

/** Longest slice of time in a pan nobody is sweating in, s. */
const SLICE = 30;

/** Whether what is in it lies on its floor more than it swims. */
export const isPan = (pot: Pot): boolean =>
  pot.liquid.water < PAN * pot.pieces.reduce((sum, p) => sum + p.g, 0);

/**
 * The pot while something is done to it for `seconds` (0 and up), its lid off, on the flame it was left on, or beside it
 * when taken `offHeat`. The flame is turned down to keep it where it was kept; filled for the first time, it comes no
 * hotter than a simmer. Looked at `until`, s on the pot's clock.
 */
export function standing(
  pot: Pot,
  seconds: number,
  offHeat: boolean | undefined,
  kitchen: Kitchen,
  until: number,
): CookOutcome {
  const fire = offHeat ? OFF_THE_HEAT : pot.fire;
  if (isPan(pot)) {
    const end = pot.seconds + seconds;
    const now = inThePan({ ...pot, lid: 'off', fire }, Math.min(end, until), kitchen, SLICE);
    return { pot: now, trace: [sampleOf(now)], stalled: false, cut: until < end - 1e-6 };
  }
  const hold = fire.hold ?? simmersAt(kitchen);
  const done = cook(pot, { flame: fire.flame, lid: 'off', hold }, kitchen, { forSeconds: seconds, until });
  return { ...done, pot: { ...done.pot, fire } };
}
