import { pairOf, tripleOf } from "../numeric/tuples";
import TinyQueue from "tinyqueue";
import type { Cues } from "./cues";
import type { Superpixels } from "./superpixels";

/** The order in which a photo's small pieces grow together, most alike first. */
export interface MergeTree {
  readonly pieces: number;
  /**
   * Pairs of pieces (any member of each side) that became one, in order; `pieces - 1` of them when all hangs together.
   */
  readonly merges: Int32Array;
  /** What each merge cost, never falling: how strongly the photo keeps the two apart. */
  readonly heights: Float64Array;
}

/** How much each cue counts when two shapes are weighed against each other. */
export interface MergeWeights {
  /** Power of the difference between the two shapes' means. */
  readonly difference: number;
  /** Power of the step along their common border. */
  readonly border: number;
  /** Power of their size: large shapes are kept apart longer. */
  readonly size: number;
  /** How much a difference in hue and chroma counts against one in lightness. */
  readonly hue: number;
  /** How far a spread within both shapes excuses a difference between them. */
  readonly spread: number;
  /** Share of the broad step in the step along the border; the rest is the crisp one. */
  readonly broad: number;
  /** How much sooner a shape goes that another one surrounds. */
  readonly enclosed: number;
}

/**
 * Found by search on the photographs of the bench, whose borders were drawn by hand (`bench/shapes.ts`), and then
 * moved towards less excuse by spread where six others, held back from the search, asked for it. Two more cues,
 * contrast close by and the straightness of a border, were weighed and made nothing better there.
 */
const MERGE_WEIGHTS: MergeWeights = {
  difference: 0.6,
  border: 1,
  size: 0.28,
  hue: 5.5,
  spread: 3,
  broad: 0.55,
  enclosed: 0.8,
};

interface Border {
  /** Shared length, px. */
  length: number;
  /** Sum over that length of the step across it. */
  step: number;
}

/** Two pieces that might merge, and the stamps they had when their cost was weighed: a stale one is passed over. */
interface Candidate {
  readonly cost: number;
  readonly a: number;
  readonly b: number;
  readonly stamp: number;
}

/** Patches under this share of the sheet are too small to paint as a shape of their own: they are absorbed first. */
const SMALLEST_SHARE = 0.004;
/**
 * Shapes narrower than this share of the longer side (area over half the outline) are slivers, absorbed with the small
 * ones.
 */
const SLIVER_SHARE = 0.008;
/** What a difference is measured against where neither shape is spread at all, OKLab. */
const EVEN = 0.03;
/** Factor that brings whatever is too small to paint before all else. */
const FIRST = 1e-4;

/** Means, spreads, sizes and outlines of the pieces as they grow. */
interface Shapes {
  readonly size: Float64Array;
  readonly outline: Float64Array;
  /** Lightness, a, b: 3 a piece. */
  readonly mean: Float64Array;
  /** Variance of lightness, and of a and b together: 2 a piece. */
  readonly variance: Float64Array;
}

/** Pixels counted and averaged by piece. */
function shapesOf({ labels, count }: Superpixels, { colour }: Cues, inside: (piece: number) => boolean): Shapes {
  const size = new Float64Array(count);
  const mean = new Float64Array(3 * count);
  const variance = new Float64Array(2 * count);
  for (let i = 0; i < labels.length; i++) {
    const k = labels[i]!;
    if (!inside(k)) continue;
    size[k]!++;
    const [L, a, b] = tripleOf([colour[3 * i]!, colour[3 * i + 1]!, colour[3 * i + 2]!]);
    mean[3 * k]! += L;
    mean[3 * k + 1]! += a;
    mean[3 * k + 2]! += b;
    variance[2 * k]! += L * L;
    variance[2 * k + 1]! += a * a + b * b;
  }
  for (let k = 0; k < count; k++) {
    if (size[k] === 0) continue;
    for (let c = 0; c < 3; c++) mean[3 * k + c]! /= size[k]!;
    variance[2 * k] = Math.max(0, variance[2 * k]! / size[k]! - mean[3 * k]! ** 2);
    variance[2 * k + 1] = Math.max(0, variance[2 * k + 1]! / size[k]! - mean[3 * k + 1]! ** 2 - mean[3 * k + 2]! ** 2);
  }
  return { size, outline: new Float64Array(count), mean, variance };
}

