import type { PaintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { deltaE00 } from "../colour/difference";
import { loadOfWater } from "../optics/load";
import type { Paper } from "../optics/paper";
import type { MeasuredPatch } from "./patches";

/**
 * A puddle may be as much stronger or weaker than it was meant, as a factor, before it is another wash. From memory.
 */
const MOST_OFF = 2.5;
const TRIES = 40;

/**
 * How far washes of a paint that was measured before look from what is known of it, mean dE00 over its washes, each at
 * the strength that suits it best; null without a wash. What is left is the camera's, the light's or the paper's.
 */
export function missOfKnown(paint: PaintModel, patches: readonly MeasuredPatch[], paper: Paper): number | null {
  const misses = patches
    .filter(({ what, leftOut }) => what === "wash" && !leftOut)
    .map(({ waterParts, lab }) => {
      const meant = loadOfWater(waterParts);
      const tried = Array.from({ length: TRIES + 1 }, (_, i) => meant * MOST_OFF ** (2 * (i / TRIES) - 1));
      return Math.min(...tried.map((load) => deltaE00(lab, predict([{ paint, parts: 1 }], load, paper).dry)));
    });
  return misses.length > 0 ? misses.reduce((sum, miss) => sum + miss, 0) / misses.length : null;
}
