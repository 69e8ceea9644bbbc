import { MAX_LABEL } from "./label-map";
import { cutTree } from "./cut-tree";
import type { MergeTree } from "./merge-tree";
import type { Superpixels } from "./superpixels";

/** Superpixels that no label covers for the most part: 1 for each of those. */
export function uncoveredPieces({ labels, count }: Superpixels, taken: Uint8Array): Uint8Array {
  const balance = new Int32Array(count);
  for (let i = 0; i < labels.length; i++) if (labels[i]! >= 0) balance[labels[i]!]! += taken[i] === 0 ? 1 : -1;
  return Uint8Array.from(balance, (n) => (n > 0 ? 1 : 0));
}

/**
 * A merge tree of uncovered pieces, cut into about `shapes` shapes, as labels of pixels: 1 and up, 0
 * where a label of `taken` stands or nothing is proposed.
 */
export function labelUncovered(
  pieces: Superpixels,
  tree: MergeTree,
  only: Uint8Array,
  taken: Uint8Array,
  shapes: number,
): { readonly labels: Uint8Array; readonly shapes: number } {
  const cut = cutTree(tree, Math.min(shapes, MAX_LABEL), (piece) => only[piece] === 1);
  const labels = new Uint8Array(taken.length);
  for (let i = 0; i < labels.length; i++) {
    const piece = pieces.labels[i]!;
    if (piece >= 0 && taken[i] === 0 && cut.shapeOf[piece]! >= 0)
      labels[i] = Math.min(MAX_LABEL, cut.shapeOf[piece]! + 1);
  }
  return { labels, shapes: Math.min(MAX_LABEL, cut.shapes) };
}
