import { tripleOf } from "../numeric/tuples";
import type { Lab } from "../colour/colour";
import { MIN_LOAD } from "../optics/load";
import type { GridRanking } from "./closest";
import { judged, residuals, type MixMetric } from "./metric";
import { gridMix, type ReachTable } from "./reach-table";

/**
 * Gauss-Newton steps for each combination. Measured on 240 triples of the demo's paints: 99 in a hundred end within
 * 0.5 dE00 of a full optimisation.
 */
const REFINING_ROUNDS = 4;
/**
 * A mix this near is near enough, and one that a step has brought no more than this nearer is left as it is.
 * CIEDE2000.
 */
const GOOD_ENOUGH = 0.4;
const HARDLY_BETTER = 0.1;
/** Step by which slopes are taken, and the longest step made, in the logarithm of load and ratios. */
export const SLOPE = 0.02;
const LONGEST = 1.2;
/** Levenberg's damping, as a share of the slopes' own size; ten times as much after a step that failed. */
const DAMPING = 0.01;

/** Solves a symmetric system of up to three unknowns by elimination; the matrix row by row. */
function solve(m: Float64Array, v: Float64Array, n: number): void {
  for (let i = 0; i < n; i++) {
    const pivot = m[3 * i + i] || 1e-12;
    for (let k = i + 1; k < n; k++) {
      const f = m[3 * k + i]! / pivot;
      for (let j = i; j < n; j++) m[3 * k + j]! -= f * m[3 * i + j]!;
      v[k]! -= f * v[i]!;
    }
  }
  for (let i = n - 1; i >= 0; i--) {
    for (let j = i + 1; j < n; j++) v[i]! -= m[3 * i + j]! * v[j]!;
    v[i]! /= m[3 * i + i] || 1e-12;
  }
}

/**
 * Refines combinations from their best grid points by a few damped Gauss-Newton steps (Levenberg
 * 1944) with the full film model, many at a time: `cost` (as judged) and `made` (L, a, b) are
 * lowered where a better mix is found.
 * @param wanted indices of the combinations to refine
 * @param at receives the best mix found of each: logarithms of its load and of each further paint's ratio to the
 *   first, three a combination
 */
