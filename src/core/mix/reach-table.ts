import { filmGround, filmLab, filmLabLadder, grouped, LOAD_LADDER, type FilmGround } from "../film/film-colour";
import type { Paper } from "../film/paper";
import { textureOf } from "../film/texture";
import { combinationsOf, type CombinationRules } from "./combinations";
import type { PaintModel } from "./paint";

/** Parts on the grid of a mix of two or three paints: shares are multiples of 1 / steps. */
const STEPS = { two: 8, three: 6 } as const;
const LOADS = LOAD_LADDER.length;

/**
 * Colours that a set of paints can make on a paper, on a coarse grid: the starting points of every
 * match. Built once for a set of paints and shared by all targets.
 */
export interface ReachTable {
  readonly paints: readonly PaintModel[];
  readonly paper: Paper;
  readonly combinations: readonly (readonly number[])[];
  /** First grid point of each combination, and one past the last of all. */
  readonly firstPoint: Uint32Array;
  /** L, a, b of each grid point. */
  readonly lab: Float32Array;
  /** Three shares (by paint amount) and the load of each grid point. */
  readonly mix: Float32Array;
}

function gridOf(count: number): readonly (readonly [number, number, number])[] {
  if (count === 1) return [[1, 0, 0]];
  const points: [number, number, number][] = [];
  if (count === 2) {
    for (let i = 1; i < STEPS.two; i++) points.push([i / STEPS.two, 1 - i / STEPS.two, 0]);
    return points;
  }
  for (let i = 1; i < STEPS.three - 1; i++) {
    for (let j = 1; i + j < STEPS.three; j++) {
      points.push([i / STEPS.three, j / STEPS.three, (STEPS.three - i - j) / STEPS.three]);
    }
  }
  return points;
}

const GRIDS = [gridOf(1), gridOf(2), gridOf(3)];

/** How strongly a paint speaks in a mix: the mean of K and S over the bands. Evens out the grid. */
function loudness({ optics }: PaintModel): number {
  let sum = 0;
  for (let i = 0; i < optics.K.length; i++) sum += optics.K[i] + 0.5 * optics.S[i];
  return sum / optics.K.length + 0.05;
}

/** One paint prepared for the inner loop. */
interface Prepared {
  readonly K: Float64Array;
  readonly S: Float64Array;
  readonly loudness: number;
  readonly granulation: number;
}

/**
 * Builds the table with a third of the bands and one texture point. On the grid a paint's share is even
 * in what it contributes, not in its amount, so that a strong stainer is sampled as finely as a
 * weak earth.
 */
export function buildReachTable(paints: readonly PaintModel[], paper: Paper, rules: CombinationRules): ReachTable {
  const combinations = combinationsOf(paints, rules);
  const film: FilmGround = filmGround(paper, 3);
  const prepared: Prepared[] = paints.map((paint) => ({
    K: grouped(paint.optics.K, film.bandsPerGroup),
    S: grouped(paint.optics.S, film.bandsPerGroup),
    loudness: loudness(paint),
    granulation: paint.granulation,
  }));
  const firstPoint = new Uint32Array(combinations.length + 1);
  combinations.forEach((combination, c) => {
    firstPoint[c + 1] = firstPoint[c] + GRIDS[combination.length - 1].length * LOADS;
  });
  const points = firstPoint[combinations.length];
  const lab = new Float32Array(points * 3);
  const mix = new Float32Array(points * 4);
  const K = new Float64Array(film.groups);
  const S = new Float64Array(film.groups);
  const share = new Float64Array(3);
  let point = 0;
  for (const combination of combinations) {
    for (const weights of GRIDS[combination.length - 1]) {
      let total = 0;
      for (let p = 0; p < combination.length; p++) total += share[p] = weights[p] / prepared[combination[p]].loudness;
      K.fill(0);
      S.fill(0);
      for (let p = 0; p < combination.length; p++) {
        const c = (share[p] /= total);
        const paint = prepared[combination[p]];
        for (let i = 0; i < film.groups; i++) {
          K[i] += c * paint.K[i];
          S[i] += c * paint.S[i];
        }
      }
      filmLabLadder(K, S, film, lab, point * 3);
      for (const load of LOAD_LADDER) {
        for (let p = 0; p < combination.length; p++) mix[point * 4 + p] = share[p];
        mix[point * 4 + 3] = load;
        point++;
      }
    }
  }
  return { paints, paper, combinations, firstPoint, lab, mix };
}

/** Full-model colour of any mix of one combination; buffers are reused, so results must be copied. */
export interface MixEvaluator {
  /** Writes the dry L, a, b of shares (by paint amount, any scale) at a load into `out`. */
  evaluate(shares: ArrayLike<number>, load: number, out: Float64Array): void;
}

/** Evaluator of one combination of paints on a paper with all bands and the full texture. */
export function mixEvaluator(paints: readonly PaintModel[], paper: Paper): MixEvaluator {
  const film = filmGround(paper, 1);
  const K = new Float64Array(film.groups);
  const S = new Float64Array(film.groups);
  return {
    evaluate(shares, load, out) {
      let total = 0;
      for (let p = 0; p < paints.length; p++) total += shares[p];
      K.fill(0);
      S.fill(0);
      let granulation = 0;
      for (let p = 0; p < paints.length; p++) {
        const c = shares[p] / total;
        const { optics } = paints[p];
        granulation += c * paints[p].granulation;
        for (let i = 0; i < film.groups; i++) {
          K[i] += c * optics.K[i];
          S[i] += c * optics.S[i];
        }
      }
      const texture = textureOf(film.roughness, granulation);
      filmLab(K, S, load, film, texture.loads, texture.weights, 3, out);
    },
  };
}
