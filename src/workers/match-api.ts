import type { Lab } from "@/core/colour";
import type { Laying, MatchOptions, Recipe } from "@/core/mixing";
import type { PaintMessage } from "./paint-message";

/** A wash that lies there already. */
export interface OverWash {
  readonly parts: readonly { readonly paint: PaintMessage; readonly parts: number }[];
  readonly waterParts: number;
}

/** Colours to mix, and from what. */
export interface MatchJob {
  readonly paperId: string;
  /** A dried wash that the mixes are laid over; null: the bare paper. */
  readonly over: OverWash | null;
  readonly paints: readonly PaintMessage[];
  readonly options: MatchOptions;
  readonly targets: readonly (Laying & { readonly id: string; readonly lab: Lab })[];
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
