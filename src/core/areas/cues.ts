import type { AreaImage } from "../image/pixels";

/** What the eye goes by where shapes meet, for each pixel of a photo at the size areas are found at. */
export interface Cues {
  readonly width: number;
  readonly height: number;
  /** OKLab, lightly smoothed, 3 a pixel. */
  readonly colour: Float32Array;
  /** Step in colour (OKLab, hue and chroma counted `HUE_WEIGHT` fold) across the pixel: crisp, within two pixels. */
  readonly crisp: Float32Array;
  /** The same over a wider stretch, which fine texture does not reach. */
  readonly broad: Float32Array;
}

/**
 * How much a difference in OKLab a and b counts against one in lightness where shapes meet. Found on
 * the photographs of the bench (`npm run bench`).
 */
const HUE_WEIGHT = 2;

/** Reach of the broad step, as a share of the longer side. */
const BROAD_SHARE = 1 / 220;

/** Mean over a square of `2 reach + 1` pixels, cut off at the border; one channel, two running sums. */
export function boxMean(values: Float32Array, width: number, height: number, reach: number): Float32Array {
  const across = new Float32Array(values.length);
  const out = new Float32Array(values.length);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    let sum = 0;
    for (let x = 0; x < Math.min(reach, width); x++) sum += values[row + x]!;
    for (let x = 0; x < width; x++) {
      if (x + reach < width) sum += values[row + x + reach]!;
      if (x - reach - 1 >= 0) sum -= values[row + x - reach - 1]!;
      across[row + x] = sum / (Math.min(width - 1, x + reach) - Math.max(0, x - reach) + 1);
    }
  }
  const sums = new Float64Array(width);
  for (let y = 0; y < Math.min(reach, height); y++) for (let x = 0; x < width; x++) sums[x]! += across[y * width + x]!;
  for (let y = 0; y < height; y++) {
    const n = Math.min(height - 1, y + reach) - Math.max(0, y - reach) + 1;
    for (let x = 0; x < width; x++) {
      if (y + reach < height) sums[x]! += across[(y + reach) * width + x]!;
      if (y - reach - 1 >= 0) sums[x]! -= across[(y - reach - 1) * width + x]!;
      out[y * width + x] = sums[x]! / n;
    }
  }
  return out;
}

/** Two box means one after the other: near to a Gaussian of standard deviation sqrt((2r+1)^2 - 1) / sqrt(6). */
const smooth = (values: Float32Array, width: number, height: number, reach: number): Float32Array =>
  boxMean(boxMean(values, width, height, reach), width, height, reach);

/** Sum over channels of the squared difference across each pixel, as a step over `2 reach` pixels. */
function steps(channels: readonly Float32Array[], width: number, height: number, reach: number): Float32Array {
  const size = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const above = Math.max(0, y - reach) * width;
    const below = Math.min(height - 1, y + reach) * width;
    for (let x = 0; x < width; x++) {
      const left = y * width + Math.max(0, x - reach);
      const right = y * width + Math.min(width - 1, x + reach);
      let xx = 0;
      let yy = 0;
      let xy = 0;
      for (const channel of channels) {
        const dx = channel[right]! - channel[left]!;
        const dy = channel[below + x]! - channel[above + x]!;
        xx += dx * dx;
        yy += dy * dy;
        xy += dx * dy;
      }
      // The larger eigenvalue of the structure tensor is the step along its own direction (Di Zenzo 1986).
      const turn = Math.hypot(xx - yy, 2 * xy);
      const i = y * width + x;
      size[i] = Math.sqrt((xx + yy + turn) / 2);
    }
  }
  return size;
}

/** Colour and steps of a photo. Pure; about 0.3 s for a map of 1000 by 750 pixels. */
export function cuesOf({ width, height, oklab }: AreaImage): Cues {
  const n = width * height;
  const side = Math.max(width, height);
  const channels = [0, 1, 2].map((c) => {
    const plane = new Float32Array(n);
    const weight = c === 0 ? 1 : HUE_WEIGHT;
    for (let i = 0; i < n; i++) plane[i] = weight * oklab[3 * i + c]!;
    return plane;
  });
  const near = channels.map((plane) => boxMean(plane, width, height, 1));
  const reach = Math.max(2, Math.round(side * BROAD_SHARE));
  const far = channels.map((plane) => smooth(plane, width, height, reach));
  const colour = new Float32Array(3 * n);
  for (let i = 0; i < n; i++) {
    colour[3 * i] = near[0]![i]!;
    colour[3 * i + 1] = near[1]![i]! / HUE_WEIGHT;
    colour[3 * i + 2] = near[2]![i]! / HUE_WEIGHT;
  }
  return {
    width,
    height,
    colour,
    crisp: steps(near, width, height, 1),
    broad: steps(far, width, height, reach),
  };
}
