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

/** Pieces that lie for the most part within a hand's reach of the drawn line: 1 for each of those. */
function nearTheLine(mask: Uint8Array, { width, height, labels, count, sizes }: KnownPieces): Uint8Array {
  const reach = Math.round(HAND_SHARE * Math.max(width, height));
  const covered = boxMean(Float32Array.from(mask), width, height, reach);
  const close = new Uint32Array(count);
  for (let i = 0; i < labels.length; i++)
    if (labels[i]! >= 0 && covered[i]! > 1e-4 && covered[i]! < 1 - 1e-4) close[labels[i]!]!++;
  return Uint8Array.from(close, (n, k) => (2 * n > sizes[k]! ? 1 : 0));
}

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
