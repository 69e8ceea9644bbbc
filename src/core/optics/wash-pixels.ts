/**
 * Colours of what lies at four places of a dried wash (the paper's hills, level ground, hollows, and the wash's rim),
 * by load, for drawing: encoded sRGB bytes, one row a place, at loads spaced evenly in the logarithm from `minLoad` to
 * `maxLoad`.
 */
export interface LoadColours {
  readonly rgb: Uint8Array;
  readonly minLoad: number;
  readonly maxLoad: number;
}
const ROWS = 4;
const LEVEL_ROW = 1;
const RIM_ROW = 3;
/** Grain noise at which all is hollow, or hill. */
const DEEP = 1.1;

/** How a drawn wash runs over its length. */
export interface WashShape {
  readonly widthPx: number;
  readonly heightPx: number;
  /** Load at the left and right end. */
  readonly from: number;
  readonly to: number;
  /** Relative spread of the load over the paper's texture. */
  readonly spread: number;
  /** Load of the rim over that of the wash, less 1. */
  readonly rimGain: number;
  /** Size of the paper's grain, pixels. */
  readonly grainPx: number;
  readonly seed: number;
}

/** The rim's width, pixels. From memory. */
const RIM_PX = 2.2;

/** Pseudo-random number 0 to 1 of a lattice point: an integer hash with Murmur3's finaliser constants. */
function hash(x: number, y: number, seed: number): number {
  let h = Math.imul(x, 0x27d4eb2d) ^ Math.imul(y, 0x165667b1) ^ Math.imul(seed, 0x9e3779b1);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
}

/** Smooth value noise, about -1 to 1, with features the size of one unit. */
export function valueNoise(x: number, y: number, seed: number): number {
  const i = Math.floor(x);
  const j = Math.floor(y);
  const u = x - i;
  const v = y - j;
  const su = u * u * (3 - 2 * u);
  const sv = v * v * (3 - 2 * v);
  const top = hash(i, j, seed) * (1 - su) + hash(i + 1, j, seed) * su;
  const bottom = hash(i, j + 1, seed) * (1 - su) + hash(i + 1, j + 1, seed) * su;
  return 2 * (top * (1 - sv) + bottom * sv) - 1;
}

/**
 * A row of value noise at x = 0, 1 … of a picture, `scale` times finer than its pixels across: the same numbers as
 * `valueNoise` tells one by one, from two lattice points for each unit in place of four for each pixel.
 */
export function noiseRow(row: Float64Array, scale: number, y: number, seed: number): void {
  const j = Math.floor(y);
  const v = y - j;
  const sv = v * v * (3 - 2 * v);
  const column = (i: number): number => hash(i, j, seed) * (1 - sv) + hash(i, j + 1, seed) * sv;
  let at = 0;
  let left = column(0);
  let right = column(1);
  for (let x = 0; x < row.length; x++) {
    const i = Math.floor(x * scale);
    if (i !== at) {
      left = i === at + 1 ? right : column(i);
      right = column(i + 1);
      at = i;
    }
    const u = x * scale - i;
    row[x] = 2 * (left + (right - left) * u * u * (3 - 2 * u)) - 1;
  }
}

/**
 * Draws a wash as RGBA pixels: load running from one end to the other, spread over the paper's
 * grain, a ragged outline with a darker rim where the wash has dried, clear beyond it.
 */
export function washPixels(colours: LoadColours, shape: WashShape): Uint8ClampedArray<ArrayBuffer> {
  const { widthPx, heightPx, from, to, spread, rimGain, grainPx, seed } = shape;
  const pixels = new Uint8ClampedArray(widthPx * heightPx * 4);
  const levels = colours.rgb.length / (3 * ROWS);
  const last = levels - 1;
  const { rgb } = colours;
  const logMin = Math.log(colours.minLoad);
  const scale = last / (Math.log(colours.maxLoad) - logMin);
  const logFrom = Math.log(from);
  const logTo = Math.log(to);
  const row = (): Float64Array => new Float64Array(widthPx);
  const [broad, short, drift, grains, fine, coarse] = [row(), row(), row(), row(), row(), row()];
  for (let y = 0; y < heightPx; y++) {
    noiseRow(broad, 1 / 23, y / 9, seed + 1);
    noiseRow(short, 1 / 5, y / 5, seed + 2);
    noiseRow(drift, 1 / 30, y / 16, seed + 3);
    noiseRow(grains, 1 / grainPx, y / grainPx, seed + 4);
    noiseRow(fine, 2.1 / grainPx, (2.1 * y) / grainPx, seed + 5);
    noiseRow(coarse, 1 / (4 * grainPx), y / (4 * grainPx), seed + 6);
    for (let x = 0; x < widthPx; x++) {
      const ragged = 1.1 * broad[x]! + 0.6 * short[x]!;
      const inside = Math.min(x, y, widthPx - 1 - x, heightPx - 1 - y) - 1.2 + ragged;
      if (inside < -0.5) continue;
      const along = Math.min(1, Math.max(0, x / (widthPx - 1) + 0.05 * drift[x]!));
      const grain = 0.62 * grains[x]! + 0.55 * fine[x]! + 0.4 * coarse[x]!;
      const rim = Math.exp(-Math.max(0, inside) / RIM_PX);
      const logLoad = logFrom + (logTo - logFrom) * along + 1.7 * spread * grain + Math.log1p(rimGain * rim);
      const index = Math.min(last, Math.max(0, Math.round((logLoad - logMin) * scale)));
      // Between level ground and hollow or hill, then between that and what lies at the rim.
      const depth = Math.min(1, Math.abs(grain) / DEEP);
      const level = 3 * (LEVEL_ROW * levels + index);
      const there = 3 * ((grain > 0 ? LEVEL_ROW + 1 : LEVEL_ROW - 1) * levels + index);
      const edge = 3 * (RIM_ROW * levels + index);
      const at = 4 * (y * widthPx + x);
      for (let c = 0; c < 3; c++) {
        const inner = rgb[level + c]! + depth * (rgb[there + c]! - rgb[level + c]!);
        pixels[at + c] = inner + rim * (rgb[edge + c]! - inner);
      }
      pixels[at + 3] = 255 * Math.min(1, inside + 0.5);
    }
  }
  return pixels;
}
