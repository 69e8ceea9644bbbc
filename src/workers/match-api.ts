import type { Lab } from "@/core/colour";
import type { MatchOptions, Recipe } from "@/core/mixing";
import type { PaintMessage } from "./paint-message";

/** Colours to mix, and from what. */
export interface MatchJob {
  readonly paperId: string;
  readonly paints: readonly PaintMessage[];
  readonly options: MatchOptions;
  readonly targets: readonly { readonly id: string; readonly lab: Lab }[];
}

/** What the match worker offers. */
export interface MatchApi {
  /**
   * Works on a job, side by side with others, target by target: `found` hears of each. The answer is
   * the time taken, ms, or null when the job was cancelled.
   */
  match(
    number: number,
    job: MatchJob,
    found: (id: string, recipes: readonly Recipe[], done: number) => unknown,
  ): Promise<number | null>;
  cancel(number: number): void;
}
