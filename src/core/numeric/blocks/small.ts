/** Small dense blocks, which lie in a flat array row by row, each from a place of its own. */

/**
 * Cholesky's factor of a block (n by n) in its own place, the upper half cleared.
 * Throws a RangeError unless it is positive definite.
 */
export function factorHere(values: Float64Array, at: number, n: number): void {
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      if (j > i) {
        values[at + i * n + j] = 0;
        continue;
      }
      let sum = values[at + i * n + j]!;
      for (let k = 0; k < j; k++) sum -= values[at + i * n + k]! * values[at + j * n + k]!;
      if (i !== j) values[at + i * n + j] = sum / values[at + j * n + j]!;
      else if (sum > 0) values[at + i * n + i] = Math.sqrt(sum);
      else throw new RangeError("A matrix that is not positive definite.");
    }
}

/** The inverse of a lower triangle (n by n) into another place. */
export function invertTriangle(values: Float64Array, at: number, n: number, to: number): void {
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++) {
      let sum = Number(i === j);
      for (let k = j; k < i; k++) sum -= values[at + i * n + k]! * values[to + k * n + j]!;
      values[to + i * n + j] = j > i ? 0 : sum / values[at + i * n + i]!;
    }
}

/** A block (m by n) times Lᵀ of a triangle, given L⁻¹: A L⁻ᵀ in A's place, row by row; `row` has room for n numbers. */
export function timesInverseTransposed(
  values: Float64Array,
  at: number,
  m: number,
  n: number,
  inverse: number,
  row: Float64Array,
): void {
  for (let r = 0; r < m; r++) {
    const from = at + r * n;
    for (let c = 0; c < n; c++) row[c] = values[from + c]!;
    for (let c = 0; c < n; c++) {
      let sum = 0;
      for (let k = 0; k <= c; k++) sum += row[k]! * values[inverse + c * n + k]!;
      values[from + c] = sum;
    }
  }
}
