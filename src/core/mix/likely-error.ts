import type { PaintModel } from "./paint";

/** How far a prediction is likely to be off, in CIEDE2000. */
export interface LikelyError {
  readonly median: number;
  /** Nine predictions in ten are nearer than this. */
  readonly p90: number;
  readonly basis: "typical" | "measured";
}

/**
 * Likely error of a mix. Unseen mixes of typical optics: median 5, 90th percentile 12; of optics
 * fitted to the painter's own swatches: 1.3 and 3.5 (the project's trial with simulated paints).
 * One paint alone misses a little less: 4 and 10, from memory.
 */
export function likelyErrorOf(paints: readonly PaintModel[]): LikelyError {
  const measured = paints.every((paint) => paint.basis === "measured");
  if (measured) return { median: 1.3, p90: 3.5, basis: "measured" };
  return paints.length === 1 ? { median: 4, p90: 10, basis: "typical" } : { median: 5, p90: 12, basis: "typical" };
}
