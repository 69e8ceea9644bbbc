import type { Lab, Rgb } from "../colour/colour";
import { deltaE00 } from "../colour/difference";
import { labOfLinear, type AreaImage } from "../image/pixels";
import { MAX_LABEL, type LabelMap } from "./label-map";

/** What a photo shows within one area. */
export interface AreaMeasure {
  readonly label: number;
  /** Mean colour, averaged as light. */
  readonly mean: Lab;
  /** Mean of the lightest and of the darkest quarter. */
  readonly lit: Lab;
  readonly shaded: Lab;
  /** The most different small part, if it stands out clearly: what a painter would drop in last. */
  readonly accent: Lab | null;
  /** Share of the sheet, 0 to 1. */
  readonly share: number;
}

/** Two areas that touch. */
export interface AreaBorder {
  readonly a: number;
  readonly b: number;
  /** Shared length as a share of the sheet's width. */
  readonly length: number;
  /** 0 lost, 1 crisp: how much of the step in colour happens within three pixels. */
  readonly hardness: number;
}

export interface AreasMeasured {
  readonly areas: readonly AreaMeasure[];
  readonly borders: readonly AreaBorder[];
  /** Share of the sheet that no area covers yet. */
  readonly uncovered: number;
}

const LABELS = MAX_LABEL + 1;
const BINS = 128;
const QUARTER = 0.25;
/** An accent is this share of the area, and differs from the mean by at least this much (CIEDE2000). From memory. */
const ACCENT_SHARE = 0.04;
const ACCENT_DIFFERENCE = 10;

/** Sums of linear light by bin of some key, so that the ends of its distribution can be averaged. */
class Binned {
  private readonly sums = new Float64Array(4 * BINS);
  add(bin: number, linear: Float32Array, at: number): void {
    const to = 4 * Math.min(BINS - 1, Math.max(0, Math.floor(bin)));
    this.sums[to]! += linear[at]!;
    this.sums[to + 1]! += linear[at + 1]!;
    this.sums[to + 2]! += linear[at + 2]!;
    this.sums[to + 3]!++;
  }
  /** Mean light of the first `share` of pixels, from the low bins or from the high ones. */
  mean(share: number, fromHigh: boolean): Rgb {
    let all = 0;
    for (let i = 0; i < BINS; i++) all += this.sums[4 * i + 3]!;
    let left = share * all;
    const light = [0, 0, 0];
    for (let i = 0; i < BINS && left > 0; i++) {
      const at = 4 * (fromHigh ? BINS - 1 - i : i);
      const count = this.sums[at + 3]!;
      if (count === 0) continue;
      const taken = Math.min(1, left / count);
      for (let c = 0; c < 3; c++) light[c]! += taken * this.sums[at + c]!;
      left -= taken * count;
    }
    const n = share * all;
    return { r: light[0]! / n, g: light[1]! / n, b: light[2]! / n };
  }
}

/** Euclidean distance of two triples, each where it begins in its array. `Math.hypot` takes ten times as long. */
function distance(a: ArrayLike<number>, i: number, b: ArrayLike<number>, j: number): number {
  const [x, y, z] = [a[i]! - b[j]!, a[i + 1]! - b[j + 1]!, a[i + 2]! - b[j + 2]!];
  return Math.sqrt(x * x + y * y + z * z);
}

/** What is summed over the pixels of one area. */
class AreaSums {
  count = 0;
  /** OKLab: its sum, then its mean. */
  readonly middle = new Float64Array(3);
  /** By value, and by how far from the area's middle. */
  readonly values = new Binned();
  readonly strange = new Binned();
}

/** How far from a border its two sides are read, px: close by, and well inside. */
const NEAR_PX = 1;
const FAR_PX = 6;

