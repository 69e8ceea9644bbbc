import type { Lab } from "@/core/colour";
import type { Hand, Laying, MatchOptions, Recipe } from "@/core/mixing";
import type { PuddlePlan, StandingPuddle } from "@/core/planning";
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

/** Colours that few puddles are to serve, and from what. */
export interface PuddleJob {
  readonly paperId: string;
  readonly paints: readonly PaintMessage[];
  /** What is laid over another names it by its place, or brings the wash that stands there already. */
  readonly targets: readonly (Laying & {
    readonly lab: Lab;
    readonly weight: number;
    readonly over: number | OverWash | null;
  })[];
  readonly valueWeight: number;
  readonly hand: Hand;
  readonly maxPaints: number;
  /** Puddles that are mixed in any case. */
  readonly standing: readonly StandingPuddle[];
}

/** What the match worker offers. */
export interface MatchApi {
  /** Plans from few to many puddles (see planning/puddle-plan.ts), paints and targets by their places in the job. */
  puddles(job: PuddleJob): readonly PuddlePlan[];
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
