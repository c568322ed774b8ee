/** Small dense matrices, row by row in one array: as much as a normal distribution of months needs. */

export interface Matrix {
  readonly rows: number;
  readonly cols: number;
  readonly of: Float64Array;
}

export const matrix = (rows: number, cols: number, f: (i: number, j: number) => number): Matrix => {
  const of = new Float64Array(rows * cols);
  for (let i = 0; i < rows; i++) for (let j = 0; j < cols; j++) of[i * cols + j] = f(i, j);
  return { rows, cols, of };
};

/** A symmetric, positive matrix as L·Lᵀ; throws when it is not positive. */
export function cholesky(a: Matrix): Float64Array {
  const n = a.rows;
  const l = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let s = a.of[i * n + j]!;
      for (let k = 0; k < j; k++) s -= l[i * n + k]! * l[j * n + k]!;
      if (i !== j) l[i * n + j] = s / l[j * n + j]!;
      else if (s > 0) l[i * n + i] = Math.sqrt(s);
      else throw new Error(`not positive at ${i}`);
    }
  return l;
}

/** Solves A·x = b from the factor of A. */
export function solveWith(l: Float64Array, b: ArrayLike<number>): Float64Array {
  const n = b.length;
  const x = Float64Array.from(b);
  for (let i = 0; i < n; i++) {
    let s = x[i]!;
    for (let k = 0; k < i; k++) s -= l[i * n + k]! * x[k]!;
    x[i] = s / l[i * n + i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    let s = x[i]!;
    for (let k = i + 1; k < n; k++) s -= l[k * n + i]! * x[k]!;
    x[i] = s / l[i * n + i]!;
  }
  return x;
}

export const dot = (a: ArrayLike<number>, b: ArrayLike<number>): number => {
  let s = 0;
  for (let i = 0; i < a.length; i++) s += a[i]! * b[i]!;
  return s;
};
