import type { Lab } from "../colour/colour";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import { predict, type MixPart } from "./predict";

/** A paint that comes into the puddle, and what the puddle dries to from then on. */
export interface MixStep extends MixPart {
  readonly dry: Lab;
}

/**
 * A mix as it is made, paint after paint in the given order: what each makes of what is there already. Every step is
 * predicted at the finished mix's strength, so that only the paint changes; the last one is the mix itself.
 * @param load of the finished mix
 */
export const mixSteps = (mix: readonly MixPart[], load: Load, paper: Paper): readonly MixStep[] =>
  mix.map((part, i) => ({ ...part, dry: predict(mix.slice(0, i + 1), load, paper).dry }));
