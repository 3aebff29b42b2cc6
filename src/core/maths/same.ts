/**
 * Whether two values hold the same, however deep: in whatever order their keys stand, and with no difference between a key that is
 * not there and one that is `undefined`, since what went to the server and back has lost both.
 */
export function same(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  if (Array.isArray(a) && a.length !== (b as readonly unknown[]).length) return false;
  const [one, other] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = new Set([...Object.keys(one), ...Object.keys(other)]);
  return [...keys].every((k) => same(one[k], other[k]));
}
