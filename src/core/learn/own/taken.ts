import type { Lesson } from './batch/lesson';
import { type Agreement, agreement, type Gaussian, lawOf, learnt, weaker, withParts } from './gaussian';
import { type NumberKey, partsOf } from './laws';

/** Since when a thing has its numbers: from its beginning, a lot, or a change that was noticed. */
export type Epoch = {
  readonly n: number;
  readonly since: string;
  readonly why: 'begun' | 'lot' | 'change';
  /** The lot, as the kitchen had written it. */
  readonly lot?: string;
};

/** A lesson as it was taken in: with what weight, and where its numbers stood then. */
export type Taken = {
  readonly lesson: Lesson;
  readonly weight: number;
  /** Which beginning of its owner each number is of. */
  readonly epochs: readonly Epoch[];
  /** How many standard deviations it pulled at each number. */
  readonly pulls: readonly number[];
};

/** The parts a number is the sum of, under its owner’s beginning. */
export const namesOf = (key: NumberKey, { n, why }: Epoch): readonly string[] =>
  partsOf(key, n, why === 'change').map((p) => p.name);

/** `g` with all parts of these numbers in it. */
export const prepared = (g: Gaussian, keys: readonly NumberKey[], epochs: readonly Epoch[]): Gaussian =>
  withParts(
    g,
    keys.flatMap((key, n) => {
      const epoch = epochs[n] as Epoch;
      return partsOf(key, epoch.n, epoch.why === 'change');
    }),
  );

/** The 99.5 % point of χ² with `degrees`: Wilson & Hilferty’s cube, within a hundredth of the tables. */
const beyond = (degrees: number): number =>
  degrees * (1 - 2 / (9 * degrees) + 2.5758 * Math.sqrt(2 / (9 * degrees))) ** 3;

/**
 * How much of a lesson is believed: all of one that agrees; of one further off than one in two hundred is, the less the
 * further. A surprise teaches next to nothing before another like it: then it is a change, and is found to be one.
 */
function weightOf({ chi2 }: Agreement, { readings, keys }: Lesson): number {
  const degrees = Math.max(1, Math.min(readings, keys.length));
  return Math.min(1, (beyond(degrees) / chi2) ** 3);
}

/** `g` with a lesson taken in under the beginnings given. */
export function taken(
  g: Gaussian,
  lesson: Lesson,
  epochs: readonly Epoch[],
): { readonly g: Gaussian; readonly as: Taken } {
  const ready = prepared(g, lesson.keys, epochs);
  const numbers = lesson.keys.map((key, n) => namesOf(key, epochs[n] as Epoch));
  const agrees = agreement(lawOf(ready, numbers), lesson);
  const weight = weightOf(agrees, lesson);
  return {
    g: learnt(ready, numbers, weaker(lesson, weight)),
    as: { lesson, weight, epochs, pulls: agrees.pulls },
  };
}
