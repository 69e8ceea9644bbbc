import { WHITE_D65 } from "./cie-tables";
import type { Lab, Lch, Xyz } from "./colour";

const EPSILON = 216 / 24389; // CIE 15: exact rational form of 0.008856
const KAPPA = 24389 / 27; // CIE 15: exact rational form of 903.3

/** The CIELAB compression of a ratio to white: cube root with a linear foot (CIE 15). */
export function labF(t: number): number {
  return t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116;
}

/** Slope of {@link labF}. */
export function labFSlope(t: number): number {
  if (t <= EPSILON) return KAPPA / 116;
  const root = Math.cbrt(t);
  return 1 / (3 * root * root);
}

/** The way back from {@link labF}. */
export function labFInverse(f: number): number {
  const cube = f * f * f;
  return cube > EPSILON ? cube : (116 * f - 16) / KAPPA;
}

/** Lightness L* of a luminance relative to white, 0 to 1 (CIE 15). */
export const lightnessOfLuminance = (Y: number): number => 116 * labF(Y) - 16;

/** CIELAB of tristimulus values, relative to D65. */
export function labOfXyz({ X, Y, Z }: Xyz): Lab {
  const fx = labF(X / WHITE_D65[0]);
  const fy = labF(Y);
  const fz = labF(Z / WHITE_D65[2]);
  return { L: 116 * fy - 16, a: 500 * (fx - fy), b: 200 * (fy - fz) };
}

/** Tristimulus values of a CIELAB colour relative to D65. */
export function xyzOfLab({ L, a, b }: Lab): Xyz {
  const fy = (L + 16) / 116;
  return {
    X: WHITE_D65[0] * labFInverse(fy + a / 500),
    Y: labFInverse(fy),
    Z: WHITE_D65[2] * labFInverse(fy - b / 200),
  };
}

/** Chroma and hue angle (degrees) of a CIELAB colour. */
export function lchOfLab({ L, a, b }: Lab): Lch {
  const h = (Math.atan2(b, a) * 180) / Math.PI;
  return { L, C: Math.hypot(a, b), h: h < 0 ? h + 360 : h };
}

/** How far two hue angles lie from each other, 0 to 180 degrees, the shorter way round. */
export const hueApart = (one: number, two: number): number => Math.abs(((one - two + 540) % 360) - 180);
