import { BANDS, type Reflectance } from "./bands";
import { WEIGHT_X, WEIGHT_Y, WEIGHT_Z } from "./cie-tables";
import type { Xyz } from "./colour";

/** Tristimulus values of a reflectance under D65 for the CIE 1931 2 degree observer (sum over bands). */
export function xyzOfReflectance(reflectance: Reflectance): Xyz {
  const [weightX, weightY, weightZ] = [WEIGHT_X, WEIGHT_Y, WEIGHT_Z];
  let X = 0;
  let Y = 0;
  let Z = 0;
  for (let i = 0, bands = BANDS; i < bands; i++) {
    const r = reflectance[i]!;
    X += weightX[i]! * r;
    Y += weightY[i]! * r;
    Z += weightZ[i]! * r;
  }
  return { X, Y, Z };
}
