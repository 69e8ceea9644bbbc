import { noiseRow } from "../../optics/wash-pixels";

/** Means over squares of side 2 r + 1 of a picture of one channel, twice: near a Gaussian. Edges repeat. */
export function blurred(values: Float32Array, width: number, height: number, r: number): Float32Array {
  const from = Float32Array.from(values);
  const to = new Float32Array(values.length);
  const line = (at: number, stride: number, count: number): void => {
    const last = at + (count - 1) * stride;
    let sum = 0;
    const value = (k: number): number => from[k < 0 ? at : k >= count ? last : at + k * stride]!;
    for (let k = -r; k <= r; k++) sum += value(k);
    for (let k = 0; k < count; k++) {
      to[at + k * stride] = sum / (2 * r + 1);
      sum += value(k + r + 1) - value(k - r);
    }
  };
  for (let round = 0; round < 2; round++) {
    for (let y = 0; y < height; y++) line(y * width, 1, width);
    from.set(to);
    for (let x = 0; x < width; x++) line(x, width, height);
    from.set(to);
  }
  return from;
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
