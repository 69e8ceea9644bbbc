import { labF } from "../spectrum/lab";
import { WHITE_D65, WEIGHT_X, WEIGHT_Y, WEIGHT_Z } from "../spectrum/cie-tables";
import type { Paper } from "./paper";
import { DRY_SURFACE } from "./surface";
import type { Load } from "./load";

/**
 * What the inner loop needs of a paper, with bands merged in groups: `bandsPerGroup` 1 is the full
 * model, 3 takes a third of the work, for searching.
 */
export interface FilmGround {
  readonly groups: number;
  readonly bandsPerGroup: number;
  readonly ground: Float64Array;
  readonly weightX: Float64Array;
  readonly weightY: Float64Array;
  readonly weightZ: Float64Array;
  readonly roughness: number;
}

/** Mean (or, with `total`, sum) of each run of `size` bands. */
export function grouped(spectrum: Float64Array, size: number, total = false): Float64Array {
  return Float64Array.from({ length: spectrum.length / size }, (_, g) => {
    let sum = 0;
    for (let i = 0; i < size; i++) sum += spectrum[g * size + i];
    return total ? sum : sum / size;
  });
}

/** Prepares a dry paper for {@link filmLab}. */
export function filmGround(paper: Paper, bandsPerGroup: 1 | 2 | 3): FilmGround {
  return {
    groups: paper.ground.length / bandsPerGroup,
    bandsPerGroup,
    ground: grouped(paper.ground, bandsPerGroup),
    weightX: grouped(WEIGHT_X, bandsPerGroup, true),
    weightY: grouped(WEIGHT_Y, bandsPerGroup, true),
    weightZ: grouped(WEIGHT_Z, bandsPerGroup, true),
    roughness: paper.roughness,
  };
}

const TINY = 1e-9;

function labOfSums(X: number, Y: number, Z: number, out: Float32Array | Float64Array, at: number): void {
  const fx = labF(X / WHITE_D65[0]);
  const fy = labF(Y);
  const fz = labF(Z / WHITE_D65[2]);
  out[at] = 116 * fy - 16;
  out[at + 1] = 500 * (fx - fy);
  out[at + 2] = 200 * (fy - fz);
}
const { k1: K1, k2: K2 } = DRY_SURFACE;
const OUT = (1 - K1) * (1 - K2);

/**
 * Lab of a dry textured film, the hot loop of every search: Kubelka-Munk layer, Saunderson surface
 * and tristimulus sums in one pass, nothing allocated. Same model as `filmReflectance`, with the
 * surface folded into the layer's own fraction N / D: k1 + (1-k1)(1-k2) N / (D - k2 N).
 * @param nodes how many texture points of `loads` and `weights` to use (1 or 3)
 * @param out receives L, a, b
 */
export function filmLab(
  K: Float64Array, S: Float64Array, load: Load, film: FilmGround,
  loads: ArrayLike<number>, weights: ArrayLike<number>, nodes: number, out: Float64Array,
): void {
  const { groups, ground, weightX, weightY, weightZ } = film;
  let X = 0;
  let Y = 0;
  let Z = 0;
  for (let i = 0; i < groups; i++) {
    const k = K[i] + TINY;
    const s = S[i];
    const g = ground[i];
    const beta = Math.sqrt(k * (k + 2 * s));
    let R = 0;
    for (let n = 0; n < nodes; n++) {
      const e = Math.exp(-2 * beta * load * loads[n]);
      const open = (k + s) * (1 - e);
      const closed = beta * (1 + e);
      const scattered = s * (1 - e);
      const N = scattered - g * (open - closed);
      const D = open - g * scattered + closed;
      R += (weights[n] * N) / (D - K2 * N);
    }
    R = K1 + OUT * R;
    X += weightX[i] * R;
    Y += weightY[i] * R;
    Z += weightZ[i] * R;
  }
  labOfSums(X, Y, Z, out, 0);
}

/** Loads of {@link filmLabLadder}: each twice the one before, up to masstone. */
export const LOAD_LADDER: readonly Load[] = [1 / 64, 1 / 32, 1 / 16, 1 / 8, 1 / 4, 1 / 2, 1];

/**
 * Lab of an even dry film at every load of the ladder. Because each load doubles the last, one
 * exponential serves them all: exp(-2bS·2X) is the square of exp(-2bSX).
 * @param out receives L, a, b for each load, from index `at`
 */
export function filmLabLadder(K: Float64Array, S: Float64Array, film: FilmGround, out: Float32Array, at: number): void {
  const { groups, ground, weightX, weightY, weightZ } = film;
  sums.fill(0);
  for (let i = 0; i < groups; i++) {
    const k = K[i] + TINY;
    const s = S[i];
    const g = ground[i];
    const beta = Math.sqrt(k * (k + 2 * s));
    let e = Math.exp(-2 * beta * LOAD_LADDER[0]);
    for (let n = 0; n < LOAD_LADDER.length; n++) {
      const open = (k + s) * (1 - e);
      const closed = beta * (1 + e);
      const scattered = s * (1 - e);
      const N = scattered - g * (open - closed);
      const R = K1 + (OUT * N) / (open - g * scattered + closed - K2 * N);
      sums[3 * n] += weightX[i] * R;
      sums[3 * n + 1] += weightY[i] * R;
      sums[3 * n + 2] += weightZ[i] * R;
      e *= e;
    }
  }
  for (let n = 0; n < LOAD_LADDER.length; n++) {
    labOfSums(sums[3 * n], sums[3 * n + 1], sums[3 * n + 2], out, at + 3 * n);
  }
}

const sums = new Float64Array(3 * LOAD_LADDER.length);
