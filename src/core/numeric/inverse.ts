/**
 * The inverse of a symmetric positive definite matrix after Cholesky, on flat numbers: A = L Lᵀ, A⁻¹ = L⁻ᵀ L⁻¹
 * (Golub and Van Loan, Matrix Computations, 4.2). Only the lower half is read, row by row; nothing is changed.
 * @param matrix n by n
 * Throws a RangeError unless it is positive definite.
 */
export function inverseOfSymmetric(matrix: Float64Array, n: number): Float64Array {
  const L = matrix.slice();
  for (let j = 0; j < n; j++) {
    for (let i = j; i < n; i++) {
      let sum = L[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= L[i * n + k]! * L[j * n + k]!;
      if (i === j) {
        if (!(sum > 0)) throw new RangeError("A matrix that is not positive definite.");
        L[j * n + j] = Math.sqrt(sum);
      } else L[i * n + j] = sum / L[j * n + j]!;
    }
  }
  // L⁻¹ by columns, kept transposed so that both loops below run along rows.
  const inverse = new Float64Array(n * n);
  for (let j = 0; j < n; j++) {
    const row = j * n;
    inverse[row + j] = 1 / L[row + j]!;
    for (let i = j + 1; i < n; i++) {
      let sum = 0;
      for (let k = j; k < i; k++) sum -= L[i * n + k]! * inverse[row + k]!;
      inverse[row + i] = sum / L[i * n + i]!;
    }
  }
  const out = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = 0;
      for (let k = i; k < n; k++) sum += inverse[i * n + k]! * inverse[j * n + k]!;
      out[i * n + j] = sum;
      out[j * n + i] = sum;
    }
  return out;
}
