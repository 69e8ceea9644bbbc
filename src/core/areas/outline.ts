import type { LabelMap } from "./label-map";

/** A line between two labels, drawn once and shared by both. */
export interface Outline {
  /** Labels to either side. */
  readonly sides: readonly [number, number];
  /** interleaved x, y, in pixels of the map. */
  readonly points: Float32Array;
  readonly closed: boolean;
}

/** Chains of cracks are smoothed over this many points to each side, then thinned to this tolerance, px. */
const SMOOTHING = 2;
const TOLERANCE_PX = 0.6;

/** Ramer, Douglas and Peucker's thinning of a polyline. */
function thin(points: Float64Array): Float32Array {
  const n = points.length / 2;
  const keep = new Uint8Array(n);
  keep[0] = keep[n - 1] = 1;
  const stack: [number, number][] = [[0, n - 1]];
  while (stack.length > 0) {
    const [from, to] = stack.pop()!;
    const ax = points[2 * from]!;
    const ay = points[2 * from + 1]!;
    const dx = points[2 * to]! - ax;
    const dy = points[2 * to + 1]! - ay;
    const length = Math.hypot(dx, dy);
    let farthest = -1;
    let most = TOLERANCE_PX;
    for (let i = from + 1; i < to; i++) {
      const px = points[2 * i]! - ax;
      const py = points[2 * i + 1]! - ay;
      const away = length === 0 ? Math.hypot(px, py) : Math.abs(px * dy - py * dx) / length;
      if (away > most) {
        most = away;
        farthest = i;
      }
    }
    if (farthest > 0) {
      keep[farthest] = 1;
      stack.push([from, farthest], [farthest, to]);
    }
  }
  const out: number[] = [];
  for (let i = 0; i < n; i++) if (keep[i]) out.push(points[2 * i]!, points[2 * i + 1]!);
  return Float32Array.from(out);
}

function smooth(chain: readonly number[], closed: boolean): Float64Array {
  const n = chain.length / 2;
  const out = new Float64Array(chain.length);
  for (let i = 0; i < n; i++) {
    // The ends stay where other lines meet them; a closed line has none, but its last point repeats the first.
    const reach = closed ? Math.min(SMOOTHING, Math.floor((n - 1) / 2)) : Math.min(SMOOTHING, i, n - 1 - i);
    let x = 0;
    let y = 0;
    for (let j = i - reach; j <= i + reach; j++) {
      const k = closed ? (j + n - 1) % (n - 1) : j;
      x += chain[2 * k]!;
      y += chain[2 * k + 1]!;
    }
    out[2 * i] = x / (2 * reach + 1);
    out[2 * i + 1] = y / (2 * reach + 1);
  }
  return out;
}

/** Four labels in one number, where a row has a whole number of fours; null where it has not. */
const foursOf = (labels: Uint8Array, width: number): Uint32Array | null =>
  width % 4 === 0 && labels.byteOffset % 4 === 0
    ? new Uint32Array(labels.buffer, labels.byteOffset, labels.length >> 2)
    : null;

/**
 * The lines between areas. Follows the cracks between pixels of different labels from one meeting
 * point of three to the next, so that neighbours share their line and no gap opens when it is
 * smoothed. The map's own edge counts as label -1.
 */
export function outlinesOf({ width, height, labels }: LabelMap): Outline[] {
  const across = width + 1;
  const label = (x: number, y: number): number =>
    x < 0 || y < 0 || x >= width || y >= height ? -1 : labels[y * width + x]!;
  // Cracks: `right` runs from vertex (x, y) to (x + 1, y), `down` to (x, y + 1).
  const right = new Uint8Array(across * (height + 1));
  const down = new Uint8Array(across * (height + 1));
  const degree = new Uint8Array(across * (height + 1));
  /** Marks the crack from vertex v to the vertex `next` further on. */
  const crack = (cracks: Uint8Array, v: number, next: number): void => {
    cracks[v] = 1;
    degree[v]!++;
    degree[v + next]!++;
  };
  // The map's own edge is a crack all along; within, a pixel is held against those above it and to its left.
  for (let x = 0; x < width; x++) for (const y of [0, height]) crack(right, y * across + x, 1);
  for (let y = 0; y < height; y++) for (const x of [0, width]) crack(down, y * across + x, across);
  const four = foursOf(labels, width);
  for (let y = 0; y < height; y++) {
    const row = y * width;
    for (let x = 0; x < width; x++) {
      const own = labels[row + x]!;
      // Most of a map is the inside of areas: four pixels that are as their neighbours are passed over at once.
      if (four && x > 0 && y > 0 && x % 4 === 0) {
        const i = (row + x) / 4;
        if (four[i] === four[i - width / 4] && four[i] === labels[row + x - 1]! * 0x01010101) {
          x += 3;
          continue;
        }
      }
      if (y > 0 && labels[row + x - width] !== own) crack(right, y * across + x, 1);
      if (x > 0 && labels[row + x - 1] !== own) crack(down, y * across + x, across);
    }
  }
  /** Takes an unused crack at a vertex and gives the vertex at its other end, or -1. */
  const step = (v: number): number => {
    const x = v % across;
    if (right[v]) return ((right[v] = 0), v + 1);
    if (x > 0 && right[v - 1]) return ((right[v - 1] = 0), v - 1);
    if (down[v]) return ((down[v] = 0), v + across);
    if (v >= across && down[v - across]) return ((down[v - across] = 0), v - across);
    return -1;
  };
  const sidesOf = (a: number, b: number): [number, number] => {
    const [v, w] = a < b ? [a, b] : [b, a];
    const [x, y] = [v % across, Math.floor(v / across)];
    return w === v + 1 ? [label(x, y - 1), label(x, y)] : [label(x - 1, y), label(x, y)];
  };
  const outlines: Outline[] = [];
  const follow = (start: number): boolean => {
    let v = step(start);
    if (v < 0) return false;
    const sides = sidesOf(start, v);
    const chain = [start % across, Math.floor(start / across), v % across, Math.floor(v / across)];
    while (v !== start && degree[v] === 2) {
      v = step(v);
      chain.push(v % across, Math.floor(v / across));
    }
    const closed = v === start;
    outlines.push({ sides, closed, points: thin(smooth(chain, closed && degree[start] === 2)) });
    return true;
  };
  for (let v = 0; v < degree.length; v++) if (degree[v]! > 2) while (follow(v));
  for (let v = 0; v < degree.length; v++) if (degree[v] === 2) while (follow(v));
  return outlines;
}
