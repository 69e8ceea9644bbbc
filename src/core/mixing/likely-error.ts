import type { Load } from "../optics/load";
import type { PaintModel } from "./paint";

/** How far a prediction is likely to be off, in CIEDE2000, and what it stands on. */
export interface LikelyError {
  readonly median: number;
  /** Nine predictions in ten are nearer than this. */
  readonly p90: number;
  readonly basis: "typical" | "measured" | "mixed";
  /** The measurements it stands on: day and way of each, without doubles, newest first. */
  readonly measurements: readonly { readonly on: string; readonly way: string }[];
}

/** Median and 90th percentile of unseen mixes of typical paints: the project's first trial with simulated paints. */
const TYPICAL = { median: 5, p90: 12 };
/** Nine in ten over the median for measured paints: 2.1 to 2.4 on the simulated bench, and real photos will scatter more. */
const P90_OF_MEDIAN = 2.6;
/** One paint alone misses less than a mix, a mix of three a little more than one of two. From memory; 0.8 to 0.9 on the simulated bench. */
const BY_PAINTS = [0.8, 1, 1.1];
/** A strength far from any measured wash adds uncertainty: this much for each e-fold of load. From memory. */
const PER_FOLD = 0.25;

const foldsOutside = (load: number, [least, most]: readonly [number, number]): number =>
  Math.max(0, Math.log(least / load), Math.log(load / most));

/**
 * Likely error of a mix from what it is built on: each paint's own likely miss, how many paints,
 * and how far the strength lies from any measured wash.
 * @param load of the mix; without it the strength is taken for a measured one
 */
export function likelyErrorOf(paints: readonly Pick<PaintModel, "measured">[], load?: Load): LikelyError {
  const measured = paints.flatMap((paint) => paint.measured ?? []);
  const share = measured.length / paints.length;
  const factor = BY_PAINTS[Math.min(paints.length, BY_PAINTS.length) - 1];
  const folds =
    load && measured.length > 0
      ? measured.reduce((sum, { loads }) => sum + foldsOutside(load, loads), 0) / measured.length
      : 0;
  const far = 1 + PER_FOLD * share * folds;
  // A paint's own miss is that of its washes alone; in a mix it counts as much more as a mix does.
  const own = measured.map(({ miss }) => miss / BY_PAINTS[0]);
  const squares = (typical: number, times: number): number =>
    own.reduce((sum, miss) => sum + (times * miss) ** 2, (paints.length - own.length) * typical ** 2) / paints.length;
  const rounded = (typical: number, times: number): number =>
    Math.round(10 * factor * far * Math.sqrt(squares(typical, times))) / 10;
  const days = new Map(measured.map(({ on, way }) => [`${on} ${way}`, { on, way }]));
  return {
    median: rounded(TYPICAL.median, 1),
    p90: rounded(TYPICAL.p90, P90_OF_MEDIAN),
    basis: measured.length === 0 ? "typical" : share === 1 ? "measured" : "mixed",
    measurements: [...days.values()].sort((a, b) => b.on.localeCompare(a.on)),
  };
}
