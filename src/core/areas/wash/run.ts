import { pairOf, tripleOf } from "../../numeric/tuples";
import type { Lab } from "../../colour/colour";
import { labOfLinear } from "../../image/pixels";
import type { AreaColours } from "./area-colours";

/** Colour against place: how an area's colour runs in one direction. */
export interface ColourRun {
  /** Share of the spread that the run explains, 0 to 1. */
  readonly explains: number;
  /** Unit vector of the direction, and how far the run goes, px. */
  readonly direction: readonly [number, number];
  readonly lengthPx: number;
  /** Place of each pixel along it, 0 at one end to 1 at the other (the outermost pixels lie a little beyond). */
  readonly along: Float64Array;
  /** Colour at a place along it. */
  readonly colour: (t: number) => Lab;
}

/** Rounds of reweighting; what lies off by more than this many times the usual counts less (Huber 1964). */
const ROUNDS = 4;
const USUAL = 1.5;

/**
 * Weighted least squares of three channels (Lab, or light) on a few columns: coefficients, column by column, by normal
 * equations.
 */
function fit(columns: readonly Float64Array[], lab: Float32Array, weights: Float64Array): number[][] {
  const n = columns.length;
  const A = Array.from({ length: n }, () => new Array<number>(n + 3).fill(0));
  for (let k = 0; k < weights.length; k++) {
    for (let i = 0; i < n; i++) {
      const wi = weights[k]! * columns[i]![k]!;
      for (let j = 0; j < n; j++) A[i]![j]! += wi * columns[j]![k]!;
      for (let c = 0; c < 3; c++) A[i]![n + c]! += wi * lab[3 * k + c]!;
    }
  }
  for (let i = 0; i < n; i++) A[i]![i]! += 1e-9 * (A[0]![0]! + 1);
  for (let i = 0; i < n; i++) {
    for (let r = 0; r < n; r++) {
      if (r === i) continue;
      const by = A[r]![i]! / A[i]![i]!;
      for (let j = i; j < n + 3; j++) A[r]![j]! -= by * A[i]![j]!;
    }
  }
  return A.map((row, i) => [row[n]! / row[i]!, row[n + 1]! / row[i]!, row[n + 2]! / row[i]!]);
}

/** Distance of each pixel's colour from what the columns explain. */
function misses(columns: readonly Float64Array[], lab: Float32Array, found: readonly number[][]): Float64Array {
  return Float64Array.from({ length: lab.length / 3 }, (_, k) => {
    let sum = 0;
    for (let c = 0; c < 3; c++) {
      let value = -lab[3 * k + c]!;
      for (let i = 0; i < columns.length; i++) value += found[i]![c]! * columns[i]![k]!;
      sum += value * value;
    }
    return Math.sqrt(sum);
  });
}

const medianOf = (values: Float64Array): number => values.slice().sort()[Math.floor(values.length / 2)]!;

/** Reweighted fits: a few strange pixels don't turn it. */
function robustFit(columns: readonly Float64Array[], lab: Float32Array) {
  let weights = new Float64Array(lab.length / 3).fill(1);
  let found = fit(columns, lab, weights);
  for (let round = 0; round < ROUNDS; round++) {
    const away = misses(columns, lab, found);
    const limit = USUAL * Math.max(0.5, medianOf(away));
    weights = away.map((miss) => (miss <= limit ? 1 : limit / miss));
    found = fit(columns, lab, weights);
  }
  return { found, weights, away: misses(columns, lab, found) };
}

/** Value that a share of the numbers lies below. */
function quantile(values: Float64Array, share: number): number {
  const sorted = values.slice().sort();
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;
}
/** Fewer pixels than this say nothing about a run. */
const LEAST_PIXELS = 30;
/** Share of the lightest and of the darkest pixels that are passed over. */
const OUTERMOST = 0.002;
/** The outermost few pixels are no end to measure at. */
const END_SHARE = 0.0003;

/**
 * How an area's colours run over it: a plane through the colours gives the direction, a cubic
 * along it the colours. Null when there are too few pixels to say.
 */
export function colourRun({ all, places, width, lab, light }: AreaColours): ColourRun | null {
  const n = places.length;
  if (n < LEAST_PIXELS) return null;
  const one = new Float64Array(n).fill(1);
  const x = Float64Array.from(places, (i) => i % width);
  const y = Float64Array.from(places, (i) => Math.floor(i / width));
  const {
    found: [, gx, gy],
  } = robustFit([one, x, y], lab);
  const xx = gx!.reduce((sum, g) => sum + g * g, 0);
  const yy = gy!.reduce((sum, g) => sum + g * g, 0);
  const xy = gx!.reduce((sum, g, c) => sum + g * gy![c]!, 0);
  // The direction of the strongest change: the first eigenvector of the gradients' 2 by 2 matrix.
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  const direction: [number, number] = [Math.cos(angle), Math.sin(angle)];
  // A run is told from above to below, or from left to right.
  if (direction[1] < -0.3 || (Math.abs(direction[1]) <= 0.3 && direction[0] < 0)) {
    direction[0] *= -1;
    direction[1] *= -1;
  }
  const placeAlong = (i: number): number => direction[0] * (i % width) + direction[1] * Math.floor(i / width);
  const raw = Float64Array.from(places, placeAlong);
  const whole = Float64Array.from(all, placeAlong).sort();
  const passed = Math.floor(END_SHARE * whole.length);
  const [from, to] = pairOf([whole[passed]!, whole[whole.length - 1 - passed]!]);
  if (!(to > from)) return null;
  const along = raw.map((t) => (t - from) / (to - from));
  const columns = [one, along, along.map((t) => t * t), along.map((t) => t ** 3)];
  const { weights, away } = robustFit(columns, lab);
  // Light that runs evenly is a straight line, lightness that runs evenly a cubic: one cubic of the light is true to
  // both.
  const found = fit(
    columns,
    light,
    weights.map((weight, k) => weight / (0.02 + light[3 * k]! + light[3 * k + 1]! + light[3 * k + 2]!)),
  );
  // Where an end holds few pixels a cubic may run away: no colour is told that the area does not have.
  const channels = [0, 1, 2].map((c) => Float64Array.from({ length: n }, (_, k) => light[3 * k + c]!));
  const least = channels.map((values) => quantile(values, OUTERMOST));
  const most = channels.map((values) => quantile(values, 1 - OUTERMOST));
  const mean = [0, 0, 0];
  let total = 0;
  for (let k = 0; k < n; k++) {
    total += weights[k]!;
    for (let c = 0; c < 3; c++) mean[c]! += weights[k]! * lab[3 * k + c]!;
  }
  let spread = 0;
  let left = 0;
  for (let k = 0; k < n; k++) {
    for (let c = 0; c < 3; c++) spread += weights[k]! * (lab[3 * k + c]! - mean[c]! / total) ** 2;
    left += weights[k]! * away[k]! ** 2;
  }
  return {
    explains: spread > 0 ? Math.max(0, 1 - left / spread) : 0,
    direction,
    lengthPx: to - from,
    along,
    colour: (t) => {
      const [r, g, b] = tripleOf(
        [0, 1, 2].map((c) =>
          Math.min(
            1.05 * most[c]! + 0.01,
            Math.max(
              0.95 * least[c]! - 0.01,
              0,
              found[0]![c]! + t * (found[1]![c]! + t * (found[2]![c]! + t * found[3]![c]!)),
            ),
          ),
        ),
      );
      return labOfLinear({ r, g, b });
    },
  };
}