function bordersOf({ width, height, labels }: LabelMap, { oklab }: AreaImage, sheetWidthPx: number): AreaBorder[] {
  const found = new Map<number, { length: number; near: number; far: number }>();
  const apart = (i: number, j: number): number => distance(oklab, 3 * i, oklab, 3 * j);
  /** Two pixels side by side, of different labels: `at` of `limit` along the way from one to the other. */
  const touch = (i: number, j: number, at: number, limit: number, stride: number): void => {
    const [a, b] = [Math.min(labels[i]!, labels[j]!), Math.max(labels[i]!, labels[j]!)];
    if (a === 0) return;
    const key = LABELS * a + b;
    let border = found.get(key);
    if (!border) found.set(key, (border = { length: 0, near: 0, far: 0 }));
    border.length++;
    const out = Math.min(FAR_PX, at, limit - 2 - at);
    if (out < NEAR_PX) return;
    border.near += apart(i - NEAR_PX * stride, j + NEAR_PX * stride);
    border.far += apart(i - out * stride, j + out * stride);
  };
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      const label = labels[i];
      if (x < width - 1 && labels[i + 1] !== label) touch(i, i + 1, x, width, 1);
      if (y < height - 1 && labels[i + width] !== label) touch(i, i + width, y, height, width);
    }
  }
  // A slanting border crosses more pixel sides than it is long: by 4/pi in the mean over all directions (Cauchy and
  // Crofton).
  return [...found].map(([key, { length, near, far }]) => ({
    a: Math.floor(key / LABELS),
    b: key % LABELS,
    length: (length * Math.PI) / 4 / sheetWidthPx,
    hardness: far > 0 ? Math.min(1, near / far) : 0,
  }));
}

/**
 * Measures every area of a map on the photo's light: mean, lit and shaded side, accent, share of
 * the sheet, and which areas touch, how long and how softly.
 * @param mask 1 where the sheet reaches
 * @param sheetWidthPx width of the sheet on the map, px
 */
export function measureAreas(map: LabelMap, image: AreaImage, mask: Uint8Array, sheetWidthPx: number): AreasMeasured {
  const { linear, oklab } = image;
  const sums = new Array<AreaSums | undefined>(LABELS).fill(undefined);
  let sheet = 0;
  let uncovered = 0;
  const visible = map.labels.slice();
  for (let i = 0; i < visible.length; i++) {
    if (mask[i] === 0) {
      visible[i] = 0;
      continue;
    }
    sheet++;
    const label = visible[i]!;
    if (label === 0) {
      uncovered++;
      continue;
    }
    const sum = (sums[label] ??= new AreaSums());
    const { middle, values } = sum;
    sum.count++;
    middle[0]! += oklab[3 * i]!;
    middle[1]! += oklab[3 * i + 1]!;
    middle[2]! += oklab[3 * i + 2]!;
    values.add(oklab[3 * i]! * BINS, linear, 3 * i);
  }
  for (const sum of sums) if (sum) for (let c = 0; c < 3; c++) sum.middle[c]! /= sum.count;
  for (let i = 0; i < visible.length; i++) {
    if (visible[i] === 0) continue;
    const { middle, strange } = sums[visible[i]!]!;
    strange.add(distance(oklab, 3 * i, middle, 0) * 2 * BINS, linear, 3 * i);
  }
  const areas = sums.flatMap((sum, label): AreaMeasure[] => {
    if (!sum) return [];
    const { count, values, strange } = sum;
    const mean = labOfLinear(values.mean(1, true));
    const accent = labOfLinear(strange.mean(ACCENT_SHARE, true));
    return [
      {
        label,
        mean,
        share: count / Math.max(1, sheet),
        lit: labOfLinear(values.mean(QUARTER, true)),
        shaded: labOfLinear(values.mean(QUARTER, false)),
        accent: deltaE00(mean, accent) >= ACCENT_DIFFERENCE ? accent : null,
      },
    ];
  });
  return {
    areas,
    borders: bordersOf({ ...map, labels: visible }, image, sheetWidthPx),
    uncovered: uncovered / Math.max(1, sheet),
  };
}