/** Pours b's pixels into a; variances by the parallel-axis rule. */
function pour({ size, mean, variance }: Shapes, a: number, b: number): void {
  const n = size[a]! + size[b]!;
  const [p, q] = [size[a]! / n, size[b]! / n];
  const dL = mean[3 * a]! - mean[3 * b]!;
  const da = mean[3 * a + 1]! - mean[3 * b + 1]!;
  const db = mean[3 * a + 2]! - mean[3 * b + 2]!;
  variance[2 * a] = p * variance[2 * a]! + q * variance[2 * b]! + p * q * dL * dL;
  variance[2 * a + 1] = p * variance[2 * a + 1]! + q * variance[2 * b + 1]! + p * q * (da * da + db * db);
  for (let c = 0; c < 3; c++) mean[3 * a + c] = p * mean[3 * a + c]! + q * mean[3 * b + c]!;
  size[a] = n;
}

/** Which pieces touch, how long, and how strong the step there is; adds up the pieces' outlines. */
function bordersOf(
  { width, height, labels, count }: Superpixels,
  cues: Cues,
  inside: (piece: number) => boolean,
  broad: number,
  outline: Float64Array,
): Map<number, Border>[] {
  const neighbours: Map<number, Border>[] = Array.from({ length: count }, () => new Map<number, Border>());
  const stepAt = (i: number): number => broad * cues.broad[i]! + (1 - broad) * cues.crisp[i]!;
  const touch = (i: number, j: number): void => {
    const [a, b] = pairOf([labels[i]!, labels[j]!]);
    if (a === b) return;
    // A border to what takes no part is outline all the same: a shape beside an area is not surrounded by the rest.
    if (inside(a)) outline[a]!++;
    if (inside(b)) outline[b]!++;
    if (!inside(a) || !inside(b)) return;
    let border = neighbours[a]!.get(b);
    if (!border) {
      border = { length: 0, step: 0 };
      neighbours[a]!.set(b, border);
      neighbours[b]!.set(a, border);
    }
    border.length++;
    border.step += Math.max(stepAt(i), stepAt(j));
  };
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      if (x < width - 1) touch(i, i + 1);
      if (y < height - 1) touch(i, i + width);
    }
  }
  return neighbours;
}

// Found on the photographs of the bench, where a horizon behind stems was lost without it.
/** Pieces no further apart than this share of the longer side may be one thing that something thin is in front of. */
const ACROSS_SHARE = 0.04;
/** And no more unlike than this, OKLab with hue counted as for shapes: a stem parts a sea, but not a sea from a sky. */
const ACROSS_UNLIKE = 0.04;
/** What parts them is this unlike both, and is looked for at so many places of the way. */
const PARTS = 0.25;
const ON_THE_WAY = 8;
/** The length of border that they are given: enough to be weighed, too little to count beside a real one. */
const ACROSS_LENGTH = 0.5;

/**
 * Pieces of one colour that lie near each other without touching, as a sea does between stems or a sky behind wires,
 * are taken for neighbours, with their difference for a step: they grow together before what parts them is weighed.
 */
function joinAcross(
  { labels, width, height, count }: Superpixels,
  { size, mean }: Shapes,
  neighbours: readonly Map<number, Border>[],
  hue2: number,
): void {
  const place = new Float64Array(2 * count);
  for (let i = 0; i < labels.length; i++) {
    const k = labels[i]!;
    if (k < 0 || size[k] === 0) continue;
    place[2 * k]! += (i % width) / size[k]!;
    place[2 * k + 1]! += Math.floor(i / width) / size[k]!;
  }
  const reach = ACROSS_SHARE * Math.max(width, height);
  const apart = (a: number, b: number): number => {
    const dL = mean[3 * a]! - mean[3 * b]!;
    const da = mean[3 * a + 1]! - mean[3 * b + 1]!;
    const db = mean[3 * a + 2]! - mean[3 * b + 2]!;
    return Math.sqrt(dL * dL + hue2 * (da * da + db * db));
  };
  /** Whether something of quite another colour lies on the straight way from one to the other. */
  const parted = (a: number, b: number): boolean => {
    for (let n = 1; n < ON_THE_WAY; n++) {
      const t = n / ON_THE_WAY;
      const x = Math.round(place[2 * a]! + t * (place[2 * b]! - place[2 * a]!));
      const y = Math.round(place[2 * a + 1]! + t * (place[2 * b + 1]! - place[2 * a + 1]!));
      const k = labels[y * width + x]!;
      if (k >= 0 && k !== a && k !== b && apart(k, a) > PARTS && apart(k, b) > PARTS) return true;
    }
    return false;
  };
  const byPlace = Array.from(size.keys())
    .filter((k) => size[k]! > 0)
    .sort((a, b) => place[2 * a]! - place[2 * b]!);
  byPlace.forEach((a, i) => {
    for (let j = i + 1; j < byPlace.length; j++) {
      const b = byPlace[j]!;
      const dx = place[2 * b]! - place[2 * a]!;
      if (dx > reach) break;
      if (Math.hypot(dx, place[2 * b + 1]! - place[2 * a + 1]!) > reach || neighbours[a]!.has(b)) continue;
      const unlike = apart(a, b);
      if (unlike > ACROSS_UNLIKE || !parted(a, b)) continue;
      const border = { length: ACROSS_LENGTH, step: ACROSS_LENGTH * unlike };
      neighbours[a]!.set(b, border);
      neighbours[b]!.set(a, border);
    }
  });
}

