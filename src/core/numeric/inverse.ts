/** Sum of the products of two rows, `length` numbers from `a` of one and from `b` of the other. */
function dot(one: Float64Array, a: number, other: Float64Array, b: number, length: number): number {
  let s0 = 0;
  let s1 = 0;
  let s2 = 0;
  let s3 = 0;
  let k = 0;
  for (; k + 3 < length; k += 4) {
    s0 += one[a + k]! * other[b + k]!;
    s1 += one[a + k + 1]! * other[b + k + 1]!;
    s2 += one[a + k + 2]! * other[b + k + 2]!;
    s3 += one[a + k + 3]! * other[b + k + 3]!;
  }
  for (; k < length; k++) s0 += one[a + k]! * other[b + k]!;
  return s0 + s1 + s2 + s3;
}

/**
 * Cholesky's factor of a symmetric positive definite matrix on flat numbers: A = L Lᵀ (Golub and Van Loan, Matrix
 * Computations, 4.2). Only the lower half is read and written, row by row; the matrix itself is not changed.
 * @param matrix n by n
 * Throws a RangeError unless it is positive definite.
 */
function factor(matrix: Float64Array, n: number): Float64Array {
  const L = matrix.slice();
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      const sum = L[i * n + j]! - dot(L, i * n, L, j * n, j);
      if (i !== j) L[i * n + j] = sum / L[j * n + j]!;
      else if (sum > 0) L[i * n + i] = Math.sqrt(sum);
      else throw new RangeError("A matrix that is not positive definite.");
    }
  return L;
}

/** Solves A x = b for a symmetric positive definite A; see {@link inverseOfSymmetric}. */
export function solveSymmetric(matrix: Float64Array, n: number, b: Float64Array): Float64Array {
  const L = factor(matrix, n);
  const x = b.slice();
  for (let i = 0; i < n; i++) x[i] = (x[i]! - dot(L, i * n, x, 0, i)) / L[i * n + i]!;
  for (let i = n - 1; i >= 0; i--) {
    x[i]! /= L[i * n + i]!;
    for (let j = 0; j < i; j++) x[j]! -= L[i * n + j]! * x[i]!;
  }
  return x;
}

/**
 * The inverse of a symmetric positive definite matrix after Cholesky, A⁻¹ = L⁻ᵀ L⁻¹.
 * @param matrix n by n, of which the lower half is read; it is not changed
 * Throws a RangeError unless it is positive definite.
 */
export function inverseOfSymmetric(matrix: Float64Array, n: number): Float64Array {
  const L = factor(matrix, n);
  // L⁻¹ by columns, kept transposed so that both loops below run along rows.
  const inverse = new Float64Array(n * n);
  for (let j = 0; j < n; j++)
    for (let i = j; i < n; i++)
      inverse[j * n + i] = (Number(i === j) - dot(L, i * n + j, inverse, j * n + j, i - j)) / L[i * n + i]!;
  const out = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      const sum = dot(inverse, i * n + i, inverse, j * n + i, n - i);
      out[i * n + j] = sum;
      out[j * n + i] = sum;
    }
  return out;
}
