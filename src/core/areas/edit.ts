import type { Point } from "../image/frame";
import { cutTree } from "./cut-tree";
import { boxMean } from "./cues";
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

/** Mean colour of each piece, three numbers a piece. */
function pieceColours({ labels, count }: Superpixels, features: Float32Array): Float64Array {
  const means = new Float64Array(3 * count);
  const sizes = new Uint32Array(count);
  for (let i = 0; i < labels.length; i++) {
    const k = labels[i]!;
    if (k < 0) continue;
    sizes[k]!++;
    for (let c = 0; c < 3; c++) means[3 * k + c]! += features[3 * i + c]!;
  }
  for (let k = 0; k < count; k++) for (let c = 0; c < 3; c++) means[3 * k + c]! /= sizes[k]!;
  return means;
}

/** Which pieces touch which. */
function pieceNeighbours({ width, height, labels, count }: Superpixels): Set<number>[] {
  const neighbours: Set<number>[] = Array.from({ length: count }, () => new Set());
  const touch = (a: number, b: number): void => {
    if (a === b || a < 0 || b < 0) return;
    neighbours[a]!.add(b);
    neighbours[b]!.add(a);
  };
  for (let i = 0; i < labels.length; i++) {
    if (i % width < width - 1) touch(labels[i]!, labels[i + 1]!);
    if (i < width * (height - 1)) touch(labels[i]!, labels[i + width]!);
  }
  return neighbours;
}

/**
 * A piece less than this share inside, or less than this share outside, is taken as drawn. From memory, tried on
 * made-up scenes.
 */
const SURE = 0.12;
/** A difference in colour between the two sides under this (OKLab) is no edge to draw to. From memory. */
const NO_EDGE = 0.02;

/** A hand draws within this share of the longer side of what it means. From memory. */
const HAND_SHARE = 0.011;

/** Pieces that lie for the most part within a hand's reach of the drawn line: 1 for each of those. */
function nearTheLine(mask: Uint8Array, { width, height, labels, count }: Superpixels, all: Uint32Array): Uint8Array {
  const reach = Math.round(HAND_SHARE * Math.max(width, height));
  const covered = boxMean(Float32Array.from(mask), width, height, reach);
  const close = new Uint32Array(count);
  for (let i = 0; i < labels.length; i++)
    if (labels[i]! >= 0 && covered[i]! > 1e-4 && covered[i]! < 1 - 1e-4) close[labels[i]!]!++;
  return Uint8Array.from(close, (n, k) => (2 * n > all[k]! ? 1 : 0));
}

/**
 * A drawn shape drawn to the photo's own edges. Small pieces wholly within the line belong to it;
 * those that the line crosses go to the side whose colour they have, or by their larger part where
 * the two sides don't differ. A shape that holds no piece stays as it was drawn.
 * @param features three a pixel, from `featuresOf`
 */
export function snapToEdges(mask: Uint8Array, pieces: Superpixels, features: Float32Array): Uint8Array {
  const { labels, count } = pieces;
  const inside = new Uint32Array(count);
  const all = new Uint32Array(count);
  for (let i = 0; i < labels.length; i++) {
    if (labels[i]! < 0) continue;
    all[labels[i]!]!++;
    if (mask[i]) inside[labels[i]!]!++;
  }
  const share = Float64Array.from(inside, (n, k) => n / all[k]!);
  const near = nearTheLine(mask, pieces, all);
  if (!share.some((part) => part > 1 - SURE)) return mask;
  const colours = pieceColours(pieces, features);
  const neighbours = pieceNeighbours(pieces);
  const apart = (a: number, b: number): number =>
    Math.hypot(
      colours[3 * a]! - colours[3 * b]!,
      colours[3 * a + 1]! - colours[3 * b + 1]!,
      colours[3 * a + 2]! - colours[3 * b + 2]!,
    );
  /** Least difference to a sure piece of one side among the pieces up to three steps away. */
  const nearest = (piece: number, isSure: (part: number, k: number) => boolean): number => {
    let least = Infinity;
    for (const beside of neighbours[piece]!) {
      for (const k of [beside, ...neighbours[beside]!].flatMap((one) => [one, ...neighbours[one]!]))
        if (k !== piece && isSure(share[k]!, k)) least = Math.min(least, apart(piece, k));
    }
    return least;
  };
  const taken = Uint8Array.from(share, (part, k) => {
    if (!near[k] && (part <= SURE || part >= 1 - SURE)) return part > 0.5 ? 1 : 0;
    const within = nearest(k, (other, at) => other >= 1 - SURE && !near[at]);
    const without = nearest(k, (other, at) => other <= SURE && !near[at]);
    // Towards the photo's own border there is only one side to be like.
    if (!Number.isFinite(without) && within < NO_EDGE) return 1;
    if (!Number.isFinite(within) && without < NO_EDGE) return 0;
    if (!Number.isFinite(within) || !Number.isFinite(without) || Math.abs(within - without) < NO_EDGE)
      return part > 0.5 ? 1 : 0;
    return within < without ? 1 : 0;
  });
  return mask.map((_, i) => (labels[i]! >= 0 ? taken[labels[i]!]! : 0));
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
