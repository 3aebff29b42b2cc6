/** JSON with its keys in order, so that two ways of writing the same thing compare equal. */
const stable = (value: unknown): string =>
  JSON.stringify(value, (_key, v) =>
    typeof v === 'object' && v !== null && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );

/** Whether two values say the same, in whatever order their keys stand. */
export const same = (a: unknown, b: unknown): boolean => stable(a) === stable(b);
