import type { Superpixels } from "./superpixels";

/** The order in which a photo's small pieces grow together, most alike first. */
export interface MergeTree {
  readonly pieces: number;
  /** Pairs of pieces (any member of each side) that became one, in order; `pieces - 1` of them when all hangs together. */
  readonly merges: Int32Array;
}

/** A set of which pieces are one, by union and find with path halving. */
export class Union {
  private readonly parent: Int32Array;
  constructor(count: number) {
    this.parent = Int32Array.from({ length: count }, (_, i) => i);
  }
  find(i: number): number {
    while (this.parent[i] !== i) i = this.parent[i] = this.parent[this.parent[i]];
    return i;
  }
  /** Puts b's set under a's root. */
  join(a: number, b: number): void {
    this.parent[this.find(b)] = this.find(a);
  }
}

interface Border {
  /** Shared length, px. */
  length: number;
  /** Sum over that length of the step in colour between the two pieces that touch there. */
  step: number;
}

/** Binary heap of candidate merges, cheapest first; stale ones are recognised by their stamps. */
class Heap {
  private readonly items: { cost: number; a: number; b: number; stamp: number }[] = [];
  get size(): number {
    return this.items.length;
  }
  push(item: { cost: number; a: number; b: number; stamp: number }): void {
    const { items } = this;
    let i = items.push(item) - 1;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (items[up].cost <= item.cost) break;
      items[i] = items[up];
      i = up;
    }
    items[i] = item;
  }
  pop(): { cost: number; a: number; b: number; stamp: number } {
    const { items } = this;
    const top = items[0];
    const last = items.pop()!;
    if (items.length > 0) {
      let i = 0;
      for (;;) {
        let child = 2 * i + 1;
        if (child >= items.length) break;
        if (child + 1 < items.length && items[child + 1].cost < items[child].cost) child++;
        if (items[child].cost >= last.cost) break;
        items[i] = items[child];
        i = child;
      }
      items[i] = last;
    }
    return top;
  }
}

/** Patches under this share of the sheet are too small to paint as a shape of their own: they are absorbed first. */
export const SMALLEST_SHARE = 0.002;
/** How much the step at the border counts beside the difference of the means: keeps a slow gradient together. */
const BORDER_POWER = 1;
const SIZE_POWER = 0.35;

/**
 * Lets pieces grow together by the difference of their mean colours, the step across their common
 * border, and their size: a region adjacency graph, merged greedily.
 * @param features three a pixel, from `featuresOf`
 * @param only when given, just the pieces marked 1 take part
 */
export function mergeTree({ width, height, labels, count }: Superpixels, features: Float32Array, only?: Uint8Array, smallestShare = SMALLEST_SHARE): MergeTree {
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
  const apart = (a: number, b: number): number => Math.hypot(mean[3 * a] - mean[3 * b], mean[3 * a + 1] - mean[3 * b + 1], mean[3 * a + 2] - mean[3 * b + 2]);

  const neighbours: Map<number, Border>[] = Array.from({ length: count }, () => new Map());
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
  const heap = new Heap();
  const smallest = smallestShare * all;
  const consider = (a: number, b: number, border: Border): void => {
    const joint = (size[a] * size[b]) / (size[a] + size[b]) / all;
    const small = Math.min(size[a], size[b]) < smallest;
    const cost = apart(a, b) * (border.step / border.length) ** BORDER_POWER * joint ** SIZE_POWER * (small ? 1e-4 : 1);
    heap.push({ cost, a, b, stamp: stamps[a] + stamps[b] });
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
  while (heap.size > 0) {
    const { a, b, stamp } = heap.pop();
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
export function cutTree(tree: MergeTree, shapes: number, takesPart: (piece: number) => boolean = () => true): { shapeOf: Int32Array; shapes: number } {
  const union = new Union(tree.pieces);
  let parts = 0;
  for (let k = 0; k < tree.pieces; k++) if (takesPart(k)) parts++;
  const steps = Math.max(0, Math.min(tree.merges.length / 2, parts - shapes));
  for (let i = 0; i < steps; i++) union.join(tree.merges[2 * i], tree.merges[2 * i + 1]);
  const numbers = new Map<number, number>();
  const shapeOf = new Int32Array(tree.pieces).fill(-1);
  for (let k = 0; k < tree.pieces; k++) {
    if (!takesPart(k)) continue;
    const root = union.find(k);
    if (!numbers.has(root)) numbers.set(root, numbers.size);
    shapeOf[k] = numbers.get(root)!;
  }
  return { shapeOf, shapes: numbers.size };
}
