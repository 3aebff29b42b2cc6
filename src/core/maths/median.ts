/**
 * The middle one of `values`; the mean of the two middle ones of an even number. NaN of none.
 *
 * @example
 * median([9, 1, 4]) // 4
 */
export function median(values: readonly number[]): number {
  const sorted = values.toSorted((a, b) => a - b);
  const high = sorted[Math.floor(sorted.length / 2)] ?? Number.NaN;
  return sorted.length % 2 ? high : ((sorted[sorted.length / 2 - 1] ?? high) + high) / 2;
}
