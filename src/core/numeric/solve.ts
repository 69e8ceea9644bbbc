import { CholeskyDecomposition, LuDecomposition, Matrix } from "ml-matrix";

/** A pivot below this counts as nought. */
const LEAST_PIVOT = 1e-12;

/**
 * Solves a square system A x = b by LU decomposition with partial pivoting; A row by row, neither
 * argument is changed. Null when A is singular.
 */
export function solveLinear(A: readonly (readonly number[])[], b: readonly number[]): number[] | null {
  const lu = new LuDecomposition(new Matrix(A.map((row) => [...row])));
  if (lu.upperTriangularMatrix.diagonal().some((pivot) => !(Math.abs(pivot) >= LEAST_PIVOT))) return null;
  return lu.solve(Matrix.columnVector([...b])).getColumn(0);
}

/** A factor by which systems of one symmetric positive definite matrix are solved. */
export type Factor = (b: Float64Array) => Float64Array;

/**
 * Factorises a symmetric matrix after Cholesky; null unless it is positive definite.
 * @param matrix n by n, row by row
 */
export function choleskyFactor(matrix: Float64Array, n: number): Factor | null {
  const cholesky = new CholeskyDecomposition(Matrix.from1DArray(n, n, matrix));
  if (!cholesky.isPositiveDefinite()) return null;
  return (b) => Float64Array.from(cholesky.solve(Matrix.columnVector(b)).getColumn(0));
}
