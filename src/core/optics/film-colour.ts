import { BANDS } from "../colour/bands";
import { labF } from "../colour/lab";
import { WHITE_D65, WEIGHT_X, WEIGHT_Y, WEIGHT_Z } from "../colour/cie-tables";
import type { Paper } from "./paper";
import { TINY } from "./layer";
import { DRY_SURFACE } from "./surface";
import type { Load } from "./load";

const { k1: K1, k2: K2 } = DRY_SURFACE;
const OUT = (1 - K1) * (1 - K2);

/**
 * Lab of a dry textured film in one pass: Kubelka-Munk layer, Saunderson surface and tristimulus
 * sums, nothing allocated. Same model as `filmReflectance`, with the surface folded into the
 * layer's own fraction N / D: k1 + (1-k1)(1-k2) N / (D - k2 N).
 * @param ground internal reflectance of the paper, 36 bands
 * @param loads, weights texture points (see texture.ts)
 * @param out receives L, a, b
 */
export function filmLab(
  K: Float64Array,
  S: Float64Array,
  load: Load,
  { ground }: Pick<Paper, "ground">,
  loads: ArrayLike<number>,
  weights: ArrayLike<number>,
  out: Float64Array,
): void {
  // Read once: an import may be looked up anew at every use.
  const [weightX, weightY, weightZ, tiny] = [WEIGHT_X, WEIGHT_Y, WEIGHT_Z, TINY];
  let X = 0;
  let Y = 0;
  let Z = 0;
  for (let i = 0, bands = BANDS; i < bands; i++) {
    const k = K[i]! + tiny;
    const s = S[i]!;
    const g = ground[i]!;
    const beta = Math.sqrt(k * (k + 2 * s));
    let R = 0;
    for (let n = 0; n < loads.length; n++) {
      const e = Math.exp(-2 * beta * load * loads[n]!);
      const open = (k + s) * (1 - e);
      const closed = beta * (1 + e);
      const scattered = s * (1 - e);
      const N = scattered - g * (open - closed);
      R += (weights[n]! * N) / (open - g * scattered + closed - K2 * N);
    }
    R = K1 + OUT * R;
    X += weightX[i]! * R;
    Y += weightY[i]! * R;
    Z += weightZ[i]! * R;
  }
  const fx = labF(X / WHITE_D65[0]);
  const fy = labF(Y);
  const fz = labF(Z / WHITE_D65[2]);
  out[0] = 116 * fy - 16;
  out[1] = 500 * (fx - fy);
  out[2] = 200 * (fy - fz);
}
