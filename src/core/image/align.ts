import type { Point, Size } from "./frame";

/** A photo's lightness, for comparing. */
export interface LightnessImage extends Size {
  /** OKLab, 3 a pixel; the first of each is read. */
  readonly oklab: Float32Array;
}

/**
 * How one photo of a motif lies on another: a point so many heights of the first photo from its middle lies `scale`
 * times as many heights of the second, and `dx`, `dy` further, from the middle of the second.
 */
export interface Alignment {
  readonly scale: number;
  readonly dx: number;
  readonly dy: number;
  /** Correlation of the lightness where they overlap, -1 to 1. */
  readonly likeness: number;
}

/** The photos laid over each other by their middles, each at its full height. */
export const MIDDLE_ON_MIDDLE: Alignment = { scale: 1, dx: 0, dy: 0, likeness: 0 };

/**
 * From this likeness on two photos are taken to be of one motif. Ours: the same again, cut, lighter or warmer, is above
 * 0.85 on all our photographs; others are at 0.4 to 0.8, but a dark field below a bright sky is like any other, 0.92.
 */
export const SAME_MOTIF = 0.82;

/** Rows of the images that are compared: first in coarse, then about the best places in fine ones. */
const COARSE_ROWS = 24;
const FINE_ROWS = 96;
/** A motif is taken anew from nearer or farther by no more than this. */
const MOST_SCALE = 1.6;
const SCALE_STEP = 1.05;
/** So much of the smaller photo's part must lie on the other. */
const LEAST_OVERLAP = 0.5;
/** Coarse places that are looked at in fine rows. */
const TRIED = 4;

interface Plane extends Size {
  readonly values: Float32Array;
}

/** Mean lightness in so many rows, columns as wide as rows are high. */
function plane(image: LightnessImage, rows: number): Plane {
  const height = Math.min(rows, image.height);
  const width = Math.max(1, Math.round((image.width * height) / image.height));
  const values = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const [top, bottom] = [Math.floor((y * image.height) / height), Math.floor(((y + 1) * image.height) / height)];
    for (let x = 0; x < width; x++) {
      const [left, right] = [Math.floor((x * image.width) / width), Math.floor(((x + 1) * image.width) / width)];
      let sum = 0;
      for (let j = top; j < bottom; j++)
        for (let i = left; i < right; i++) sum += image.oklab[3 * (j * image.width + i)]!;
      values[y * width + x] = sum / Math.max(1, (bottom - top) * (right - left));
    }
  }
  return { width, height, values };
}

/** Correlation of `a`, laid on `b` at a scale and a shift of the middles, px of `b`; -1 when they hardly overlap. */
function correlationOf(a: Plane, b: Plane): (scale: number, dx: number, dy: number) => number {
  const [aValues, bValues, columns] = [a.values, b.values, new Int32Array(a.width)];
  return (scale, dx, dy) => {
    const [midX, midY] = [b.width / 2 + dx, b.height / 2 + dy];
    // The columns that lie on `b` follow one another.
    let [first, end] = [a.width, 0];
    for (let x = 0; x < a.width; x++) {
      const u = Math.floor(midX + scale * (x + 0.5 - a.width / 2));
      if (u < 0 || u >= b.width) continue;
      columns[x] = u;
      if (x < first) first = x;
      end = x + 1;
    }
    let n = 0;
    let sa = 0;
    let sb = 0;
    let saa = 0;
    let sbb = 0;
    let sab = 0;
    for (let y = 0; y < a.height; y++) {
      const v = Math.floor(midY + scale * (y + 0.5 - a.height / 2));
      if (v < 0 || v >= b.height || first >= end) continue;
      const [rowA, rowB] = [y * a.width, v * b.width];
      n += end - first;
      for (let x = first; x < end; x++) {
        const p = aValues[rowA + x]!;
        const q = bValues[rowB + columns[x]!]!;
        sa += p;
        sb += q;
        saa += p * p;
        sbb += q * q;
        sab += p * q;
      }
    }
    const smaller = Math.min(a.width * a.height, (b.width * b.height) / (scale * scale));
    if (n < LEAST_OVERLAP * smaller) return -1;
    const spread = Math.sqrt(Math.max(0, n * saa - sa * sa) * Math.max(0, n * sbb - sb * sb));
    return spread > 0 ? (n * sab - sa * sb) / spread : -1;
  };
}

