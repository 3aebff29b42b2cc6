/** Standard deviations either way that hold eight in ten of a normal law: its 90 % point. */
export const EIGHT_IN_TEN = 1.2816;

/**
 * Area under the standard normal curve up to `z`, 0–1: Abramowitz & Stegun 26.2.17, error below 7.5e-8.
 *
 * @example
 * normalBelow(1.96) // 0.975
 */
export function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const poly =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = (Math.exp(-(z * z) / 2) / Math.sqrt(2 * Math.PI)) * poly;
  return z > 0 ? 1 - tail : tail;
}
