import { srgbOfLinear } from "@/core/colour/srgb";

/** Encoded bytes at 4096 steps of light and one beyond. */
const ENCODED = Float32Array.from({ length: 4097 }, (_, i) => 255 * srgbOfLinear(i / 4096));

/**
 * Encoded sRGB of one linear channel, 0 to 255 and not yet whole; light beyond 0 to 1 is cut. Read off a table, within
 * 0.005 of the formula.
 */
export function encodedSrgb(light: number): number {
  const at = 4096 * Math.min(1, Math.max(0, light));
  const i = Math.min(4095, Math.floor(at));
  return ENCODED[i]! + (at - i) * (ENCODED[i + 1]! - ENCODED[i]!);
}
