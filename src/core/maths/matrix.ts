/** Rows of a matrix, all of one length. */
export type Matrix = readonly (readonly number[])[];
export type Vector = readonly number[];

export const dot = (a: Vector, b: Vector): number => {
  let sum = 0;
  for (let n = 0; n < a.length; n++) sum += (a[n] as number) * (b[n] as number);
  return sum;
};

export const times = (m: Matrix, v: Vector): number[] => m.map((row) => dot(row, v));

export const transposed = (m: Matrix): number[][] =>
  m[0] ? m[0].map((_, c) => m.map((row) => row[c] as number)) : [];

export function product(a: Matrix, b: Matrix): number[][] {
  const width = b[0]?.length ?? 0;
  return a.map((row) => {
    const out = new Array<number>(width).fill(0);
    for (let k = 0; k < row.length; k++) {
      const by = row[k] as number;
      const other = b[k] as readonly number[];
      if (by !== 0) for (let c = 0; c < width; c++) out[c] = (out[c] as number) + by * (other[c] as number);
    }
    return out;
  });
}

/** `a` and `by` times `b`, entry by entry. */
export const sum = (a: Matrix, b: Matrix, by = 1): number[][] =>
  a.map((row, r) => {
    const other = b[r] as readonly number[];
    const out = new Array<number>(row.length);
    for (let c = 0; c < row.length; c++) out[c] = (row[c] as number) + by * (other[c] as number);
    return out;
  });

export const diagonal = (v: Vector): number[][] =>
  v.map((value, r) => v.map((_, c) => (r === c ? value : 0)));

export const identity = (size: number): number[][] => diagonal(Array.from({ length: size }, () => 1));

/** The mean of a matrix and its transposed: what rounding has made uneven is even again. */
export const even = (m: Matrix): number[][] =>
  m.map((row, r) => row.map((value, c) => (value + (m[c]?.[r] ?? value)) / 2));

/** A square matrix factored once. */
export type Factored = {
  /** The x of matrix · x = `right`. */
  readonly solve: (right: Vector) => number[];
  readonly inverse: () => number[][];
  /** Logarithm of the size of its determinant. */
  readonly logDeterminant: number;
};

/**
 * `matrix` in lower and upper triangles, the largest pivot first. Throws a RangeError where it has no inverse.
 *
 * @example
 * factored([[2, 1], [1, 3]]).solve([3, 4]) // [1, 1]
 */
export function factored(matrix: Matrix): Factored {
  const size = matrix.length;
  const lu = matrix.map((row) => [...row]);
  const order = lu.map((_, n) => n);
  let logDeterminant = 0;
  for (let n = 0; n < size; n++) {
    let best = n;
    for (let r = n + 1; r < size; r++)
      if (Math.abs((lu[r] as number[])[n] as number) > Math.abs((lu[best] as number[])[n] as number))
        best = r;
    [lu[n], lu[best]] = [lu[best] as number[], lu[n] as number[]];
    [order[n], order[best]] = [order[best] as number, order[n] as number];
    const pivots = lu[n] as number[];
    const pivot = pivots[n] as number;
    if (pivot === 0 || !Number.isFinite(pivot)) throw new RangeError('the matrix has no inverse');
    logDeterminant += Math.log(Math.abs(pivot));
    for (let r = n + 1; r < size; r++) {
      const row = lu[r] as number[];
      const by = (row[n] as number) / pivot;
      row[n] = by;
      if (by !== 0)
        for (let c = n + 1; c < size; c++) row[c] = (row[c] as number) - by * (pivots[c] as number);
    }
  }
  const solve = (right: Vector): number[] => {
    const x = order.map((n) => right[n] as number);
    for (let r = 0; r < size; r++)
      for (let c = 0; c < r; c++) x[r] = (x[r] as number) - (lu[r]?.[c] as number) * (x[c] as number);
    for (let r = size - 1; r >= 0; r--) {
      for (let c = r + 1; c < size; c++) x[r] = (x[r] as number) - (lu[r]?.[c] as number) * (x[c] as number);
      x[r] = (x[r] as number) / (lu[r]?.[r] as number);
    }
    return x;
  };
  return {
    solve,
    inverse: () => transposed(identity(size).map(solve)),
    logDeterminant,
  };
}
