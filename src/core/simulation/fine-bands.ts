import { WEIGHT_X, WEIGHT_Y, WEIGHT_Z } from "../colour/cie-tables";
import { BANDS } from "../colour/bands";
import type { Xyz } from "../colour/colour";

/** The bench reckons in bands of 5 nm, 380 to 730 nm: twice as many as the model it puts to the test. */
export const FINE_BANDS = 2 * BANDS - 1;
export const FINE_NM: readonly number[] = Array.from({ length: FINE_BANDS }, (_, i) => 380 + 5 * i);

/**
 * The observer's weights under D65 by 5 nm: those by 10 nm drawn out in straight lines, and scaled so that white stays
 * white.
 */
function drawnOut(weights: ArrayLike<number>): Float64Array {
  const fine = Float64Array.from(FINE_NM, (_, i) =>
    i % 2 === 0 ? weights[i / 2]! : (weights[(i - 1) / 2]! + weights[(i + 1) / 2]!) / 2,
  );
  const total = Array.from(weights).reduce((sum, w) => sum + w, 0);
  const own = fine.reduce((sum, w) => sum + w, 0);
  return fine.map((w) => (w * total) / own);
}

const FINE_X = drawnOut(WEIGHT_X);
const FINE_Y = drawnOut(WEIGHT_Y);
const FINE_Z = drawnOut(WEIGHT_Z);

/** Tristimulus values of a reflectance by 5 nm under D65. */
export function xyzOfFine(reflectance: Float64Array): Xyz {
  let [X, Y, Z] = [0, 0, 0];
  for (let i = 0; i < FINE_BANDS; i++) {
    X += FINE_X[i]! * reflectance[i]!;
    Y += FINE_Y[i]! * reflectance[i]!;
    Z += FINE_Z[i]! * reflectance[i]!;
  }
  return { X, Y, Z };
}
