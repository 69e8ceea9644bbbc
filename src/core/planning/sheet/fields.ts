import { noiseRow } from "../../optics/wash-pixels";

/** Running means along rows, edges repeated. */
function alongRows(from: Float32Array, to: Float32Array, width: number, height: number, r: number): void {
  const part = 1 / (2 * r + 1);
  for (let base = 0; base < width * height; base += width) {
    const last = base + width - 1;
    let sum = (r + 1) * from[base]!;
    for (let k = 1; k <= r; k++) sum += from[Math.min(last, base + k)]!;
    for (let at = base; at <= last; at++) {
      to[at] = sum * part;
      sum += from[Math.min(last, at + r + 1)]! - from[Math.max(base, at - r)]!;
    }
  }
}

/** Running means along columns, row by row, edges repeated. */
function alongColumns(from: Float32Array, to: Float32Array, width: number, height: number, r: number): void {
  const part = 1 / (2 * r + 1);
  const sums = new Float64Array(width);
  for (let k = -r; k <= r; k++) {
    const row = Math.min(height - 1, Math.max(0, k)) * width;
    for (let x = 0; x < width; x++) sums[x]! += from[row + x]!;
  }
  for (let y = 0; y < height; y++) {
    const [row, next, past] = [y, Math.min(height - 1, y + r + 1), Math.max(0, y - r)].map((at) => at * width);
    for (let x = 0; x < width; x++) {
      to[row! + x] = sums[x]! * part;
      sums[x]! += from[next! + x]! - from[past! + x]!;
    }
  }
}

/** Means over squares of side 2 r + 1 of a picture of one channel, twice: near a Gaussian. Edges repeat. */
export function blurred(values: Float32Array, width: number, height: number, r: number): Float32Array {
  const [to, between] = [new Float32Array(values.length), new Float32Array(values.length)];
  alongRows(values, between, width, height, r);
  alongColumns(between, to, width, height, r);
  alongRows(to, between, width, height, r);
  alongColumns(between, to, width, height, r);
  return to;
}

/** Smooth noise over a picture, about -1 to 1, with features of so many pixels. */
export function noiseField(width: number, height: number, featurePx: number, seed: number): Float32Array {
  const field = new Float32Array(width * height);
  const row = new Float64Array(width);
  for (let y = 0; y < height; y++) {
    noiseRow(row, 1 / featurePx, y / featurePx, seed);
    field.set(row, y * width);
  }
  return field;
}

const GRAIN_SEED = 11;

/**
 * The sheet's hills (below 0) and hollows, about -1.2 to 1.2: the same under every wash.
 * @param grainPx size of the paper's grain
 */
export function paperGrain(width: number, height: number, grainPx: number): Float32Array {
  const grain = new Float32Array(width * height);
  const row = (): Float64Array => new Float64Array(width);
  const [grains, fine, coarse] = [row(), row(), row()];
  for (let y = 0; y < height; y++) {
    noiseRow(grains, 1 / grainPx, y / grainPx, GRAIN_SEED);
    noiseRow(fine, 2.1 / grainPx, (2.1 * y) / grainPx, GRAIN_SEED + 1);
    noiseRow(coarse, 1 / (4 * grainPx), y / (4 * grainPx), GRAIN_SEED + 2);
    for (let x = 0; x < width; x++) grain[y * width + x] = 0.62 * grains[x]! + 0.55 * fine[x]! + 0.15 * coarse[x]!;
  }
  return grain;
}
