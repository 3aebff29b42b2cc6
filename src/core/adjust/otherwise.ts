import { draftsFor } from './adjust';
import type { Fault } from './faults';
import type { Measured } from './measured';
import type { Option, Wishes } from './option';
import { solveDose, tried } from './trial/trial';

/** Where nothing fits the minutes: what is quickest, and what a smaller step reaches by then. */
export type Otherwise = {
  /** Done all the same, it is on the pass this late, min. */
  readonly quickest: Option;
  readonly late: number;
  /** As much of one as there is time for; null where none does anything by then. */
  readonly smaller: Option | null;
};

/** Halvings between none and the whole, for the largest there is time for. */
const HALVINGS = 7;

/** The share of the way a smaller step has to go to be worth the pan. Our assumption. */
const WORTH = 0.1;

/** A correction as it would be with all the time there is. */
const unhurried = (wishes: Wishes): Wishes => ({ ...wishes, minutes: Number.POSITIVE_INFINITY });

/** ln of how far it lands from what is wanted. */
const off = (measured: Measured, { viscosity }: Pick<Option, 'viscosity'>): number =>
  Math.abs(Math.log(viscosity / measured.target));

/**
 * What can be done where every correction is struck, and some only by the clock; null where one fits, or none would with
 * any time. `asItIs` mPa·s is where the pot lands untouched.
 */
export function otherwise(
  faults: ReadonlySet<Fault>,
  measured: Measured,
  wishes: Wishes,
  options: readonly Option[],
  asItIs: number,
): Otherwise | null {
  if (options.some((o) => o.struck === null)) return null;
  const drafts = draftsFor(faults, measured, wishes);
  const possible = drafts.flatMap((draft) => {
    const option = tried(measured, draft, unhurried(wishes));
    return option.struck === null ? [{ draft, option }] : [];
  });
  const [quickest] = possible.toSorted((a, b) => a.option.minutes - b.option.minutes);
  if (!quickest) return null;
  const smaller = possible.flatMap(({ draft }) => {
    let [fits, over] = [0, solveDose(measured, draft).dose];
    let found: Option | null = null;
    for (let n = 0; n < HALVINGS; n++) {
      const dose = (fits + over) / 2;
      const option = tried(measured, draft, wishes, dose);
      if (option.struck === null) [found, fits] = [option, dose];
      else over = dose;
    }
    return found ? [found] : [];
  });
  const [best] = smaller.toSorted((a, b) => off(measured, a) - off(measured, b));
  const before = off(measured, { viscosity: asItIs });
  return {
    quickest: quickest.option,
    late: quickest.option.minutes - wishes.minutes,
    smaller: best && off(measured, best) < before * (1 - WORTH) ? best : null,
  };
}
