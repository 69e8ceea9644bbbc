import { lightnessOfLuminance } from "./lab";

/**
 * Luminous reflectance Y (0 to 1) of a Munsell value V (0 to 10): the quintic of ASTM D1535-08,
 * which is the OSA polynomial of 1943 taken from magnesium oxide to the perfect diffuser.
 */
export function luminanceOfValue(V: number): number {
  return (V * (1.1914 + V * (-0.22533 + V * (0.23352 + V * (-0.020484 + V * 0.00081939))))) / 100;
}

/** CIELAB lightness L* of a Munsell value, both relative to the perfect diffuser. */
export const lightnessOfValue = (V: number): number => lightnessOfLuminance(luminanceOfValue(V));

/**
 * Munsell value (0 to 10) of a luminous reflectance Y (0 to 1), by inverting the quintic of
 * ASTM D1535 (Newton's method; it is monotone on 0 to 10). Y outside 0 to 1 is clamped.
 */
export function valueOfLuminance(Y: number): number {
  const y = Math.min(1, Math.max(0, Y)) * 100;
  let V = 10 * Math.sqrt(y / 100);
  for (let i = 0; i < 40; i++) {
    const slope = 1.1914 + V * (-0.45066 + V * (0.70056 + V * (-0.081936 + V * 0.00409695)));
    const step = (luminanceOfValue(V) * 100 - y) / slope;
    V -= step;
    if (Math.abs(step) < 1e-12) break;
  }
  return Math.min(10, Math.max(0, V));
}
