import { BANDS } from "../colour/bands";
import { WEIGHT_X, WEIGHT_Y, WEIGHT_Z, WHITE_D65 } from "../colour/cie-tables";
import type { Lab } from "../colour/colour";
import { labFSlope, labOfXyz } from "../colour/lab";
import { paperUnder } from "../mixing/glaze";
import { filmBand } from "../optics/film";
import { loadOfWater } from "../optics/load";
import { DRY_SURFACE } from "../optics/surface";
import { textureOf } from "../optics/texture";
import { CORRECTIONS, correctedOptics, CURVES, K_CORRECTIONS } from "../pigments/maker-variation";
import type { Optics } from "../pigments/optics";
import type { PaintedMix } from "./evidence";
import { FIRST_S, type StateLayout } from "./state";

/** What a mix looks like at a state, and how its colour moves with every number of it. */
export interface MixSlopes {
  readonly lab: Lab;
  /** Places in the state that move the colour, and for each the slopes of L*, a*, b*. */
  readonly places: Int32Array;
  readonly slopes: Float64Array;
  /** Slopes of L*, a*, b* by the logarithm of the load, then by that of the part of each paint, three by three. */
  readonly slips: Float64Array;
}

/** Step of the logarithm over which K, S are moved: the layer's closed form is smooth. */
const STEP = 1e-4;

/** L*, a*, b* by X, Y, Z at a colour: nine numbers, row by row. */
function labByXyz(X: number, Y: number, Z: number): Float64Array {
  const [Xn, , Zn] = WHITE_D65;
  const [x, y, z] = [labFSlope(X / Xn) / Xn, labFSlope(Y), labFSlope(Z / Zn) / Zn];
  return Float64Array.of(0, 116 * y, 0, 500 * x, -500 * y, 0, 0, 200 * y, -200 * z);
}

/** The optics of a paint of the state, its corrections applied. */
export function opticsAt(base: Optics, state: Float64Array, at: number | undefined): Optics {
  return at === undefined ? base : correctedOptics(base, state.subarray(at, at + CORRECTIONS));
}

/** Logarithm of how much more pigment a wash on a paper has than was meant. */
const shiftOn = (layout: StateLayout, state: Float64Array, paperId: string): number => {
  const paper = layout.papers.get(paperId);
  return state[layout.habit]! + (paper === undefined ? 0 : state[paper]!);
};

/**
 * Predicts a painted mix at a state, with the slopes of its colour: exact by chain rule over the bands, since each
 * band's reflectance depends on K X and S X of that band alone.
 * @param photo the photo that it is read from, whose light shifts the colour; null for the colour itself
 */
