import type { Pigment } from "./handbook";
import type { Optics } from "./optics";
import { FAMILIES } from "./record";

/** Mean absorption over the bands, at masstone load. */
const meanK = ({ K }: Optics): number => K.reduce((sum, k) => sum + k, 0) / K.length;

/**
 * Tinting strength: how much colour a paint of this pigment brings, against ultramarine = 1.
 * Computed from the typical optics, so it never contradicts them.
 */
export function tintingStrengthOf(optics: Optics, ultramarine: Optics): number {
  return meanK(optics) / meanK(ultramarine);
}

/** Hue order for a list: round the wheel from greenish yellow, then earths, blacks, whites. `hueDegrees` of a middle wash. */
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
