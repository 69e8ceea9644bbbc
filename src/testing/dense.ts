import { eachOfPrior, type StateLayout } from "@/core/learning/state";
import type { Moves } from "@/core/learning/linear";

/** The prior's precision of a state written out in full, row by row: what the sparse one is held to. */
export function densePrior(layout: StateLayout): Float64Array {
  const matrix = new Float64Array(layout.size ** 2);
  eachOfPrior(layout, new Map(), (i, j, value) => (matrix[i * layout.size + j]! += value));
  return matrix;
}

/** J₁ C J₂ᵀ of two colours for a covariance written out in full, nine numbers. */
export function coloursTogether(covariance: Float64Array, size: number, one: Moves, other: Moves): Float64Array {
  const out = new Float64Array(9);
  one.places.forEach((row, i) =>
    other.places.forEach((column, j) => {
      for (let k = 0; k < 9; k++)
        out[k]! +=
          one.slopes[3 * i + Math.floor(k / 3)]! * covariance[row * size + column]! * other.slopes[3 * j + (k % 3)]!;
    }),
  );
  return out;
}