export function refineMixes(
  target: Lab,
  table: ReachTable,
  metric: MixMetric,
  ranking: GridRanking,
  wanted: readonly number[],
  cost: Float64Array,
  made: Float32Array,
  at = new Float64Array(3 * table.combinations.length),
): void {
  const { computer, combinations, paints, loudness } = table;
  const batch = Math.floor(computer.capacity / 4);
  const strongest = paints.map((paint) => Math.log(paint.strongest));
  const thinnest = Math.log(MIN_LOAD);
  const [best, trial, residual, slopes, step, normal, kept, wanting] = [
    new Float64Array(3 * batch),
    new Float64Array(3 * batch),
    new Float64Array(12),
    new Float64Array(9),
    new Float64Array(3),
    new Float64Array(9),
    new Float64Array(9),
    new Float64Array(3),
  ];
  const damping = new Float64Array(batch);
  for (let from = 0; from < wanted.length; from += batch) {
    const chunk = wanted.slice(from, from + batch);
    chunk.forEach((c, i) => {
      const { shares, load } = gridMix(combinations[c]!, loudness, ranking.point[c]!);
      trial.set(
        [Math.log(load), Math.log(shares[1] / shares[0]), Math.log(shares[2] / shares[0])].slice(
          0,
          combinations[c]!.length,
        ),
        3 * i,
      );
    });
    damping.fill(DAMPING);
    const least = Float64Array.from(chunk, () => Infinity);
    const most = Float64Array.from(chunk, (c) => Math.min(...combinations[c]!.map((p) => strongest[p]!)));
    const failed = new Uint8Array(chunk.length);
    let active = [...chunk.keys()];
    for (let round = 0; round <= REFINING_ROUNDS && active.length > 0; round++) {
      active.forEach((i, slot) => {
        const c = chunk[i]!;
        const combination = combinations[c]!;
        const [p0, p1 = p0, p2 = p0] = combination;
        for (let shift = 0; shift < 4; shift++) {
          const x = trial[3 * i]! + (shift === 1 ? -SLOPE : 0);
          const r1 = combination.length > 1 ? Math.exp(trial[3 * i + 1]! + (shift === 2 ? SLOPE : 0)) : 0;
          const r2 = combination.length > 2 ? Math.exp(trial[3 * i + 2]! + (shift === 3 ? SLOPE : 0)) : 0;
          const total = 1 + r1 + r2;
          computer.put(4 * slot + shift, p0!, p1!, p2!, 1 / total, r1 / total, r2 / total, Math.exp(x));
        }
      });
      const lab = computer.run(4 * active.length);
      active = active.filter((i, slot) => {
        const c = chunk[i]!;
        const n = combinations[c]!.length;
        const first = 12 * slot;
        const [L, a, b] = tripleOf([lab[first]!, lab[first + 1]!, lab[first + 2]!]);
        const now = judged(target, L, a, b, metric);
        if (now < least[i]!) {
          const gain = least[i]! - now;
          failed[i] = 0;
          least[i] = now;
          best.set(trial.subarray(3 * i, 3 * i + 3), 3 * i);
          damping[i] = Math.max(1e-4, damping[i]! / 3);
          if (now < cost[c]!) {
            cost[c] = now;
            made.set([L, a, b], 3 * c);
            at.set(trial.subarray(3 * i, 3 * i + 3), 3 * c);
          }
          if (now < GOOD_ENOUGH || gain < HARDLY_BETTER) return false;
        } else {
          // The step failed: three quarters of the way back to the best.
          damping[i]! *= 10;
          for (let j = 0; j < n; j++) trial[3 * i + j] = (trial[3 * i + j]! + 3 * best[3 * i + j]!) / 4;
          return ++failed[i]! < 2;
        }
        for (let shift = 0; shift < 4; shift++)
          residuals(
            target,
            metric,
            lab[first + 3 * shift]!,
            lab[first + 3 * shift + 1]!,
            lab[first + 3 * shift + 2]!,
            residual,
            3 * shift,
          );
        for (let j = 0; j < n; j++)
          for (let k = 0; k < 3; k++)
            slopes[3 * j + k] = (residual[3 * (j + 1) + k]! - residual[k]!) / (j === 0 ? -SLOPE : SLOPE);
        for (let j = 0; j < n; j++) {
          step[j] = 0;
          for (let k = 0; k < 3; k++) step[j]! -= slopes[3 * j + k]! * residual[k]!;
          for (let m = 0; m < n; m++) {
            normal[3 * j + m] = 0;
            for (let k = 0; k < 3; k++) normal[3 * j + m]! += slopes[3 * j + k]! * slopes[3 * m + k]!;
          }
        }
        for (let j = 0; j < n; j++) normal[3 * j + j]! += damping[i] * normal[3 * j + j]! + 1e-6;
        kept.set(normal);
        wanting.set(step);
        solve(normal, step, n);
        const x = best[3 * i]!;
        const load = Math.min(most[i]!, Math.max(thinnest, x + Math.min(LONGEST, Math.max(-LONGEST, step[0]!))));
        if (Math.abs(load - x - step[0]!) > 1e-9 && n > 1) {
          // The load stops at its bound: the ratios are solved for again with it there.
          for (let j = 1; j < n; j++) wanting[j]! -= kept[3 * j]! * (load - x);
          for (let j = 0; j < n; j++) kept[j] = kept[3 * j] = 0;
          kept[0] = 1;
          wanting[0] = load - x;
          solve(kept, wanting, n);
          step.set(wanting);
        }
        trial[3 * i] = load;
        for (let j = 1; j < n; j++)
          trial[3 * i + j] = Math.min(
            9,
            Math.max(-9, best[3 * i + j]! + Math.min(LONGEST, Math.max(-LONGEST, step[j]!))),
          );
        return true;
      });
    }
  }
}
