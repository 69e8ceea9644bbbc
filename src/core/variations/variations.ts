import { HARDLY_SEEN, SAME_VALUE } from "../colour/thresholds";
import { describeColour } from "../colour/describe";
import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { strongestOf, type PaintModel } from "../mixing/paint";
import { isCountable, TOUCH } from "../mixing/parts";
import { predict, type MixPart } from "../mixing/predict";
import { loadOfWater, waterUpTo, type Load, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";

/** A mix as it is laid, and what it comes to when dry. */
export interface LaidMix {
  readonly mix: readonly MixPart[];
  readonly waterParts: WaterParts;
  readonly dry: Lab;
  /** Munsell value. */
  readonly value: number;
  readonly chroma: number;
  /** Signed: warm above 0. */
  readonly temperature: number;
}

/** A mix of the same value, come by from another one by more or less of one paint. */
export interface Variation extends LaidMix {
  /** The paint of which more or less is taken, and how many parts of it are added to the puddle; below 0 left out. */
  readonly paint: PaintModel;
  readonly added: number;
  /** CIEDE2000 from the mix it started from. */
  readonly difference: number;
}

/** More paints than this in one mix are mud sooner than a variation. Common practice, no source. */
const MOST_PAINTS = 3;
/** What is added to a puddle, or left out of it where it holds as much, parts. */
const ADDED = [TOUCH, 1, 2, 3, 4] as const;
const LEFT_OUT = [-1, -2, -3, -4] as const;
/** A puddle counted finer, so that less than a part of it can be added. */
const FINER = [1, 2, 3] as const;

/** A mix at a dilution, predicted. */
export function laidMix(mix: readonly MixPart[], waterParts: WaterParts, paper: Paper): LaidMix {
  const { dry } = predict(mix, loadOfWater(waterParts), paper);
  const { value, chroma, temperature } = describeColour(dry);
  return { mix, waterParts, dry, value, chroma, temperature };
}

/** The same mix at the countable water that brings it nearest to a value; null if none comes within SAME_VALUE. */
export function atValue(mix: readonly MixPart[], value: number, strongest: Load, paper: Paper): LaidMix | null {
  // More water is a lighter wash: the countable ratios are halved until two of them hold the value between them.
  const waters = waterUpTo(Math.min(strongest, strongestOf(mix.map(({ paint }) => paint))));
  let [low, high] = [0, waters.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (laidMix(mix, waters[middle]!, paper).value < value) low = middle;
    else high = middle;
  }
  const [one, two] = [laidMix(mix, waters[low] ?? 0, paper), laidMix(mix, waters[high] ?? 0, paper)];
  const nearest = Math.abs(one.value - value) <= Math.abs(two.value - value) ? one : two;
  return Math.abs(nearest.value - value) <= SAME_VALUE ? nearest : null;
}

/** A mix with some parts more or less of a paint; what comes to nothing is left out. */
const withMore = (mix: readonly MixPart[], paint: PaintModel, added: number): readonly MixPart[] =>
  mix.some((part) => part.paint.id === paint.id)
    ? mix
        .map((part) => (part.paint.id === paint.id ? { ...part, parts: part.parts + added } : part))
        .filter(({ parts }) => parts !== 0)
    : [...mix, { paint, parts: added }];

/**
 * All mixes that a little more or less of one paint makes of a puddle at the same value (within SAME_VALUE): of a paint
 * that is in it, or more of another one while it has fewer than three. Each differs from the puddle by more than is
 * overlooked.
 * @param paints what may be added
 * @param strongest load that can be laid at the wash's size
 */
export function variationsOf(
  mix: readonly MixPart[],
  waterParts: WaterParts,
  paints: readonly PaintModel[],
  strongest: Load,
  paper: Paper,
): readonly Variation[] {
  const from = laidMix(mix, waterParts, paper);
  const limit = Math.max(strongest, loadOfWater(waterParts));
  const found = new Map<string, Variation>();
  for (const paint of paints) {
    const within = mix.some((part) => part.paint.id === paint.id);
    if (!within && mix.length >= MOST_PAINTS) continue;
    if (within && mix.length === 1) continue;
    for (const finer of FINER) {
      for (const added of within ? [...ADDED, ...LEFT_OUT] : ADDED) {
        const counted = mix.map((part) => ({ ...part, parts: part.parts * finer }));
        const next = withMore(counted, paint, added);
        if (next.some(({ parts }) => parts < 0) || !isCountable(next.map(({ parts }) => parts))) continue;
        const total = next.reduce((sum, { parts }) => sum + parts, 0);
        const key = next.map(({ paint: { id }, parts }) => `${id} ${(parts / total).toFixed(4)}`).join();
        if (found.has(key)) continue;
        const laid = atValue(next, from.value, limit, paper);
        if (!laid) continue;
        const difference = deltaE00(from.dry, laid.dry);
        if (difference >= HARDLY_SEEN) found.set(key, { ...laid, paint, added, difference });
      }
    }
  }
  return [...found.values()];
}