export function mixSlopes(
  painted: PaintedMix,
  layout: StateLayout,
  state: Float64Array,
  photo: string | null = null,
): MixSlopes {
  const { mix, waterParts, over } = painted;
  const paper = over ? paperUnder(over, painted.paper) : painted.paper;
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  const shares = mix.map(({ parts }) => parts / total);
  const granulation = mix.reduce((sum, { paint }, p) => sum + paint.granulation * shares[p]!, 0);
  const { loads, weights } = textureOf(paper.roughness, granulation);
  const each = mix.map(({ paint }) => opticsAt(paint.optics, state, layout.paints.get(paint.id)));
  const load = loadOfWater(waterParts) * Math.exp(shiftOn(layout, state, painted.paper.id));

  let X = 0;
  let Y = 0;
  let Z = 0;
  // Read once: an import may be looked up anew at every use.
  const [bands, weightX, weightY, weightZ, curves] = [BANDS, WEIGHT_X, WEIGHT_Y, WEIGHT_Z, CURVES];
  const [corrections, endK, firstS] = [CORRECTIONS, K_CORRECTIONS, FIRST_S];
  const [byK, byS] = [new Float64Array(bands), new Float64Array(bands)];
  const [mixedK, mixedS] = [new Float64Array(bands), new Float64Array(bands)];
  const [band, surface] = [filmBand, DRY_SURFACE];
  const seen = (K: number, S: number, ground: number): number => band(K, S, load, ground, surface, loads, weights);
  for (let i = 0; i < bands; i++) {
    for (let p = 0; p < mix.length; p++) {
      mixedK[i]! += shares[p]! * each[p]!.K[i]!;
      mixedS[i]! += shares[p]! * each[p]!.S[i]!;
    }
    const [K, S, ground] = [mixedK[i]!, mixedS[i]!, paper.ground[i]!];
    const R = seen(K, S, ground);
    byK[i] = (seen(K * (1 + STEP), S, ground) - R) / STEP;
    byS[i] = (seen(K, S * (1 + STEP), ground) - R) / STEP;
    X += weightX[i]! * R;
    Y += weightY[i]! * R;
    Z += weightZ[i]! * R;
  }

  const chain = labByXyz(X, Y, Z);
  const lab = labOfXyz({ X, Y, Z });
  // Slopes of the colour by the logarithms of the mix's K and S in each band.
  const [bandK, bandS] = [new Float64Array(3 * bands), new Float64Array(3 * bands)];
  for (let i = 0; i < bands; i++) {
    for (let k = 0; k < 3; k++) {
      const slope = chain[3 * k]! * weightX[i]! + chain[3 * k + 1]! * weightY[i]! + chain[3 * k + 2]! * weightZ[i]!;
      bandK[3 * i + k] = slope * byK[i]!;
      bandS[3 * i + k] = slope * byS[i]!;
    }
  }

  const slips = new Float64Array(3 * (1 + mix.length));
  const places: number[] = [];
  const slopes: number[] = [];
  mix.forEach(({ paint }, p) => {
    const at = layout.paints.get(paint.id);
    const moved = new Float64Array(3 * corrections);
    const { K, S } = each[p]!;
    for (let i = 0; i < bands; i++) {
      const shareK = (shares[p]! * K[i]!) / Math.max(mixedK[i]!, 1e-12);
      const shareS = (shares[p]! * S[i]!) / Math.max(mixedS[i]!, 1e-12);
      for (let k = 0; k < 3; k++) {
        const movedK = bandK[3 * i + k]! * shareK;
        const movedS = bandS[3 * i + k]! * shareS;
        slips[k]! += movedK + movedS;
        slips[3 * (1 + p) + k]! += movedK + movedS;
        if (at === undefined) continue;
        for (let c = 0; c < endK; c++) moved[3 * c + k]! += movedK * curves[c]![i]!;
        for (let c = firstS; c < corrections; c++) moved[3 * c + k]! += movedS * curves[c - firstS]![i]!;
      }
    }
    if (at === undefined) return;
    for (let c = 0; c < corrections; c++) {
      places.push(at + c);
      slopes.push(moved[3 * c]!, moved[3 * c + 1]!, moved[3 * c + 2]!);
    }
  });
  const paperAt = layout.papers.get(painted.paper.id);
  for (const at of paperAt === undefined ? [layout.habit] : [layout.habit, paperAt]) {
    places.push(at);
    slopes.push(slips[0]!, slips[1]!, slips[2]!);
  }
  const photoAt = photo === null ? undefined : layout.photos.get(photo);
  if (photoAt !== undefined) {
    for (let k = 0; k < 3; k++) {
      places.push(photoAt + k);
      slopes.push(k === 0 ? 1 : 0, k === 1 ? 1 : 0, k === 2 ? 1 : 0);
    }
    const at = (k: number): number => state[photoAt + k]!;
    return {
      lab: { L: lab.L + at(0), a: lab.a + at(1), b: lab.b + at(2) },
      places: Int32Array.from(places),
      slopes: Float64Array.from(slopes),
      slips,
    };
  }
  return { lab, places: Int32Array.from(places), slopes: Float64Array.from(slopes), slips };
}
