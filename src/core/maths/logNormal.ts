import { EIGHT_IN_TEN, normalBelow } from './normal';

/**
 * Where eight in ten values lie of a log-normal law with this `median` (above 0) and standard deviation
 * `spread` of the logarithm (0 and up).
 *
 * @example
 * bracketOf(150, 0.3).map(Math.round) // [102, 220]
 */
export const bracketOf = (median: number, spread: number): readonly [number, number] => [
  median * Math.exp(-EIGHT_IN_TEN * spread),
  median * Math.exp(EIGHT_IN_TEN * spread),
];

/**
 * Chance, 0–1, that a value of that law lies from `low` to below `high`; 0 and Infinity are ends as good as any.
 * Without spread it lies at the median.
 *
 * @example
 * chanceWithin(150, 0.3, 90, 260) // 0.922
 */
export function chanceWithin(median: number, spread: number, low: number, high: number): number {
  if (spread <= 0) return median >= low && median < high ? 1 : 0;
  const below = (limit: number): number => normalBelow((Math.log(limit) - Math.log(median)) / spread);
  return Math.max(0, below(high) - below(low));
}
