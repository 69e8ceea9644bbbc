import type { GridColours } from "@/core/mixing";
import type { TargetCosts } from "@/core/palette";
import type { Opening } from "./palette-api";

/** What a helper of the palette worker offers: its share of what takes long. */
export interface PaletteHelperApi {
  /** Takes up a question; what was asked before is forgotten. */
  begin(opening: Opening): void;
  /** Grid colours of some combinations of the question's paints, from one up to another. */
  mixes(from: number, to: number): GridColours;
  /** Takes the whole grid, so that targets can be weighed. */
  take(grid: GridColours): void;
  /** Weighs a target, by its place. */
  weigh(target: number): TargetCosts;
}
