import { choleskyFactor } from "./solve";

/** A minimum of a sum of squares, and how surely it is known. */
export interface LeastSquares {
  readonly at: Float64Array;
  /** Sum of the squared residuals there. */
  readonly cost: number;
  /** Slopes of the residuals there, one row a residual. */
  readonly slopes: readonly Float64Array[];
  readonly steps: number;
}

const STEP = 1e-4;
const MOST_STEPS = 60;
const SETTLED = 1e-7;

function normalMatrix(slopes: readonly Float64Array[], n: number): Float64Array {
  const matrix = new Float64Array(n * n);
  for (const row of slopes)
    for (let i = 0; i < n; i++) for (let j = 0; j <= i; j++) matrix[i * n + j]! += row[i]! * row[j]!;
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) matrix[j * n + i] = matrix[i * n + j]!;
  return matrix;
}

const square = (values: Float64Array): number => values.reduce((sum, v) => sum + v * v, 0);

/**
 * Least squares by Levenberg's and Marquardt's damped Gauss-Newton steps (Marquardt 1963), slopes
 * by differences.
 * @param residuals of a point; always the same number of them
 */
export function leastSquares(residuals: (at: Float64Array) => Float64Array, start: Float64Array): LeastSquares {
  const n = start.length;
  let at = start.slice();
  let here = residuals(at);
  let cost = square(here);
  let damping = 1e-2;
  const slopesAt = (): Float64Array[] => {
    const rows = Array.from(here, () => new Float64Array(n));
    for (let j = 0; j < n; j++) {
      const moved = at.slice();
      moved[j]! += STEP;
      residuals(moved).forEach((value, i) => (rows[i]![j] = (value - here[i]!) / STEP));
    }
    return rows;
  };
  let slopes = slopesAt();
  let steps = 0;
  for (; steps < MOST_STEPS; steps++) {
    const matrix = normalMatrix(slopes, n);
    const downhill = new Float64Array(n);
    slopes.forEach((row, i) => row.forEach((slope, j) => (downhill[j]! -= slope * here[i]!)));
    let gained = 0;
    for (let tries = 0; tries < 8 && gained === 0; tries++) {
      const damped = matrix.slice();
      for (let i = 0; i < n; i++) damped[i * n + i]! *= 1 + damping;
      const step = choleskyFactor(damped, n)?.(downhill);
      const next = step && at.map((value, i) => value + step[i]!);
      const there = next && residuals(next);
      if (next && there && square(there) < cost) {
        gained = cost - square(there);
        [at, here, cost] = [next, there, square(there)];
        damping = Math.max(1e-7, damping / 5);
      } else damping *= 6;
    }
    if (gained <= SETTLED * (cost + 1e-9)) break;
    slopes = slopesAt();
  }
  return { at, cost, slopes, steps };
}

/**
 * Standard deviation of a quantity that depends on a fitted point, from the residuals' slopes there
 * (residuals in units of their own standard deviation) and the quantity's own slopes.
 */
export function deviationOf(slopes: readonly Float64Array[], quantity: Float64Array): number {
  const solve = choleskyFactor(normalMatrix(slopes, quantity.length), quantity.length);
  if (!solve) return Infinity;
  return Math.sqrt(solve(quantity).reduce((sum, v, i) => sum + v * quantity[i]!, 0));
}
