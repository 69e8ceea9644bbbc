import { BANDS, type Reflectance } from "./bands";
import { WEIGHT_X, WEIGHT_Y, WEIGHT_Z } from "./cie-tables";
import type { Xyz } from "./colour";

/** Tristimulus values of a reflectance under D65 for the CIE 1931 2 degree observer (sum over bands). */
export function xyzOfReflectance(reflectance: Reflectance): Xyz {
  let X = 0;
  let Y = 0;
  let Z = 0;
  for (let i = 0; i < BANDS; i++) {
    X += WEIGHT_X[i]! * reflectance[i]!;
    Y += WEIGHT_Y[i]! * reflectance[i]!;
    Z += WEIGHT_Z[i]! * reflectance[i]!;
  }
  return { X, Y, Z };
}
