import type { BlockMatrix } from "../numeric/blocks";
import type { MixSlopes } from "./slopes";

/** How a colour moves with the numbers of a state. */
export type Moves = Pick<MixSlopes, "places" | "slopes">;

/** Numbers in a row that stand in one block of a matrix. */
interface Run {
  /** The block's position, and where in it and in the matrix's vector it begins. */
  readonly position: number;
  readonly start: number;
  /** Which of the places: from here, up to there. */
  readonly from: number;
  readonly to: number;
}

function runsOf({ shape: { positionOf, starts } }: BlockMatrix, places: Int32Array): Run[] {
  const runs: Run[] = [];
  for (let from = 0, i = 1; i <= places.length; i++) {
    const position = positionOf[places[from]!]!;
    if (i < places.length && positionOf[places[i]!] === position) continue;
    runs.push({ position, start: starts[position]!, from, to: i });
    from = i;
  }
  return runs;
}

/** Adds Jᵀ N J to a matrix, J given by its places and slopes. */
export function addInformation(matrix: BlockMatrix, { places, slopes }: Moves, precision: Float64Array): void {
  const weighted = new Float64Array(slopes.length);
  for (let i = 0; i < places.length; i++)
    for (let k = 0; k < 3; k++)
      weighted[3 * i + k] =
        precision[3 * k]! * slopes[3 * i]! +
        precision[3 * k + 1]! * slopes[3 * i + 1]! +
        precision[3 * k + 2]! * slopes[3 * i + 2]!;
  const { values, shape } = matrix;
  const runs = runsOf(matrix, places);
  for (const row of runs)
    for (const column of runs) {
      if (row.position < column.position) continue;
      const [at, width] = [matrix.place(row.position, column.position)!, shape.sizes[column.position]!];
      for (let i = row.from; i < row.to; i++) {
        const to = at + (places[i]! - row.start) * width - column.start;
        const [x, y, z] = [weighted[3 * i]!, weighted[3 * i + 1]!, weighted[3 * i + 2]!];
        for (let j = column.from; j < column.to; j++)
          values[to + places[j]!]! += x * slopes[3 * j]! + y * slopes[3 * j + 1]! + z * slopes[3 * j + 2]!;
      }
    }
}

/** Adds Jᵀ v to a vector. */
export function addPulled(vector: Float64Array, { places, slopes }: Moves, v: ArrayLike<number>): void {
  for (let i = 0; i < places.length; i++)
    vector[places[i]!]! += slopes[3 * i]! * v[0]! + slopes[3 * i + 1]! * v[1]! + slopes[3 * i + 2]! * v[2]!;
}

/** Takes J by from what a colour is off by, when the state moved so. */
export function takeMoved(off: Float64Array, { places, slopes }: Moves, by: Float64Array): void {
  for (let i = 0; i < places.length; i++) for (let k = 0; k < 3; k++) off[k]! -= slopes[3 * i + k]! * by[places[i]!]!;
}

/**
 * J C Jᵀ of a colour with itself, C the inverse of a matrix: nine numbers; null when it was not computed for all of its
 * places.
 */
export function spreadWithin(matrix: BlockMatrix, { places, slopes }: Moves): Float64Array | null {
  const out = new Float64Array(9);
  const { shape, inverse } = matrix;
  const runs = runsOf(matrix, places);
  for (const row of runs)
    for (const column of runs) {
      if (row.position < column.position) continue;
      const at = matrix.place(row.position, column.position);
      if (at === undefined) return null;
      const width = shape.sizes[column.position]!;
      for (let i = row.from; i < row.to; i++) {
        const from = at + (places[i]! - row.start) * width - column.start;
        let [x, y, z] = [0, 0, 0];
        for (let j = column.from; j < column.to; j++) {
          const c = inverse[from + places[j]!]!;
          x += c * slopes[3 * j]!;
          y += c * slopes[3 * j + 1]!;
          z += c * slopes[3 * j + 2]!;
        }
        for (let k = 0; k < 3; k++) {
          const slope = slopes[3 * i + k]!;
          const by = [slope * x, slope * y, slope * z];
          for (let l = 0; l < 3; l++) {
            out[3 * k + l]! += by[l]!;
            if (row !== column) out[3 * l + k]! += by[l]!;
          }
        }
      }
    }
  return out;
}
