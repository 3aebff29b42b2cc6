/** `all` as what holds one at least. Throws a RangeError for none. */
export function some<T>(all: readonly T[]): readonly [T, ...T[]] {
  const [first, ...rest] = all;
  if (first === undefined) throw new RangeError('at least one is wanted, none is there');
  return [first, ...rest];
}
