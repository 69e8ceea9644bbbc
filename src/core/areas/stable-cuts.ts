import type { MergeTree } from "./merge-tree";

/** Fewest and most shapes that are proposed unasked: fewer are no plan, more can't be kept in mind. From memory. */
const FEWEST_PROPOSED = 4;
const MOST_PROPOSED = 14;
/** Numbers of shapes whose stability is told. */
const MOST_TOLD = 40;

/**
 * How long each number of shapes stays the same while the limit of what counts as a border rises: the
 * logarithm of the cost of the merge that ends it over the cost of the one that brought it. Index: number of shapes.
 */
function stretches({ heights }: MergeTree): Float64Array {
  const out = new Float64Array(MOST_TOLD + 1);
  // After all merges one shape is left (or as many as don't touch), so cut k stands before the last k - 1 merges.
  for (let k = 2; k <= MOST_TOLD && k - 1 <= heights.length; k++) {
    const ends = heights[heights.length - (k - 1)]!;
    const begins = k <= heights.length ? heights[heights.length - k]! : 0;
    out[k] = begins > 0 ? Math.log(ends / begins) : 0;
  }
  return out;
}

/**
 * What a painter lays is seldom far from so many shapes; a cut farther off must be more stable. From the bench's
 * photographs.
 */
const USUAL = 8;
const SPREAD = 0.3;

/** How well a cut of so many shapes would serve as a proposal; 0 and up. */
function merit(stretch: number, shapes: number): number {
  const away = Math.log(shapes / USUAL) / SPREAD;
  return stretch * Math.exp((-away * away) / 2);
}

/** The number of shapes to propose: the most stable cut between four and fourteen. */
export function proposedCount(tree: MergeTree): number {
  const found = stretches(tree);
  let best = FEWEST_PROPOSED;
  for (let k = FEWEST_PROPOSED; k <= MOST_PROPOSED; k++) if (merit(found[k]!, k) > merit(found[best]!, best)) best = k;
  return best;
}

/** Numbers of shapes that stand out as stable: longer than those beside them and than most. Most stable first. */
export function stableCounts(tree: MergeTree): readonly number[] {
  const found = stretches(tree);
  // Stretches shorten as shapes grow many: weighed by the root of the number they are alike.
  const weighed = found.map((stretch, k) => stretch * Math.sqrt(k));
  const typical = weighed.slice(2).sort()[Math.floor(0.6 * (MOST_TOLD - 1))]!;
  return [...weighed.keys()]
    .filter(
      (k) =>
        k >= 2 &&
        k < MOST_TOLD &&
        weighed[k]! > typical &&
        weighed[k]! >= weighed[k - 1]! &&
        weighed[k]! > weighed[k + 1]!,
    )
    .sort((a, b) => weighed[b]! - weighed[a]!);
}
