import { layerOverGround } from "../optics/layer";
import type { Load } from "../optics/load";
import type { Pigment } from "./handbook";
import type { Optics } from "./optics";
import { FAMILIES } from "./record";

/**
 * A wash thin enough that twice the paint takes nearly twice the light, and a white sheet under it (internal
 * reflectance).
 */
const THIN: Load = 0.03;
const WHITE = 0.86;

/**
 * Light that a thin wash takes from a white sheet: mean optical density over the bands; what scatters gives some back.
 */
const thinDensity = ({ K, S }: Optics): number =>
  K.reduce((sum, k, i) => sum - Math.log10(layerOverGround(k, S[i]!, THIN, WHITE) / WHITE), 0) / K.length;

/**
 * Tinting strength: how much colour a thin wash of a paint brings to white paper, against ultramarine = 1. It is told
 * by K and S in a film, so that a paint that covers isn't taken for one that colours; 0 for whites.
 */
export function tintingStrengthOf(optics: Optics, ultramarine: Optics): number {
  return Math.max(0, thinDensity(optics) / thinDensity(ultramarine));
}

/**
 * Hue order for a list: round the wheel from greenish yellow, then earths, blacks, whites. `hueDegrees` of a middle
 * wash.
 */
export function hueOrder(
  a: { pigment: Pigment; hueDegrees: number },
  b: { pigment: Pigment; hueDegrees: number },
): number {
  const coloured = (family: Pigment["family"]): boolean => FAMILIES.indexOf(family) < FAMILIES.indexOf("earth");
  const [one, two] = [coloured(a.pigment.family), coloured(b.pigment.family)];
  // From 115 degrees (greenish yellow) down through orange and red, violet and blue, to green.
  const turn = (hue: number): number => (115 - hue + 720) % 360;
  if (one && two) return turn(a.hueDegrees) - turn(b.hueDegrees);
  if (one !== two) return one ? -1 : 1;
  return (
    FAMILIES.indexOf(a.pigment.family) - FAMILIES.indexOf(b.pigment.family) || turn(a.hueDegrees) - turn(b.hueDegrees)
  );
}