/**
 * How a photo lies on another of the same motif, taken from a little nearer or farther, cut otherwise, or in another
 * light: the scale and shift at which their lightness correlates most (normalised cross-correlation, coarse to fine).
 * Turned photos are not put straight.
 */
export function alignPhotos(from: LightnessImage, to: LightnessImage): Alignment {
  const [coarseA, coarseB] = [plane(from, COARSE_ROWS), plane(to, COARSE_ROWS)];
  const coarse = correlationOf(coarseA, coarseB);
  const found: Alignment[] = [];
  const steps = Math.floor(Math.log(MOST_SCALE) / Math.log(SCALE_STEP));
  for (let step = -steps; step <= steps; step++) {
    const scale = SCALE_STEP ** step;
    const reachX = Math.ceil((coarseB.width + scale * coarseA.width) / 4);
    const reachY = Math.ceil((coarseB.height + scale * coarseA.height) / 4);
    for (let dy = -reachY; dy <= reachY; dy++)
      for (let dx = -reachX; dx <= reachX; dx++)
        found.push({
          scale,
          dx: dx / coarseB.height,
          dy: dy / coarseB.height,
          likeness: coarse(scale, dx, dy),
        });
  }
  found.sort((a, b) => b.likeness - a.likeness);
  const [fineA, fineB] = [plane(from, FINE_ROWS), plane(to, FINE_ROWS)];
  let best = MIDDLE_ON_MIDDLE;
  for (const start of found.slice(0, TRIED)) {
    const at = climb(fineA, fineB, start);
    if (at.likeness > best.likeness) best = at;
  }
  return best;
}

/** The best alignment near one: steps that halve, as long as any of them helps. */
function climb(a: Plane, b: Plane, start: Alignment): Alignment {
  const likeness = correlationOf(a, b);
  const score = (scale: number, dx: number, dy: number): Alignment => ({
    scale,
    dx,
    dy,
    likeness: likeness(scale, dx * b.height, dy * b.height),
  });
  let best = score(start.scale, start.dx, start.dy);
  for (let reach = 1 / COARSE_ROWS, grow = SCALE_STEP; reach > 0.25 / b.height; reach /= 2, grow = Math.sqrt(grow)) {
    for (let better = true; better;) {
      better = false;
      for (const [s, x, y] of [
        [1, reach, 0],
        [1, -reach, 0],
        [1, 0, reach],
        [1, 0, -reach],
        [grow, 0, 0],
        [1 / grow, 0, 0],
      ] as const) {
        const next = score(best.scale * s, best.dx + x, best.dy + y);
        if (next.likeness > best.likeness) [best, better] = [next, true];
      }
    }
  }
  return best;
}

/** Where a point of the first photo lies on the second, shares of width and height; outside 0 to 1 it is cut off. */
export function alongAlignment({ scale, dx, dy }: Alignment, from: Size, to: Size, { x, y }: Point): Point {
  const [X, Y] = [((x - 0.5) * from.width) / from.height, y - 0.5];
  return { x: 0.5 + ((scale * X + dx) * to.height) / to.width, y: 0.5 + scale * Y + dy };
}

/** Where a point of the second photo lies on the first. */
export function againstAlignment({ scale, dx, dy }: Alignment, from: Size, to: Size, { x, y }: Point): Point {
  const [X, Y] = [((x - 0.5) * to.width) / to.height - dx, y - 0.5 - dy];
  return { x: 0.5 + ((X / scale) * from.height) / from.width, y: 0.5 + Y / scale };
}
