import type { Lab, Rgb } from "./colour";
import { xyzOfLab } from "./lab";
import { linearSrgbOfOklab, oklabOfLinearSrgb } from "./oklab";
import { linearSrgbOfXyz, srgbOfLinear } from "./srgb";

/** A colour made ready for the screen. `mapped` is true when the screen can't show it as it is. */
export interface ScreenColour {
  /** Encoded sRGB, each channel 0 to 1. */
  readonly rgb: Rgb;
  readonly mapped: boolean;
  /** `#rrggbb` */
  readonly hex: string;
}

const inGamut = ({ r, g, b }: Rgb, slack: number): boolean =>
  Math.min(r, g, b) >= -slack && Math.max(r, g, b) <= 1 + slack;

const clip = (x: number): number => Math.min(1, Math.max(0, x));

const hexByte = (x: number): string =>
  Math.round(clip(x) * 255)
    .toString(16)
    .padStart(2, "0");

const clipped = ({ r, g, b }: Rgb): Rgb => ({ r: clip(r), g: clip(g), b: clip(b) });

/** A clipped colour this near (OKLab distance) to the unclipped one passes for it: CSS Color 4. */
const JUST_NOTICEABLE_OK = 0.02;

/**
 * sRGB for a Lab colour. Colours outside sRGB keep their OKLab lightness and hue and lose chroma
 * until clipping them is hardly noticeable: CSS Color 4 (W3C), gamut mapping with local clip, by bisection.
 */
export function screenColourOfLab(lab: Lab): ScreenColour {
  let linear = linearSrgbOfXyz(xyzOfLab(lab));
  const mapped = !inGamut(linear, 0.0005);
  if (mapped) {
    const ok = oklabOfLinearSrgb(linear);
    const L = clip(ok.L);
    let low = 0;
    let high = 1;
    linear = clipped(linear);
    for (let i = 0; i < 24; i++) {
      const share = (low + high) / 2;
      const wanted = { L, a: ok.a * share, b: ok.b * share };
      const shown = clipped(linearSrgbOfOklab(wanted));
      const got = oklabOfLinearSrgb(shown);
      if (Math.hypot(got.L - wanted.L, got.a - wanted.a, got.b - wanted.b) < JUST_NOTICEABLE_OK) {
        low = share;
        linear = shown;
      } else high = share;
    }
  }
  const rgb = clipped({ r: srgbOfLinear(linear.r), g: srgbOfLinear(linear.g), b: srgbOfLinear(linear.b) });
  return { rgb, mapped, hex: `#${hexByte(rgb.r)}${hexByte(rgb.g)}${hexByte(rgb.b)}` };
}
