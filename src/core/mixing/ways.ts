/** A way to mix a target, as far as choosing between ways needs to know it. */
export interface Way {
  readonly pigmentIds: readonly string[];
  readonly paintIds: readonly string[];
  /** Difference from the target after rounding, CIEDE2000 with the value weight. */
  readonly cost: number;
  /** What it comes out off by in the painter's hand, likewise, and the effort of mixing and laying it. */
  readonly inHand: number;
}

/** Why a way is offered. */
export type WayKind = "calmest" | "closest" | "simplest" | "another";

/** Fewer paints are called simplest only while they lose no more than this to the closest way, dE00. */
const SIMPLE_LOSS = 3;
/**
 * A way that comes out nearer by at least this much in a hand than the closest does is the calmest, and comes first,
 * dE00.
 */
const CALMER = 0.5;
/** A way this much worse than the closest is not offered, dE00. */
const OFFERED_LOSS = 8;
/** What sharing all pigments with a way already offered costs a candidate, dE00. */
const SAMENESS_COST = 4;
/** Ways that share this much of their pigments are near-copies: two of three the same, say. */
const NEAR_COPY = 0.5;

/** Shared pigments over all pigments of two ways (Jaccard index), 0 to 1. */
export function jaccard(first: Way, second: Way): number {
  const union = new Set([...first.pigmentIds, ...second.pigmentIds]);
  const shared = first.pigmentIds.filter((id) => second.pigmentIds.includes(id)).length;
  return shared / union.size;
}

/**
 * Picks different ways from many: the one that comes out nearest in a hand, the closest, the simplest that hardly
 * loses, then others that are good and unlike what is already offered. Returns at most `count`, with the reason for
 * each.
 */
export function pickWays<T extends Way>(
  ways: readonly T[],
  count: number,
): readonly { readonly way: T; readonly kind: WayKind }[] {
  const sorted = [...ways].sort((a, b) => a.cost - b.cost);
  const closest = sorted[0];
  if (!closest) return [];
  const calmest = sorted.reduce((best, way) => (way.inHand < best.inHand ? way : best));
  const picked: { way: T; kind: WayKind }[] =
    calmest.inHand < closest.inHand - CALMER ? [{ way: calmest, kind: "calmest" }] : [];
  if (picked.length < count) picked.push({ way: closest, kind: "closest" });
  const simplest = sorted
    .filter((way) => way.pigmentIds.length < closest.pigmentIds.length && way.cost <= closest.cost + SIMPLE_LOSS)
    .sort((a, b) => a.pigmentIds.length - b.pigmentIds.length || a.cost - b.cost)[0];
  if (simplest && picked.length < count && !picked.some(({ way }) => way === simplest))
    picked.push({ way: simplest, kind: "simplest" });
  while (picked.length < count) {
    let next: T | null = null;
    let nextScore = Infinity;
    for (const way of sorted) {
      if (way.cost > closest.cost + OFFERED_LOSS) break;
      const alike = Math.max(...picked.map((p) => jaccard(p.way, way)));
      if (alike >= NEAR_COPY) continue;
      const score = way.cost + SAMENESS_COST * alike;
      if (score < nextScore) {
        nextScore = score;
        next = way;
      }
    }
    if (!next) break;
    picked.push({ way: next, kind: "another" });
  }
  return picked;
}
