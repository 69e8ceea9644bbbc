import type { PaintModel } from "./paint";

/** How far a prediction is likely to be off, in CIEDE2000. */
export interface LikelyError {
  readonly median: number;
  /** Nine predictions in ten are nearer than this. */
  readonly p90: number;
  readonly basis: "typical" | "measured" | "mixed";
}

/** Median and 90th percentile of unseen mixes: the project's trial with simulated paints. */
const TYPICAL = { median: 5, p90: 12 };
const MEASURED = { median: 1.3, p90: 3.5 };
/** One paint alone misses less than a mix, a mix of three a little more than one of two. From memory. */
const BY_PAINTS = [0.8, 1, 1.1];
/** A strength far from any measured wash adds uncertainty: this much for each e-fold of load. From memory. */
const PER_FOLD = 0.25;

/**
 * Likely error of a mix from what it is built on: each paint's basis, how many paints, and how far
 * the strength lies from the nearest measured wash.
 * @param foldsFromMeasured |ln(load / nearest measured load)|, for measured paints only
 */
export function likelyErrorOf(paints: readonly PaintModel[], foldsFromMeasured = 0): LikelyError {
  const measured = paints.filter((paint) => paint.basis === "measured").length;
  const share = measured / paints.length;
  const factor = BY_PAINTS[Math.min(paints.length, BY_PAINTS.length) - 1];
  const far = 1 + PER_FOLD * share * foldsFromMeasured;
  const between = (typical: number, own: number): number =>
    Math.round(10 * factor * far * Math.sqrt(share * own ** 2 + (1 - share) * typical ** 2)) / 10;
  return {
    median: between(TYPICAL.median, MEASURED.median),
    p90: between(TYPICAL.p90, MEASURED.p90),
    basis: measured === 0 ? "typical" : measured === paints.length ? "measured" : "mixed",
  };
}
