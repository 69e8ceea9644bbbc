import { boxMean } from "./cues";
import { sizesAndColours, type Superpixels } from "./superpixels";

/** Pieces of a photo, with what every line that is drawn to its edges asks of them. */
export interface KnownPieces extends Superpixels {
  /** Pixels of each piece. */
  readonly sizes: Uint32Array;
  /** Mean colour of each piece, three numbers a piece. */
  readonly colours: Float64Array;
  /** Pieces that touch each piece. */
  readonly neighbours: readonly ReadonlySet<number>[];
}

/**
 * Sizes, mean colours and neighbours of pieces, found once for all lines drawn on them.
 * @param features three a pixel, from `featuresOf`
 */
export function knownPieces(pieces: Superpixels, features: Float32Array): KnownPieces {
  return { ...pieces, ...sizesAndColours(pieces.labels, pieces.count, features), neighbours: pieceNeighbours(pieces) };
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

/** The least rectangle about a mask's pixels, wider by a margin where the photo reaches as far; null for no pixel. */
function around(mask: Uint8Array, width: number, height: number, margin: number) {
  const [first, last] = [mask.indexOf(1), mask.lastIndexOf(1)];
  if (first < 0) return null;
  const [top, bottom] = [Math.floor(first / width), Math.floor(last / width)];
  let [left, right] = [width - 1, 0];
  for (let y = top; y <= bottom; y++) {
    const row = mask.subarray(y * width, (y + 1) * width);
    const from = row.indexOf(1);
    if (from < 0) continue;
    left = Math.min(left, from);
    right = Math.max(right, row.lastIndexOf(1));
  }
  return {
    left: Math.max(0, left - margin),
    top: Math.max(0, top - margin),
    right: Math.min(width - 1, right + margin),
    bottom: Math.min(height - 1, bottom + margin),
  };
}

/** Pieces that lie for the most part within a hand's reach of the drawn line: 1 for each of those. */
function nearTheLine(mask: Uint8Array, { width, height, labels, count, sizes }: KnownPieces): Uint8Array {
  const close = new Uint32Array(count);
  const reach = Math.round(HAND_SHARE * Math.max(width, height));
  // Twice the reach: what is within reach of the line looks as far again.
  const box = around(mask, width, height, 2 * reach);
  if (!box) return new Uint8Array(count);
  const across = box.right - box.left + 1;
  const down = box.bottom - box.top + 1;
  const part = new Float32Array(across * down);
  for (let y = 0; y < down; y++) {
    const at = (box.top + y) * width + box.left;
    part.set(mask.subarray(at, at + across), y * across);
  }
  const covered = boxMean(part, across, down, reach);
  for (let y = 0; y < down; y++)
    for (let x = 0; x < across; x++) {
      const share = covered[y * across + x]!;
      const piece = labels[(box.top + y) * width + box.left + x]!;
      if (piece >= 0 && share > 1e-4 && share < 1 - 1e-4) close[piece]!++;
    }
  return Uint8Array.from(close, (n, k) => (2 * n > sizes[k]! ? 1 : 0));
}

/** How far a piece looks for pieces of either side, in steps from neighbour to neighbour. */
const STEPS = 3;

/**
 * A drawn shape drawn to the photo's own edges. Small pieces wholly within the line belong to it;
 * those that the line crosses go to the side whose colour they have, or by their larger part where
 * the two sides don't differ. A shape that holds no piece stays as it was drawn.
 */
export function snapToEdges(mask: Uint8Array, pieces: KnownPieces): Uint8Array {
  const { labels, count, sizes, colours, neighbours } = pieces;
  const inside = new Uint32Array(count);
  for (let i = 0; i < labels.length; i++) if (mask[i] && labels[i]! >= 0) inside[labels[i]!]!++;
  const share = Float64Array.from(inside, (n, k) => n / sizes[k]!);
  if (!share.some((part) => part > 1 - SURE)) return mask;
  const near = nearTheLine(mask, pieces);
  const apart = (a: number, b: number): number =>
    Math.hypot(
      colours[3 * a]! - colours[3 * b]!,
      colours[3 * a + 1]! - colours[3 * b + 1]!,
      colours[3 * a + 2]! - colours[3 * b + 2]!,
    );
  const seenFrom = new Int32Array(count).fill(-1);
  const queue = new Int32Array(count);
  /** Least differences to a piece surely inside and to one surely outside, among the pieces up to `STEPS` away. */
  const nearest = (piece: number): { within: number; without: number } => {
    let [within, without] = [Infinity, Infinity];
    let [start, end] = [0, 1];
    queue[0] = piece;
    seenFrom[piece] = piece;
    for (let step = 0; step < STEPS; step++) {
      for (const reached = end; start < reached; start++)
        for (const k of neighbours[queue[start]!]!) {
          if (seenFrom[k] === piece) continue;
          seenFrom[k] = piece;
          queue[end++] = k;
          if (near[k]) continue;
          if (share[k]! >= 1 - SURE) within = Math.min(within, apart(piece, k));
          else if (share[k]! <= SURE) without = Math.min(without, apart(piece, k));
        }
    }
    return { within, without };
  };
  const taken = Uint8Array.from(share, (part, k) => {
    if (!near[k] && (part <= SURE || part >= 1 - SURE)) return part > 0.5 ? 1 : 0;
    const { within, without } = nearest(k);
    // Towards the photo's own border there is only one side to be like.
    if (!Number.isFinite(without) && within < NO_EDGE) return 1;
    if (!Number.isFinite(within) && without < NO_EDGE) return 0;
    if (!Number.isFinite(within) || !Number.isFinite(without) || Math.abs(within - without) < NO_EDGE)
      return part > 0.5 ? 1 : 0;
    return within < without ? 1 : 0;
  });
  const out = new Uint8Array(mask.length);
  for (let i = 0; i < out.length; i++) if (labels[i]! >= 0) out[i] = taken[labels[i]!]!;
  return out;
}
