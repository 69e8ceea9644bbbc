import { pairOf } from "@/core/numeric/tuples";
/** How well found shapes agree with drawn ones, by the measures that segmentations are compared with. */

/** Pixels on a border: their right or lower neighbour has another label. */
function borderPixels(labels: ArrayLike<number>, width: number, height: number): Uint8Array {
  const out = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      if (x < width - 1 && labels[i] !== labels[i + 1]) out[i] = 1;
      if (y < height - 1 && labels[i] !== labels[i + width]) out[i] = 1;
    }
  }
  return out;
}

/** Distance to the nearest marked pixel, px: two sweeps of chamfer distances (Borgefors 1986, 1 and sqrt 2). */
function distances(marks: Uint8Array, width: number, height: number): Float64Array {
  const out = Float64Array.from(marks, (mark) => (mark ? 0 : Infinity));
  const relax = (i: number, j: number, by: number): void => {
    if (out[j]! + by < out[i]!) out[i] = out[j]! + by;
  };
  const sweep = (from: number, to: number, by: 1 | -1): void => {
    for (let y = from; y !== to; y += by) {
      for (let k = 0; k < width; k++) {
        const x = by === 1 ? k : width - 1 - k;
        const i = y * width + x;
        if (x - by >= 0 && x - by < width) relax(i, i - by, 1);
        if (y - by < 0 || y - by >= height) continue;
        const row = (y - by) * width;
        relax(i, row + x, 1);
        if (x > 0) relax(i, row + x - 1, Math.SQRT2);
        if (x < width - 1) relax(i, row + x + 1, Math.SQRT2);
      }
    }
  };
  sweep(0, height, 1);
  sweep(height - 1, -1, -1);
  return out;
}

/** How far a border may lie from a drawn one, as a share of the diagonal (Martin, Fowlkes and Malik 2004). */
const TOLERANCE = 0.0075;

/**
 * F-measure of borders: the harmonic mean of precision (found border near a drawn one) and recall (drawn
 * border near a found one), Martin, Fowlkes and Malik 2004; nearness by distance, without a one-to-one matching.
 */
export function boundaryF(
  drawn: ArrayLike<number>,
  found: ArrayLike<number>,
  width: number,
  height: number,
): { readonly precision: number; readonly recall: number; readonly f: number } {
  const reach = TOLERANCE * Math.hypot(width, height);
  const [one, two] = [borderPixels(drawn, width, height), borderPixels(found, width, height)];
  const near = (marks: Uint8Array, others: Uint8Array): number => {
    const away = distances(others, width, height);
    let all = 0;
    let close = 0;
    for (let i = 0; i < marks.length; i++) {
      if (!marks[i]) continue;
      all++;
      if (away[i]! <= reach) close++;
    }
    return all > 0 ? close / all : 0;
  };
  const precision = near(two, one);
  const recall = near(one, two);
  return { precision, recall, f: precision + recall > 0 ? (2 * precision * recall) / (precision + recall) : 0 };
}

/**
 * Segmentation covering (Arbeláez et al. 2011): each drawn shape's best intersection over union, weighted by its size.
 */
export function covering(drawn: ArrayLike<number>, found: ArrayLike<number>): number {
  const sizes = new Map<number, number>();
  const ours = new Map<number, number>();
  const both = new Map<number, Map<number, number>>();
  for (let i = 0; i < drawn.length; i++) {
    const [d, f] = pairOf([drawn[i]!, found[i]!]);
    sizes.set(d, (sizes.get(d) ?? 0) + 1);
    ours.set(f, (ours.get(f) ?? 0) + 1);
    const row = both.get(d) ?? new Map<number, number>();
    both.set(d, row);
    row.set(f, (row.get(f) ?? 0) + 1);
  }
  let sum = 0;
  for (const [d, size] of sizes) {
    let best = 0;
    for (const [f, joint] of both.get(d)!) best = Math.max(best, joint / (size + ours.get(f)! - joint));
    sum += (size / drawn.length) * best;
  }
  return sum;
}
