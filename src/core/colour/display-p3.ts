import type { Rgb, Xyz } from "./colour";
import { xyzOfLinearSrgb, linearSrgbOfXyz } from "./srgb";

// Display P3 (SMPTE RP 431-2 primaries, D65 white, the transfer curve of sRGB): the matrices
// between its linear light and linear sRGB, from CSS Color 4's rational ones.
const TO_SRGB = [
  1.2249401762805598, -0.22494017628055996, 0, -0.04205695470968816, 1.0420569547096883, 0, -0.019637554590334432,
  -0.07863604555063188, 1.0982736001409663,
] as const;
const FROM_SRGB = [
  0.8224619687143623, 0.17753803128563775, 0, 0.033194198850956826, 0.9668058011490431, 0, 0.01708263072112003,
  0.07239744066396346, 0.9105199286149165,
] as const;

const times = (m: readonly number[], { r, g, b }: Rgb): Rgb => ({
  r: m[0]! * r + m[1]! * g + m[2]! * b,
  g: m[3]! * r + m[4]! * g + m[5]! * b,
  b: m[6]! * r + m[7]! * g + m[8]! * b,
});

/** Linear sRGB of linear Display P3; channels fall outside 0 to 1 for colours that sRGB lacks. */
export const linearSrgbOfLinearP3 = (p3: Rgb): Rgb => times(TO_SRGB, p3);

/** Linear Display P3 of linear sRGB. */
export const linearP3OfLinearSrgb = (srgb: Rgb): Rgb => times(FROM_SRGB, srgb);

/** Tristimulus values of linear Display P3. White maps to this project's D65 white exactly. */
export const xyzOfLinearP3 = (p3: Rgb): Xyz => xyzOfLinearSrgb(linearSrgbOfLinearP3(p3));

/** Linear Display P3 of tristimulus values. */
export const linearP3OfXyz = (xyz: Xyz): Rgb => linearP3OfLinearSrgb(linearSrgbOfXyz(xyz));
