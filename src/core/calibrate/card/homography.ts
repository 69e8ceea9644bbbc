import type { Point } from "../../photo/frame";

/** A perspective map between two planes, 3 by 3 row by row, its last entry 1. */
export type Homography = Float64Array;

/** Solves A x = b by elimination with pivoting, in place; null when A is singular. */
function solve(A: Float64Array[], b: Float64Array): Float64Array | null {
  const n = b.length;
  for (let i = 0; i < n; i++) {
    let pivot = i;
    for (let k = i + 1; k < n; k++) if (Math.abs(A[k][i]) > Math.abs(A[pivot][i])) pivot = k;
    if (Math.abs(A[pivot][i]) < 1e-12) return null;
    [A[i], A[pivot]] = [A[pivot], A[i]];
    [b[i], b[pivot]] = [b[pivot], b[i]];
    for (let k = i + 1; k < n; k++) {
      const f = A[k][i] / A[i][i];
      for (let j = i; j < n; j++) A[k][j] -= f * A[i][j];
      b[k] -= f * b[i];
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let j = i + 1; j < n; j++) b[i] -= A[i][j] * b[j];
    b[i] /= A[i][i];
  }
  return b;
}

/**
 * The perspective map that takes four points to four others: the direct linear transform with its
 * last entry set to 1 (Hartley and Zisserman, Multiple View Geometry, 2nd edition, section 4.1).
 * Null when three of the points lie on a line.
 */
export function homographyOf(from: readonly Point[], to: readonly Point[]): Homography | null {
  const rows: Float64Array[] = [];
  const right = new Float64Array(8);
  for (let i = 0; i < 4; i++) {
    const [{ x, y }, { x: u, y: v }] = [from[i], to[i]];
    rows.push(Float64Array.of(x, y, 1, 0, 0, 0, -u * x, -u * y), Float64Array.of(0, 0, 0, x, y, 1, -v * x, -v * y));
    right[2 * i] = u;
    right[2 * i + 1] = v;
  }
  const h = solve(rows, right);
  return h && Float64Array.of(...h, 1);
}

/** Where the map takes a point. */
export function mapPoint(h: Homography, { x, y }: Point): Point {
  const w = h[6] * x + h[7] * y + h[8];
  return { x: (h[0] * x + h[1] * y + h[2]) / w, y: (h[3] * x + h[4] * y + h[5]) / w };
}
