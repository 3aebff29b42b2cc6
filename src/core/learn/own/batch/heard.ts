import { later, offsetLeft, SCATTER, unmeasured } from '../../../batch/follow/filter';
import { ASPECTS, type Aspect } from '../../../batch/follow/readings';
import { dot, even, factored, sum, times, type Vector } from '../../../maths/matrix';
import type { Likelihood } from '../gaussian';

/**
 * A reading of a batch against the pot of its deeds: how far off it was, how that answers to each number of the house (in
 * the order of the lesson), which aspects of the pot it speaks of, and its own error.
 */
export type Heard = {
  /** Minutes into the batch. */
  readonly minutes: number;
  readonly slopes: Vector;
  readonly of: Readonly<Partial<Record<Aspect, number>>>;
  readonly miss: number;
  readonly error: number;
  readonly speaksOf: Aspect;
};

/** A reading bears on a number that makes this share of what it may be off by. Our assumption. */
const BEARS = 0.05;

/**
 * Beyond this many standard deviations of what nothing known leaves open a reading is a slip. Wider than at the stove: a house
 * may be far from the model, and a lesson is weighed again by what the house knows. Our assumption.
 */
const SURPRISE = 6;

/**
 * What the readings of one batch say of the numbers they hang on, whatever was thought of them before: the filter the
 * stove follows the batch by, with the pot gone by its deeds, and all that belongs to this batch alone summed over. `spreads`
 * are of the numbers before anything was read, `counts` how many readings bear on each.
 */
export function saidBy(
  heard: readonly Heard[],
  spreads: readonly number[],
): Likelihood & { readonly counts: readonly number[] } {
  const n = spreads.length;
  const before = unmeasured(spreads, SCATTER).covariance;
  const counts = spreads.map(() => 0);
  let covariance = before;
  let mean: number[] = before.map(() => 0);
  let minutes = 0;
  for (const one of heard.toSorted((a, b) => a.minutes - b.minutes)) {
    const passed = Math.max(0, one.minutes - minutes);
    minutes += passed;
    covariance = later({ mean: spreads, covariance }, passed, SCATTER).covariance;
    mean = mean.map((m, k) => {
      const aspect = ASPECTS[k - n];
      return aspect ? m * offsetLeft(aspect, passed) : m;
    });
    const along = [...one.slopes, ...ASPECTS.map((a) => one.of[a] ?? 0)];
    const miss = one.miss - dot(along, mean);
    let variance = dot(along, times(covariance, along)) + one.error ** 2;
    if (miss ** 2 > SURPRISE ** 2 * variance) {
      const laidTo = n + ASPECTS.indexOf(one.speaksOf);
      // Of nothing that is this batch’s alone, it is left out.
      if (!along[laidTo]) continue;
      covariance = covariance.map((row, r) =>
        r === laidTo ? row.map((v, c) => (c === laidTo ? v + miss ** 2 : v)) : row,
      );
      variance += (miss * (along[laidTo] ?? 0)) ** 2;
    } else
      for (const [k, spread] of spreads.entries())
        if (((one.slopes[k] ?? 0) * spread) ** 2 > BEARS * variance) counts[k] = (counts[k] ?? 0) + 1;
    const gain = times(covariance, along).map((g) => g / variance);
    mean = mean.map((m, k) => m + (gain[k] ?? 0) * miss);
    covariance = covariance.map((row, r) =>
      row.map((v, c) => v - (gain[r] ?? 0) * (gain[c] ?? 0) * variance),
    );
  }
  const ofNumbers = (m: readonly (readonly number[])[]) => m.slice(0, n).map((row) => row.slice(0, n));
  const after = factored(ofNumbers(covariance)).inverse();
  return {
    precision: even(sum(after, factored(ofNumbers(before)).inverse(), -1)),
    shift: times(after, mean.slice(0, n)),
    counts,
  };
}
