/** The value below which `share` of the sample lies. */
export function quantile(sample: readonly number[], share: number): number {
  const sorted = [...sample].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? Number.NaN;
}

export const median = (sample: readonly number[]): number => quantile(sample, 0.5);

/** Milliseconds each of `times` calls takes, after a tenth as many to warm up. */
export function timed(times: number, work: (i: number) => void): readonly number[] {
  for (let i = 0; i < times / 10; i++) work(i);
  return Array.from({ length: times }, (_, i) => {
    const start = performance.now();
    work(i);
    return performance.now() - start;
  });
}
