import { DisjointSet } from "../numeric/disjoint-set";
import type { MergeTree } from "./merge-tree";

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
  for (let i = 0; i < steps; i++) sets.union(tree.merges[2 * i]!, tree.merges[2 * i + 1]!);
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
