import { within } from '../units/range';

/**
 * Pearson's square: the share by weight of the richer of two dairies in a blend of `wanted` % fat; 0 or 1 where the
 * blend cannot be that lean or that rich. Fats in %. Throws {@link OutOfRange} outside 0 to 100 %.
 *
 * Standard dairy arithmetic, in any textbook of it; from memory.
 *
 * @example
 * pearson(3.5, 40, 12) // 0.233
 */
export function pearson(lean: number, rich: number, wanted: number): number {
  for (const [name, fat] of [
    ['lean', lean],
    ['rich', rich],
    ['wanted', wanted],
  ] as const)
    within(name, fat, 0, 100, '%');
  if (rich <= lean) return 1;
  return Math.min(1, Math.max(0, (wanted - lean) / (rich - lean)));
}
