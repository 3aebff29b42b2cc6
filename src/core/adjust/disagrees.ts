import type { Fault } from './faults';

/** ln of viscosity under which the pot counts as on its target. Our assumption. */
const ON_TARGET = 0.08;

/** What the cook says of its thickness: −1 too thin, 1 too thick, 0 nothing. */
export const saidOfThickness = (faults: readonly Fault[]): -1 | 0 | 1 =>
  faults.includes('too thin') ? -1 : faults.includes('too thick') ? 1 : 0;

/**
 * Whether the cook says it is too thin or too thick where the pot is believed to land right, or off the other way:
 * then a flow test decides, not a dose of nothing. `lands` and `target` in mPa·s, above 0.
 */
export function disagrees(faults: readonly Fault[], lands: number, target: number): boolean {
  const said = saidOfThickness(faults);
  return said !== 0 && Math.log(lands / target) * said < ON_TARGET;
}

/** A flow test older than this, ms, is asked for again. */
export const FRESH = 10 * 60_000;
