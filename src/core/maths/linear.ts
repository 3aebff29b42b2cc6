/** A pivot smaller than this is none: the equations do not say what each unknown is. */
const NOTHING = 1e-9;

/**
 * The x of `matrix` · x = `right`, a few unknowns: Gauss with the largest pivot first. Null where the matrix says
 * nothing of one of them.
 *
 * @example
 * linear([[2, 1], [1, 3]], [3, 4]) // [1, 1]
 */
export function linear(
  matrix: readonly (readonly number[])[],
  right: readonly number[],
): readonly number[] | null {
  const rows = matrix.map((row, n) => [...row, right[n] ?? 0]);
  const size = rows.length;
  const at = (row: number, column: number): number => rows[row]?.[column] ?? 0;
  for (let n = 0; n < size; n++) {
    let best = n;
    for (let m = n + 1; m < size; m++) if (Math.abs(at(m, n)) > Math.abs(at(best, n))) best = m;
    const pivot = rows[best];
    const here = rows[n];
    if (!pivot || !here || Math.abs(at(best, n)) < NOTHING) return null;
    rows[best] = here;
    rows[n] = pivot;
    for (let m = 0; m < size; m++) {
      if (m === n) continue;
      const by = at(m, n) / at(n, n);
      rows[m] = (rows[m] ?? []).map((value, column) => value - by * at(n, column));
    }
  }
  return rows.map((_, n) => at(n, size) / at(n, n));
}
