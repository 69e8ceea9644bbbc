import type { Lab, Rgb } from "../colour/colour";
import { BLOCKED_BYTE, BURNT_BYTE, labOfLinear, LINEAR, type PixelArray } from "./pixels";
import { AS_IT_IS, type WhiteMatrix } from "./white";

/** The colour of a round patch of a photo. */
export interface Sample {
  readonly lab: Lab;
  /** Mean linear light of the patch as the photo has it, before any white correction. */
  readonly linear: Rgb;
  /** Pixels that were averaged. */
  readonly pixels: number;
  /** Share of them, 0 to 1, that are burnt out (a channel at 254 or more) or blocked (all at 1 or less). */
  readonly untrusted: number;
}

/**
 * Mean colour of the pixels whose centres lie within `radiusPx` of a point, averaged in linear
 * light, as light itself adds. A radius below half a pixel reads the one pixel under the point.
 * Throws a RangeError when the point lies outside the photo.
 * @param x, y in pixels from the top left corner; pixel (0, 0) covers 0 to 1
 */
export function samplePhoto(
  photo: PixelArray,
  x: number,
  y: number,
  radiusPx: number,
  white: WhiteMatrix = AS_IT_IS,
): Sample {
  const { data, width, height } = photo;
  if (!(x >= 0 && y >= 0 && x <= width && y <= height)) throw new RangeError("The point lies outside the photo.");
  const column = Math.min(width - 1, Math.floor(x));
  const row = Math.min(height - 1, Math.floor(y));
  const reach = Math.ceil(radiusPx);
  let r = 0;
  let g = 0;
  let b = 0;
  let pixels = 0;
  let untrusted = 0;
  for (let j = Math.max(0, row - reach); j <= Math.min(height - 1, row + reach); j++) {
    for (let i = Math.max(0, column - reach); i <= Math.min(width - 1, column + reach); i++) {
      const under = i === column && j === row;
      if (!under && Math.hypot(i + 0.5 - x, j + 0.5 - y) > radiusPx) continue;
      const at = 4 * (j * width + i);
      r += LINEAR[data[at]!]!;
      g += LINEAR[data[at + 1]!]!;
      b += LINEAR[data[at + 2]!]!;
      pixels++;
      const high = Math.max(data[at]!, data[at + 1]!, data[at + 2]!);
      if (high >= BURNT_BYTE || high <= BLOCKED_BYTE) untrusted++;
    }
  }
  const linear = { r: r / pixels, g: g / pixels, b: b / pixels };
  return { lab: labOfLinear(linear, white), linear, pixels, untrusted: untrusted / pixels };
}
