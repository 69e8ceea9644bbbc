import { BANDS } from "../colour/bands";
import { WEIGHT_X, WEIGHT_Y, WEIGHT_Z, WHITE_D65 } from "../colour/cie-tables";
import type { Lab } from "../colour/colour";
import { labFSlope, labOfXyz } from "../colour/lab";
import { paperUnder } from "../mixing/glaze";
import { layerOverGround } from "../optics/layer";
import { loadOfWater } from "../optics/load";
import { DRY_SURFACE, saunderson } from "../optics/surface";
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

  let [X, Y, Z] = [0, 0, 0];
  const [byK, byS] = [new Float64Array(BANDS), new Float64Array(BANDS)];
  const [mixedK, mixedS] = [new Float64Array(BANDS), new Float64Array(BANDS)];
  for (let i = 0; i < BANDS; i++) {
    for (let p = 0; p < mix.length; p++) {
      mixedK[i]! += shares[p]! * each[p]!.K[i]!;
      mixedS[i]! += shares[p]! * each[p]!.S[i]!;
    }
    const seen = (K: number, S: number): number => {
      let R = 0;
      for (let n = 0; n < loads.length; n++)
        R += weights[n]! * saunderson(layerOverGround(K, S, load * loads[n]!, paper.ground[i]!), DRY_SURFACE);
      return R;
    };
    const [K, S] = [mixedK[i]!, mixedS[i]!];
    const R = seen(K, S);
    byK[i] = (seen(K * (1 + STEP), S) - R) / STEP;
    byS[i] = (seen(K, S * (1 + STEP)) - R) / STEP;
    X += WEIGHT_X[i]! * R;
    Y += WEIGHT_Y[i]! * R;
    Z += WEIGHT_Z[i]! * R;
  }

  const chain = labByXyz(X, Y, Z);
  const lab = labOfXyz({ X, Y, Z });
  // Slopes of the colour by the logarithms of the mix's K and S in each band.
  const [bandK, bandS] = [new Float64Array(3 * BANDS), new Float64Array(3 * BANDS)];
  for (let i = 0; i < BANDS; i++) {
    for (let k = 0; k < 3; k++) {
      const slope = chain[3 * k]! * WEIGHT_X[i]! + chain[3 * k + 1]! * WEIGHT_Y[i]! + chain[3 * k + 2]! * WEIGHT_Z[i]!;
      bandK[3 * i + k] = slope * byK[i]!;
      bandS[3 * i + k] = slope * byS[i]!;
    }
  }

  const slips = new Float64Array(3 * (1 + mix.length));
  const places: number[] = [];
  const slopes: number[] = [];
  mix.forEach(({ paint }, p) => {
    const at = layout.paints.get(paint.id);
    const corrections = new Float64Array(3 * CORRECTIONS);
    for (let i = 0; i < BANDS; i++) {
      const ofK = (shares[p]! * each[p]!.K[i]!) / Math.max(mixedK[i]!, 1e-12);
      const ofS = (shares[p]! * each[p]!.S[i]!) / Math.max(mixedS[i]!, 1e-12);
      for (let k = 0; k < 3; k++) {
        const [movedK, movedS] = [bandK[3 * i + k]! * ofK, bandS[3 * i + k]! * ofS];
        slips[k]! += movedK + movedS;
        slips[3 * (1 + p) + k]! += movedK + movedS;
        if (at === undefined) continue;
        for (let c = 0; c < K_CORRECTIONS; c++) corrections[3 * c + k]! += movedK * CURVES[c]![i]!;
        for (let c = FIRST_S; c < CORRECTIONS; c++) corrections[3 * c + k]! += movedS * CURVES[c - FIRST_S]![i]!;
      }
    }
    if (at === undefined) return;
    for (let c = 0; c < CORRECTIONS; c++) {
      places.push(at + c);
      slopes.push(corrections[3 * c]!, corrections[3 * c + 1]!, corrections[3 * c + 2]!);
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
