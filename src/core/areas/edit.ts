import type { Point } from "../image/frame";
import { cutTree } from "./cut-tree";
import type { MergeTree } from "./merge-tree";
import type { Superpixels } from "./superpixels";
import type { LabelMap } from "./label-map";

/** Pixels inside a closed line (even-odd), as 1 in a mask of the map. Points are shares of the photo. */
export function fillPolygon(points: readonly Point[], width: number, height: number): Uint8Array {
  const mask = new Uint8Array(width * height);
  for (let row = 0; row < height; row++) {
    const y = (row + 0.5) / height;
    const crossings: number[] = [];
    points.forEach((a, i) => {
      const b = points[(i + 1) % points.length]!;
      if (a.y <= y !== b.y <= y) crossings.push((a.x + ((y - a.y) / (b.y - a.y)) * (b.x - a.x)) * width);
    });
    crossings.sort((a, b) => a - b);
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const from = Math.max(0, Math.ceil(crossings[i]! - 0.5));
      const to = Math.min(width - 1, Math.ceil(crossings[i + 1]! - 0.5) - 1);
      for (let x = from; x <= to; x++) mask[row * width + x] = 1;
    }
  }
  return mask;
}

/** Smallest share of an area that splitting it may yield. */
const SMALLEST_SPLIT = 0.06;

/**
 * Splits an area in two where its colours differ most: its own pieces grow together until two
 * shapes are left. Returns the mask of the part that becomes an area of its own, the smaller one;
 * null when the area is a single piece.
 * @param pieces on the map
 * @param grow lets the pieces marked 1 grow together, those under a share of them first
 */
export function splitArea(
  map: LabelMap,
  label: number,
  pieces: Superpixels,
  grow: (within: Uint8Array, smallestShare: number) => MergeTree,
): Uint8Array | null {
  const mine = new Uint32Array(pieces.count);
  const all = new Uint32Array(pieces.count);
  for (let i = 0; i < map.labels.length; i++) {
    const k = pieces.labels[i]!;
    if (k < 0) continue;
    all[k]!++;
    if (map.labels[i] === label) mine[k]!++;
  }
  const within = Uint8Array.from(mine, (count, k) => (2 * count > all[k]! ? 1 : 0));
  const tree = grow(within, SMALLEST_SPLIT);
  const { shapeOf, shapes } = cutTree(tree, 2, (k) => within[k] === 1);
  if (shapes < 2) return null;
  const sizes = new Array<number>(shapes).fill(0);
  shapeOf.forEach((shape, k) => shape >= 0 && (sizes[shape]! += mine[k]!));
  const second = [...sizes.keys()].sort((a, b) => sizes[b]! - sizes[a]!)[1];
  const mask = new Uint8Array(map.labels.length);
  for (let i = 0; i < mask.length; i++) {
    const k = pieces.labels[i]!;
    if (map.labels[i] === label && k >= 0 && shapeOf[k] === second) mask[i] = 1;
  }
  return mask;
}
