import type { Lab } from "../colour/colour";
import { lightnessOfLuminance } from "../colour/lab";
import type { Load } from "../optics/load";
import { PAPERS, type Paper } from "../optics/paper";
import type { Optics } from "../pigments/optics";
import { strongestOf, type PaintModel } from "./paint";
import { predict, type MixPart } from "./predict";

/**
 * Colour difference of a tint after the whole of the test, CIELAB (1976), by lightfastness class: the least and the
 * most that the class allows, and its middle. ASTM D4303 and D5067, from memory; class V has no end, 40 is taken.
 */
const CHANGE_BY_CLASS: readonly { readonly least: number; readonly likely: number; readonly most: number }[] = [
  { least: 0.5, likely: 2, most: 4 },
  { least: 4, likely: 6, most: 8 },
  { least: 8, likely: 12, most: 16 },
  { least: 16, likely: 20, most: 24 },
  { least: 24, likely: 30, most: 40 },
];
/** The tint of the test reflects so much. ASTM D4303, from memory. */
const TEST_LIGHTNESS = lightnessOfLuminance(0.4);
/**
 * Light of the whole test, million lux hours: 1260 MJ/m² of daylight through glass (ASTM D4303, from memory) at
 * 110 lm/W (from memory).
 */
export const TEST_MLXH = 38;
/** However much light there is, so little of a paint is left for certain. From memory. */
const LEAST_LEFT = 0.02;

/** Where a painting hangs, and its light in a year, million lux hours, ten hours a day. From memory. */
export const HANGS = { window: 3, room: 0.7, book: 0.01 } as const;
export type Hangs = keyof typeof HANGS;

/** How a class is taken: by its middle, or by its least and most change. */
export type Fading = "least" | "likely" | "most";

const paper = PAPERS[0];
const tintOf = (paint: PaintModel, load: Load): Lab => predict([{ paint, parts: 1 }], load, paper).dry;
const apart = (one: Lab, other: Lab): number => Math.hypot(one.L - other.L, one.a - other.a, one.b - other.b);

/** The middle of a span that a rising function crosses, by bisection on the logarithm. */
function crossing(from: number, to: number, isBelow: (x: number) => boolean): number {
  let [low, high] = [from, to];
  for (let i = 0; i < 40; i++) {
    const middle = Math.sqrt(low * high);
    if (isBelow(middle)) low = middle;
    else high = middle;
  }
  return Math.sqrt(low * high);
}

const rates = new WeakMap<Optics, Map<string, number>>();

/** Share of a paint's logarithm that a million lux hours take: it decays as what is left of it (first order). */
function rateOf(paint: PaintModel, fading: Fading): number {
  const known = rates.get(paint.optics) ?? new Map<string, number>();
  rates.set(paint.optics, known);
  const key = `${paint.lightClass} ${fading}`;
  let rate = known.get(key);
  if (rate === undefined) {
    const load = crossing(0.005, 1, (x) => tintOf(paint, x).L > TEST_LIGHTNESS);
    const tint = tintOf(paint, load);
    const change = CHANGE_BY_CLASS[paint.lightClass - 1]![fading];
    const left = crossing(LEAST_LEFT, 1, (share) => apart(tint, tintOf(paint, load * share)) > change);
    rate = -Math.log(left) / TEST_MLXH;
    known.set(key, rate);
  }
  return rate;
}

/** Share of a paint that light leaves. */
export const leftAfter = (paint: PaintModel, mlxh: number, fading: Fading): number =>
  Math.max(LEAST_LEFT, Math.exp(-rateOf(paint, fading) * mlxh));

/**
 * A dried mix after some light: of each paint what its class leaves, on the same paper. An estimate: a class is a span,
 * tints fade by their light and not by years, and glass, damp and paper have their say.
 * @param mlxh million lux hours
 */
export function fadedMix(mix: readonly MixPart[], load: Load, ground: Paper, mlxh: number, fading: Fading): Lab {
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  const left = mix.map(({ paint, parts }) => ({ paint, parts: parts * leftAfter(paint, mlxh, fading) }));
  const remains = left.reduce((sum, { parts }) => sum + parts, 0);
  return predict(left, (load * remains) / total, ground).dry;
}

/** A lasting paint in the place of one that fades. */
export interface Substitute {
  readonly paint: PaintModel;
  /** The whole mix with it, in parts. */
  readonly mix: readonly MixPart[];
  readonly load: Load;
  readonly dry: Lab;
}

/** Classes that last: I and II. Common practice, no source. */
const LASTING_CLASS = 2;
/** Parts of the new paint beside those of the old one, and strengths beside the old: as a hand can count them. */
const RATIOS = [0.25, 0.5, 0.75, 1, 1.5, 2, 3, 4] as const;
const STRENGTHS = [0.6, 0.75, 0.9, 1, 1.15, 1.35, 1.7] as const;

/**
 * Of some paints that last the one that changes a mix least when it takes the place of one that fades, with the parts
 * and strength at which it does; null when none of them lasts.
 * @param differ how far two colours are apart
 */
export function lastingSubstitute(
  mix: readonly MixPart[],
  load: Load,
  ground: Paper,
  fades: string,
  among: readonly PaintModel[],
  differ: (one: Lab, other: Lab) => number,
): Substitute | null {
  const meant = predict(mix, load, ground).dry;
  let best: Substitute | null = null;
  let nearest = Infinity;
  for (const paint of among) {
    if (paint.lightClass > LASTING_CLASS || mix.some((part) => part.paint.id === paint.id)) continue;
    for (const ratio of RATIOS) {
      const next = mix.map((part) => (part.paint.id === fades ? { paint, parts: part.parts * ratio } : part));
      const strongest = strongestOf(next.map((part) => part.paint));
      for (const strength of STRENGTHS) {
        const laid = Math.min(strongest, load * strength);
        const { dry } = predict(next, laid, ground);
        const away = differ(meant, dry);
        if (away < nearest) {
          nearest = away;
          best = { paint, mix: next, load: laid, dry };
        }
      }
      // One paint alone has no ratio.
      if (mix.length === 1) break;
    }
  }
  return best;
}
