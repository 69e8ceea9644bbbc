import { WHITE_D65 } from "./cie-tables";
import type { Rgb, Xyz } from "./colour";

// IEC 61966-2-1 (sRGB). The matrix belongs to the white 0.95047, 1, 1.08883; WHITE_D65 here is the
// sum of the 10 nm tables, so X and Z are scaled by the small ratio between the two whites.
const SRGB_WHITE_X = 0.9504559270516716;
const SRGB_WHITE_Z = 1.0890577507598784;
const TO_X = WHITE_D65[0] / SRGB_WHITE_X;
const TO_Z = WHITE_D65[2] / SRGB_WHITE_Z;

/** Linear light of one encoded sRGB channel, 0 to 1 (IEC 61966-2-1). */
export function linearOfSrgb(encoded: number): number {
  const c = Math.abs(encoded);
  const linear = c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  return encoded < 0 ? -linear : linear;
}

/** Encoded sRGB of one linear channel, 0 to 1; negative values mirror (IEC 61966-2-1). */
export function srgbOfLinear(linear: number): number {
  const c = Math.abs(linear);
  const encoded = c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055;
  return linear < 0 ? -encoded : encoded;
}

/** Tristimulus values of linear sRGB. White maps to this project's D65 white exactly. */
export function xyzOfLinearSrgb({ r, g, b }: Rgb): Xyz {
  return {
    X: TO_X * (0.41239079926595934 * r + 0.357584339383878 * g + 0.1804807884018343 * b),
    Y: 0.21263900587151027 * r + 0.715168678767756 * g + 0.07219231536073371 * b,
    Z: TO_Z * (0.01933081871559182 * r + 0.11919477979462598 * g + 0.9505321522496607 * b),
  };
}

/** Linear sRGB of tristimulus values; channels outside 0 to 1 are outside the screen's gamut. */
export function linearSrgbOfXyz(xyz: Xyz): Rgb {
  const X = xyz.X / TO_X;
  const Y = xyz.Y;
  const Z = xyz.Z / TO_Z;
  return {
    r: 3.2409699419045226 * X - 1.537383177570094 * Y - 0.4986107602930034 * Z,
    g: -0.9692436362808796 * X + 1.8759675015077202 * Y + 0.04155505740717559 * Z,
    b: 0.05563007969699366 * X - 0.20397695888897652 * Y + 1.0569715142428786 * Z,
  };
}
