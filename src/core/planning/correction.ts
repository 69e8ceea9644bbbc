import { READ_VALUE } from "../colour/thresholds";
import { describeColour } from "../colour/describe";
import type { Lab } from "../colour/colour";
import { strongestOf } from "../mixing/paint";
import { predict, type MixPart } from "../mixing/predict";
import { MOST_LAYERS } from "../mixing/workable";
import { loadOfWater, MIN_LOAD, waterOfLoad, type Load, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";

/** What a tested swatch makes of its recipe. */
export interface Correction {
  /** How much paint to take for what was taken: 1.33 is a third more. */
  readonly paint: number;
  /** The recipe's water then; null where one puddle can't be that strong: its coats take more, or one coat more. */
  readonly waterParts: WaterParts | null;
  /** What the corrected mix dries to, if the paint goes on behaving as in the test. */
  readonly dry: Lab;
}

const valueAt = (mix: readonly MixPart[], load: Load, paper: Paper): number =>
  describeColour(predict(mix, load, paper).dry).value;

/** The load at which a mix has a value; by bisection, since more paint is darker. Null when it never has. */
function loadOfValue(mix: readonly MixPart[], value: number, paper: Paper): Load | null {
  if (value > valueAt(mix, MIN_LOAD, paper) || value < valueAt(mix, 1, paper)) return null;
  let [low, high] = [MIN_LOAD, 1];
  for (let i = 0; i < 40; i++) {
    const middle = Math.sqrt(low * high);
    if (valueAt(mix, middle, paper) > value) low = middle;
    else high = middle;
  }
  return Math.sqrt(low * high);
}

/**
 * A recipe set right by a swatch of it that dried to another value than predicted: the paint worked as so much more or
 * less of it would have, so the strength is changed by the same ratio the other way.
 * @param cameOut Munsell value of the dried swatch
 * @returns null when it came out as predicted; "beyond" when no strength of this mix gives such a value, or mends it
 */
export function correctedBy(
  mix: readonly MixPart[],
  waterParts: WaterParts,
  cameOut: number,
  paper: Paper,
): Correction | "beyond" | null {
  const load = loadOfWater(waterParts);
  if (Math.abs(valueAt(mix, load, paper) - cameOut) < READ_VALUE) return null;
  const worked = loadOfValue(mix, cameOut, paper);
  if (worked === null) return "beyond";
  const paint = load / worked;
  if (load * paint > MOST_LAYERS || load * paint < MIN_LOAD) return "beyond";
  // What the approach forbids is not proposed, but what was laid already is.
  const inOne = load * paint <= Math.max(load, strongestOf(mix.map((part) => part.paint)));
  return { paint, waterParts: inOne ? waterOfLoad(load * paint) : null, dry: predict(mix, load, paper).dry };
}
