import { solveLinear } from "../../numeric/solve";
import type { Point } from "../../image/frame";

/** A perspective map between two planes, 3 by 3 row by row, its last entry 1. */
export type Homography = Float64Array;

/**
 * The perspective map that takes four points to four others: the direct linear transform with its
 * last entry set to 1 (Hartley and Zisserman, Multiple View Geometry, 2nd edition, section 4.1).
 * Null when three of the points lie on a line.
 */
export function homographyOf(from: readonly Point[], to: readonly Point[]): Homography | null {
  const rows = from.flatMap(({ x, y }, i) => {
    const { x: u, y: v } = to[i]!;
    return [
      [x, y, 1, 0, 0, 0, -u * x, -u * y],
      [0, 0, 0, x, y, 1, -v * x, -v * y],
    ];
  });
  const h = solveLinear(
    rows,
    to.flatMap(({ x, y }) => [x, y]),
  );
  return h && Float64Array.of(...h, 1);
}

/** Where the map takes a point. */
export function mapPoint(h: Homography, { x, y }: Point): Point {
  const w = h[6]! * x + h[7]! * y + h[8]!;
  return { x: (h[0]! * x + h[1]! * y + h[2]!) / w, y: (h[3]! * x + h[4]! * y + h[5]!) / w };
}
