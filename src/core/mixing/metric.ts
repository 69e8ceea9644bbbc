import { deltaE00Of } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { temperatureOf } from "../colour/describe";
import type { Hand } from "./hand";
import type { PaintModel } from "./paint";
import type { Taste } from "./taste";

/** How a mix is judged against a target. */
export interface MixMetric {
  /** How much a difference in value counts against one in hue or chroma. */
  readonly valueWeight: number;
  /** Values and contrast are kept, hues may follow the palette. */
  readonly freeHue: boolean;
  /** The hand that mixes it, whose scatter is part of the error; left out for one that never errs. */
  readonly hand?: Hand;
  /**
   * How near is near enough, dE00: what is well below it hardly counts when palettes are chosen; left out, everything
   * does.
   */
  readonly nearEnough?: number;
  /** How much the effort of mixing counts; 1 where left out. */
  readonly effort?: number;
  /** What it is worth, dE00, to leave a paint out of a mix: 0 unless the painter's school frowns on it. */
  readonly reluctance?: (paint: PaintModel) => number;
  /** What the painter likes less or would rather spare, see taste.ts; left out, all paints are liked alike. */
  readonly taste?: (paint: PaintModel) => Taste;
}

export const fullMetric = (valueWeight: number): MixMetric => ({ valueWeight, freeHue: false });

/**
 * With hues free, how much a difference in chroma still counts (a bright area stays bright against
 * dull ones), and one in temperature (what is warm beside cool stays so: the harmony of the photo). From memory.
 */
export const FREE_HUE = { chroma: 0.5, temperature: 0.25 } as const;

/** CIE 116-1995 (CIE94) weights of chroma and hue around a colour. */
export const chromaScale = (C: number): number => 1 / (1 + 0.045 * C);
export const hueScale = (C: number): number => 1 / (1 + 0.015 * C);

/**
 * Difference of a mix from a target as the metric judges it: CIEDE2000 with the value weight, or with hues free value,
 * chroma and temperature.
 */
export function judged(
  target: Lab,
  L: number,
  a: number,
  b: number,
  { valueWeight, freeHue }: Pick<MixMetric, "valueWeight" | "freeHue">,
): number {
  if (!freeHue) return deltaE00Of(target.L, target.a, target.b, L, a, b, 1 / valueWeight);
  const C = Math.hypot(target.a, target.b);
  const scale = chromaScale(C);
  const chroma = FREE_HUE.chroma * scale * (Math.hypot(a, b) - C);
  const temperature = FREE_HUE.temperature * scale * (temperatureOf({ L, a, b }) - temperatureOf(target));
  return Math.hypot(valueWeight * (L - target.L), chroma, temperature);
}

/**
 * The three differences whose squares a mix is judged by: value, chroma and hue (CIE94's weights), or with hues free
 * temperature in the place of hue.
 */
export function residuals(
  target: Lab,
  metric: MixMetric,
  L: number,
  a: number,
  b: number,
  out: Float64Array,
  at: number,
): void {
  // Roots by themselves: a hypotenuse that minds overflow takes several times as long.
  const C = Math.sqrt(target.a * target.a + target.b * target.b);
  const own = Math.sqrt(a * a + b * b);
  out[at] = metric.valueWeight * (L - target.L);
  if (metric.freeHue) {
    out[at + 1] = FREE_HUE.chroma * chromaScale(C) * (own - C);
    out[at + 2] = FREE_HUE.temperature * chromaScale(C) * (temperatureOf({ L, a, b }) - temperatureOf(target));
    return;
  }
  out[at + 1] = chromaScale(C) * (own - C);
  // Signed difference in hue: the chord between the two, without what is chroma.
  const cross = target.a * b - target.b * a;
  const chord = Math.max(0, (a - target.a) ** 2 + (b - target.b) ** 2 - (own - C) ** 2);
  out[at + 2] = hueScale(C) * Math.sign(cross) * Math.sqrt(chord);
}
