import TinyQueue from "tinyqueue";
import { DisjointSet } from "../numeric/disjoint-set";
import type { Superpixels } from "./superpixels";

/** The order in which a photo's small pieces grow together, most alike first. */
export interface MergeTree {
  readonly pieces: number;
  /** Pairs of pieces (any member of each side) that became one, in order; `pieces - 1` of them when all hangs together. */
  readonly merges: Int32Array;
}

interface Border {
  /** Shared length, px. */
  length: number;
  /** Sum over that length of the step in colour between the two pieces that touch there. */
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
const SMALLEST_SHARE = 0.002;
/** How much the step at the border counts beside the difference of the means: keeps a slow gradient together. */
const BORDER_POWER = 1;
const SIZE_POWER = 0.35;

/**
 * Lets pieces grow together by the difference of their mean colours, the step across their common
 * border, and their size: a region adjacency graph, merged greedily.
 * @param features three a pixel, from `featuresOf`
 * @param only when given, just the pieces marked 1 take part
 */
export function mergeTree(
  { width, height, labels, count }: Superpixels,
  features: Float32Array,
  only?: Uint8Array,
  smallestShare = SMALLEST_SHARE,
): MergeTree {
  const size = new Float64Array(count);
  const mean = new Float64Array(3 * count);
  const inside = (piece: number): boolean => piece >= 0 && (!only || only[piece] === 1);
  let all = 0;
  for (let i = 0; i < labels.length; i++) {
    const k = labels[i];
    if (!inside(k)) continue;
    size[k]++;
    all++;
    for (let c = 0; c < 3; c++) mean[3 * k + c] += features[3 * i + c];
  }
  for (let k = 0; k < count; k++) if (size[k] > 0) for (let c = 0; c < 3; c++) mean[3 * k + c] /= size[k];
  const apart = (a: number, b: number): number =>
    Math.hypot(mean[3 * a] - mean[3 * b], mean[3 * a + 1] - mean[3 * b + 1], mean[3 * a + 2] - mean[3 * b + 2]);

  const neighbours: Map<number, Border>[] = Array.from({ length: count }, () => new Map<number, Border>());
  const touch = (a: number, b: number): void => {
    if (a === b || !inside(a) || !inside(b)) return;
    const border = neighbours[a].get(b);
    if (border) border.length++;
    else {
      const shared = { length: 1, step: 0 };
      neighbours[a].set(b, shared);
      neighbours[b].set(a, shared);
    }
  };
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const i = y * width + x;
      if (x < width - 1) touch(labels[i], labels[i + 1]);
      if (y < height - 1) touch(labels[i], labels[i + width]);
    }
  }
  const stamps = new Int32Array(count);
  const queue = new TinyQueue<Candidate>([], (one, two) => one.cost - two.cost);
  const smallest = smallestShare * all;
  const consider = (a: number, b: number, border: Border): void => {
    const joint = (size[a] * size[b]) / (size[a] + size[b]) / all;
    const small = Math.min(size[a], size[b]) < smallest;
    const cost = apart(a, b) * (border.step / border.length) ** BORDER_POWER * joint ** SIZE_POWER * (small ? 1e-4 : 1);
    queue.push({ cost, a, b, stamp: stamps[a] + stamps[b] });
  };
  for (let a = 0; a < count; a++) {
    for (const [b, border] of neighbours[a]) {
      if (b < a) continue;
      border.step = border.length * apart(a, b);
      consider(a, b, border);
    }
  }
  const gone = new Uint8Array(count);
  const merges: number[] = [];
  for (let next = queue.pop(); next; next = queue.pop()) {
    const { a, b, stamp } = next;
    if (gone[a] || gone[b] || stamp !== stamps[a] + stamps[b]) continue;
    const n = size[a] + size[b];
    for (let c = 0; c < 3; c++) mean[3 * a + c] = (mean[3 * a + c] * size[a] + mean[3 * b + c] * size[b]) / n;
    size[a] = n;
    gone[b] = 1;
    stamps[a] += stamps[b] + 1;
    merges.push(a, b);
    neighbours[a].delete(b);
    for (const [other, border] of neighbours[b]) {
      if (other === a) continue;
      neighbours[other].delete(b);
      const mine = neighbours[a].get(other);
      if (mine) {
        mine.length += border.length;
        mine.step += border.step;
      } else {
        neighbours[a].set(other, border);
        neighbours[other].set(a, border);
      }
    }
    neighbours[b].clear();
    for (const [other, border] of neighbours[a]) consider(a, other, border);
  }
  return { pieces: count, merges: Int32Array.from(merges) };
}

/** Pieces grouped into about `shapes` shapes: each piece's shape, numbered from 0 by the piece that comes first. */
export function cutTree(
  tree: MergeTree,
  shapes: number,
  takesPart: (piece: number) => boolean = () => true,
): { shapeOf: Int32Array; shapes: number } {
  const sets = new DisjointSet(tree.pieces);
  let parts = 0;
  for (let k = 0; k < tree.pieces; k++) if (takesPart(k)) parts++;
  const steps = Math.max(0, Math.min(tree.merges.length / 2, parts - shapes));
  for (let i = 0; i < steps; i++) sets.union(tree.merges[2 * i], tree.merges[2 * i + 1]);
  const numbers = new Map<number, number>();
  const shapeOf = new Int32Array(tree.pieces).fill(-1);
  for (let k = 0; k < tree.pieces; k++) {
    if (!takesPart(k)) continue;
    const root = sets.find(k);
    if (!numbers.has(root)) numbers.set(root, numbers.size);
    shapeOf[k] = numbers.get(root)!;
  }
  return { shapeOf, shapes: numbers.size };
}
