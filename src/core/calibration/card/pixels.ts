import type { PixelArray } from "../../image/pixels";
import { LINEAR } from "../../image/pixels";
import { mapPoint, type Homography } from "./homography";
import type { Box } from "./layout";

/**
 * Linear Display P3 of the pixels that a box of the card covers, 3 numbers each, and the mm places they stand for, 2
 * each.
 */
export interface BoxPixels {
  readonly linear: Float64Array;
  readonly places: Float64Array;
  readonly count: number;
  /** Share of the box that lies outside the photo. */
  readonly outside: number;
}

const MOST_A_SIDE = 64;

/** The pixels of a box of the card on the photo: about one for each pixel covered, at most 64 by 64. */
export function boxPixels(photo: PixelArray, onPhoto: Homography, box: Box, pxPerMm: number): BoxPixels {
  const steps = (length: number): number => Math.min(MOST_A_SIDE, Math.max(3, Math.round(length * pxPerMm)));
  const [across, down] = [steps(box.width), steps(box.height)];
  const linear = new Float64Array(3 * across * down);
  const places = new Float64Array(2 * across * down);
  let count = 0;
  for (let j = 0; j < down; j++) {
    for (let i = 0; i < across; i++) {
      const at = { x: box.x + ((i + 0.5) / across) * box.width, y: box.y + ((j + 0.5) / down) * box.height };
      const { x, y } = mapPoint(onPhoto, at);
      const [px, py] = [Math.floor(x), Math.floor(y)];
      if (px < 0 || py < 0 || px >= photo.width || py >= photo.height) continue;
      const from = 4 * (py * photo.width + px);
      for (let c = 0; c < 3; c++) linear[3 * count + c] = LINEAR[photo.data[from + c]!]!;
      places[2 * count] = at.x;
      places[2 * count + 1] = at.y;
      count++;
    }
  }
  return {
    linear: linear.subarray(0, 3 * count),
    places: places.subarray(0, 2 * count),
    count,
    outside: 1 - count / (across * down),
  };
}

/** Middle value of a list. */
export function medianOf(values: ArrayLike<number>): number {
  const sorted = Float64Array.from(values).sort();
  const n = sorted.length;
  return n === 0 ? NaN : n % 2 ? sorted[(n - 1) / 2]! : (sorted[n / 2 - 1]! + sorted[n / 2]!) / 2;
}

/** Standard deviation from the median absolute deviation, as of a normal distribution: 1.4826 times it. */
export function robustDeviation(values: ArrayLike<number>, middle = medianOf(values)): number {
  return 1.4826 * medianOf(Float64Array.from(values, (v) => Math.abs(v - middle)));
}