/**
 * Lets pieces grow together, a region adjacency graph merged greedily. Two shapes are kept apart by the
 * difference of their colours (against the spread within them: a textured shape excuses more), by the step
 * along their common border, crisp and broad, by how far one surrounds the other, and by their size.
 * @param only when given, just the pieces marked 1 take part
 */
export function mergeTree(
  pieces: Superpixels,
  cues: Cues,
  only?: Uint8Array,
  smallestShare = SMALLEST_SHARE,
  weights: MergeWeights = MERGE_WEIGHTS,
): MergeTree {
  const { count } = pieces;
  const inside = (piece: number): boolean => piece >= 0 && (!only || only[piece] === 1);
  const shapes = shapesOf(pieces, cues, inside);
  const { size, outline, mean, variance } = shapes;
  const neighbours = bordersOf(pieces, cues, inside, weights.broad, outline);
  joinAcross(pieces, shapes, neighbours, weights.hue ** 2);
  let all = 0;
  for (let k = 0; k < count; k++) all += size[k]!;
  const side = Math.max(pieces.width, pieces.height);
  const smallest = smallestShare * all;
  const hue2 = weights.hue ** 2;

  const apart = (a: number, b: number): number => {
    const dL = mean[3 * a]! - mean[3 * b]!;
    const da = mean[3 * a + 1]! - mean[3 * b + 1]!;
    const db = mean[3 * a + 2]! - mean[3 * b + 2]!;
    const within = Math.min(
      variance[2 * a]! + hue2 * variance[2 * a + 1]!,
      variance[2 * b]! + hue2 * variance[2 * b + 1]!,
    );
    return Math.sqrt(dL * dL + hue2 * (da * da + db * db)) / (EVEN + weights.spread * Math.sqrt(within));
  };
  const tooSmall = (k: number): boolean => size[k]! < smallest || 2 * size[k]! < SLIVER_SHARE * side * outline[k]!;

  const stamps = new Int32Array(count);
  const queue = new TinyQueue<Candidate>([], (one, two) => one.cost - two.cost);
  const consider = (a: number, b: number, border: Border): void => {
    const joint = (size[a]! * size[b]!) / (size[a]! + size[b]!) / all;
    const surrounded = border.length / Math.max(1, Math.min(outline[a]!, outline[b]!));
    const cost =
      apart(a, b) ** weights.difference *
      (border.step / border.length) ** weights.border *
      joint ** weights.size *
      (1 - weights.enclosed * Math.min(1, surrounded)) *
      (tooSmall(a) || tooSmall(b) ? FIRST : 1);
    queue.push({ cost, a, b, stamp: stamps[a]! + stamps[b]! });
  };
  for (let a = 0; a < count; a++) {
    for (const [b, border] of neighbours[a]!) if (a < b) consider(a, b, border);
  }
  const gone = new Uint8Array(count);
  const merges: number[] = [];
  const heights: number[] = [];
  let highest = 0;
  for (let next = queue.pop(); next; next = queue.pop()) {
    const { a, b, stamp, cost } = next;
    if (gone[a] || gone[b] || stamp !== stamps[a]! + stamps[b]!) continue;
    outline[a]! += outline[b]! - 2 * neighbours[a]!.get(b)!.length;
    pour(shapes, a, b);
    gone[b] = 1;
    stamps[a]! += stamps[b]! + 1;
    merges.push(a, b);
    highest = Math.max(highest, cost);
    heights.push(highest);
    neighbours[a]!.delete(b);
    for (const [other, border] of neighbours[b]!) {
      if (other === a) continue;
      neighbours[other]!.delete(b);
      const mine = neighbours[a]!.get(other);
      if (mine) {
        mine.length += border.length;
        mine.step += border.step;
      } else {
        neighbours[a]!.set(other, border);
        neighbours[other]!.set(a, border);
      }
    }
    neighbours[b]!.clear();
    for (const [other, border] of neighbours[a]!) consider(a, other, border);
  }
  return { pieces: count, merges: Int32Array.from(merges), heights: Float64Array.from(heights) };
}
