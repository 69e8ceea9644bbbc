import type { Lab, Rgb } from "../colour/colour";
import { linearSrgbOfLinearP3, xyzOfLinearP3 } from "../colour/display-p3";
import { labOfXyz } from "../colour/lab";
import { linearSrgbOfOklab, oklabOfLab, oklabOfLinearSrgb } from "../colour/oklab";
import { xyzOfLinearSrgb } from "../colour/srgb";
import { temperatureOf } from "../colour/describe";
import { stepGrey, stepOf } from "./value-steps";

/** The ways of seeing a photo that change each pixel by itself. */
export type ViewKind = "plain" | "values" | "heightened" | "temperature" | "hue";

export interface View {
  readonly kind: ViewKind;
  /** Steps of the value view; 0 is a grey for every value. */
  readonly steps: number;
}

/** How much the heightened view raises OKLab chroma. Chosen by eye: greys show their lean and nothing glares. */
export const HEIGHTENING = 2.6;
/** The hue view's lightness and chroma in OKLab: every hue can be shown with these in sRGB. From memory. */
export const HUE_LIGHTNESS = 0.7;
export const HUE_CHROMA = 0.115;
/** OKLab chroma from which a colour has a hue that can be told, and below which it has none. From memory. */
export const HUE_SEEN: readonly [number, number] = [0.006, 0.02];
/** OKLab a and b of the warm pole and of the cool pole in the temperature map, for a temperature of 60. */
export const WARM_AB: readonly [number, number] = [0.085, 0.092];
export const COOL_AB: readonly [number, number] = [-0.075, -0.081];
export const FULL_TEMPERATURE = 60;

const inScreen = ({ r, g, b }: Rgb): boolean => Math.min(r, g, b) >= -0.0005 && Math.max(r, g, b) <= 1.0005;

/** Bisection steps when chroma has to give way; the shader takes as many. */
export const CHROMA_STEPS = 10;

/** Linear sRGB of an OKLab colour, its chroma lowered until the screen can show it; lightness and hue stay. */
function shown(L: number, a: number, b: number): Rgb {
  const whole = linearSrgbOfOklab({ L, a, b });
  if (inScreen(whole)) return whole;
  let low = 0;
  let high = 1;
  for (let i = 0; i < CHROMA_STEPS; i++) {
    const share = (low + high) / 2;
    if (inScreen(linearSrgbOfOklab({ L, a: a * share, b: b * share }))) low = share;
    else high = share;
  }
  return linearSrgbOfOklab({ L, a: a * low, b: b * low });
}

/** A colour's temperature at its own lightness: orange for warm, blue for cool, grey between. Linear sRGB. */
function warmthOf(okL: number, temperature: number): Rgb {
  const strength = Math.min(1.2, Math.abs(temperature) / FULL_TEMPERATURE);
  const [a, b] = temperature > 0 ? WARM_AB : COOL_AB;
  return shown(okL, a * strength, b * strength);
}

/** What the temperature view shows a colour as. */
export const warmthLab = (lab: Lab): Lab => labOfXyz(xyzOfLinearSrgb(warmthOf(oklabOfLab(lab).L, temperatureOf(lab))));

const smooth = (low: number, high: number, x: number): number => {
  const t = Math.min(1, Math.max(0, (x - low) / (high - low)));
  return t * t * (3 - 2 * t);
};

/**
 * What a view shows for a colour: linear sRGB for the screen, unclipped.
 * @param light linear Display P3, after the white correction
 */
export function seen(light: Rgb, view: View): Rgb {
  if (view.kind === "plain") return linearSrgbOfLinearP3(light);
  const xyz = xyzOfLinearP3(light);
  if (view.kind === "values") {
    const grey = view.steps > 0 ? stepGrey(stepOf(xyz.Y, view.steps), view.steps) : xyz.Y;
    return { r: grey, g: grey, b: grey };
  }
  const ok = oklabOfLinearSrgb(linearSrgbOfLinearP3(light));
  if (view.kind === "heightened") return shown(ok.L, HEIGHTENING * ok.a, HEIGHTENING * ok.b);
  if (view.kind === "temperature") return warmthOf(ok.L, temperatureOf(labOfXyz(xyz)));
  const chroma = Math.hypot(ok.a, ok.b);
  const share = (smooth(HUE_SEEN[0], HUE_SEEN[1], chroma) * HUE_CHROMA) / Math.max(chroma, 1e-6);
  return shown(HUE_LIGHTNESS, ok.a * share, ok.b * share);
}
