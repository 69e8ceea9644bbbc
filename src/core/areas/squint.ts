import type { AreaImage } from "../image/pixels";

/** Reach of the median, as a share of the longer side: what is thinner than about this is detail on its ground. */
const REACH_SHARE = 0.009;
const BINS = 256;

/**
 * Median over a square of `2 reach + 1` pixels with a running histogram (Huang, Yang and Tang 1979), to one
 * part in 256 of the range. Unlike a mean it keeps edges where they are and lets thin things vanish.
 */
export function boxMedian(values: Float32Array, width: number, height: number, reach: number): Float32Array {
  let low = Infinity;
  let high = -Infinity;
  for (const value of values) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  const step = (high - low) / (BINS - 1) || 1;
  const bins = new Uint8Array(values.length);
  for (let i = 0; i < values.length; i++) bins[i] = Math.round((values[i]! - low) / step);
  const out = new Float32Array(values.length);
  const counts = new Int32Array(BINS);
  // Down each column: what comes in and goes out are short stretches of a row, which lie together in memory.
  for (let x = 0; x < width; x++) {
    const left = Math.max(0, x - reach);
    const right = Math.min(width - 1, x + reach);
    const columns = right - left + 1;
    counts.fill(0);
    let rows = 0;
    let middle = 0;
    let below = 0;
    for (let y = -reach; y < height; y++) {
      if (y + reach < height) {
        const row = (y + reach) * width;
        for (let i = row + left; i <= row + right; i++) {
          const bin = bins[i]!;
          counts[bin]!++;
          if (bin < middle) below++;
        }
        rows++;
      }
      if (y - reach - 1 >= 0) {
        const row = (y - reach - 1) * width;
        for (let i = row + left; i <= row + right; i++) {
          const bin = bins[i]!;
          counts[bin]!--;
          if (bin < middle) below--;
        }
        rows--;
      }
      if (y < 0) continue;
      const half = (columns * rows) >> 1;
      while (below > half) below -= counts[--middle]!;
      while (below + counts[middle]! <= half) below += counts[middle++]!;
      out[y * width + x] = low + step * middle;
    }
  }
  return out;
}

/**
 * The photo as it is seen with half-closed eyes: thin things (stems, cables, glazing bars) give way to what is behind
 * them.
 */
export function squinted({ width, height, oklab }: AreaImage): Float32Array {
  const reach = Math.max(1, Math.round(REACH_SHARE * Math.max(width, height)));
  const out = new Float32Array(oklab.length);
  const plane = new Float32Array(width * height);
  for (let c = 0; c < 3; c++) {
    for (let i = 0; i < plane.length; i++) plane[i] = oklab[3 * i + c]!;
    const median = boxMedian(plane, width, height, reach);
    for (let i = 0; i < plane.length; i++) out[3 * i + c] = median[i]!;
  }
  return out;
}
