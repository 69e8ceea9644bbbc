import type { GridColours } from "@/core/mixing";
import type { TargetCosts, Weighed } from "@/core/palette";
import type { Opening } from "./palette-api";

/**
 * What a helper of the palette worker offers: its share of what takes long. What it is at for one question is left,
 * and rejected, when it takes up another.
 */
export interface PaletteHelperApi {
  /** Takes up a question, and what of it is weighed; what was asked before is forgotten. */
  begin(opening: Opening, weighed: Weighed): void;
  /** Grid colours of some combinations of the question's paints, from one up to another. */
  mixes(from: number, to: number): Promise<GridColours>;
  /** Takes the whole grid, so that targets can be weighed. */
  take(grid: GridColours): void;
  /** Weighs a target, by its place among those that are weighed. */
  weigh(target: number): Promise<TargetCosts>;
}
