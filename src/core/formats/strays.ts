const isPlain = (x: unknown): x is Record<string, unknown> =>
  typeof x === 'object' && x !== null && !Array.isArray(x);

/**
 * Fields of `given` that `read`, what a schema made of it, has not: misspelt, or of another program. Where a value was
 * turned into something else (an amount in words into a quantity) nothing inside it counts. By their paths.
 */
export function strayFields(
  given: unknown,
  read: unknown,
  path: readonly PropertyKey[] = [],
): readonly (readonly PropertyKey[])[] {
  if (Array.isArray(given) && Array.isArray(read))
    return given.flatMap((item, n) => strayFields(item, read[n], [...path, n]));
  if (!isPlain(given) || !isPlain(read)) return [];
  return Object.entries(given).flatMap(([key, value]) =>
    key in read ? strayFields(value, read[key], [...path, key]) : [[...path, key]],
  );
}
