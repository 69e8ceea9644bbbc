import { solveLinear } from "../../numeric/solve";
import { medianOf, robustDeviation } from "./pixels";
import { CARD } from "./layout";

/** Light on the card, from the bare paper: linear Display P3 of paper at any place. */
export interface Illumination {
  readonly at: (x: number, y: number) => readonly [number, number, number];
  /** Brightest over darkest on the card. */
  readonly unevenness: number;
  /** Share of the paper samples that were not paper after all: painted over, shaded, written on. */
  readonly unusable: number;
}

/** Light measured at one place of bare paper. */
export interface PaperSample {
  readonly x: number;
  readonly y: number;
  readonly linear: readonly [number, number, number];
}

/**
 * Tilts and bends of the light over the card, small beside its level: penalties on the slopes of its logarithm. From
 * memory.
 */
const PENALTY = [0, 0.004, 0.004, 0.03, 0.03, 0.03];
const ROUNDS = 12;
/** Samples further off than this many deviations (and than 2 %) count nothing: Tukey's biweight. */
const CUT = 4.5;
const LEAST_DEVIATION = 0.012;

const termsOf = (x: number, y: number): number[] => {
  const [u, v] = [(2 * x) / CARD.width - 1, (2 * y) / CARD.height - 1];
  return [1, u, v, u * u, u * v, v * v];
};

/** Weighted least squares with a penalty, by its normal equations. */
function solveWeighted(rows: readonly number[][], values: readonly number[], weights: readonly number[]): number[] {
  const A = PENALTY.map((penalty, i) =>
    PENALTY.map((_, j) =>
      rows.reduce((sum, row, k) => sum + weights[k]! * row[i]! * row[j]!, i === j ? penalty + 1e-9 : 0),
    ),
  );
  const b = PENALTY.map((_, i) => rows.reduce((sum, row, k) => sum + weights[k]! * row[i]! * values[k]!, 0));
  return solveLinear(A, b) ?? PENALTY.map(() => 0);
}

/**
 * The light over the card as a smooth bend of the second order in its logarithm, fitted to the
 * bare paper so that places which are no paper count nothing (iteratively reweighted least squares).
 * Throws a RangeError without a sample.
 */
export function illuminationOf(samples: readonly PaperSample[]): Illumination {
  if (samples.length === 0) throw new RangeError("No bare paper was sampled.");
  const rows = samples.map(({ x, y }) => termsOf(x, y));
  const brightness = samples.map(({ linear }) => Math.log(Math.max(1e-5, linear[1])));
  let weights = samples.map(() => 1);
  // Paint darkens paper: to begin with, the brighter half knows best.
  const bright = medianOf(brightness);
  weights = brightness.map((b) => (b >= bright - 0.25 ? 1 : 0.05));
  const logs = [0, 1, 2].map((c) => samples.map(({ linear }) => Math.log(Math.max(1e-5, linear[c]!))));
  let bends = logs.map((values) => solveWeighted(rows, values, weights));
  const off = (k: number): number =>
    Math.max(
      ...bends.map((bend, c) => Math.abs(logs[c]![k]! - rows[k]!.reduce((sum, term, i) => sum + term * bend[i]!, 0))),
    );
  for (let round = 0; round < ROUNDS; round++) {
    const misses = samples.map((_, k) => off(k));
    const deviation = Math.max(LEAST_DEVIATION, robustDeviation(misses, 0));
    weights = misses.map((miss) => Math.max(0, 1 - (miss / (CUT * deviation)) ** 2) ** 2);
    bends = logs.map((values) => solveWeighted(rows, values, weights));
  }
  const [red, green, blue] = bends;
  const bent = (bend: readonly number[], u: number, v: number): number =>
    Math.exp(bend[0]! + bend[1]! * u + bend[2]! * v + bend[3]! * u * u + bend[4]! * u * v + bend[5]! * v * v);
  const at = (x: number, y: number): readonly [number, number, number] => {
    const [, u, v] = termsOf(x, y);
    return [bent(red!, u!, v!), bent(green!, u!, v!), bent(blue!, u!, v!)];
  };
  const greens = samples.filter((_, k) => weights[k]! > 0.2).map(({ x, y }) => at(x, y)[1]);
  return {
    at,
    unevenness: greens.length > 0 ? Math.max(...greens) / Math.min(...greens) : 1,
    unusable: weights.filter((w) => w < 0.2).length / weights.length,
  };
}
