/**
 * The value of `sorted` (ascending) that `share` of them (0–1) lie under. NaN of none.
 *
 * @example
 * quantile([1, 2, 3, 4, 5, 6, 7, 8, 9, 10], 0.9) // 10
 */
export const quantile = (sorted: ArrayLike<number>, share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
