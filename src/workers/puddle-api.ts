import type { Lab } from "@/core/colour";
import type { Hand, Laying } from "@/core/mixing";
import type { PuddlePlan, StandingPuddle } from "@/core/planning";
import type { OverWash } from "./match-api";
import type { PaintMessage } from "./paint-message";

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

/** What the puddle worker offers: it works on one question, and is stopped when another one is asked. */
export interface PuddleApi {
  /** Plans from few to many puddles (see planning/puddle-plan.ts), paints and targets by their places in the job. */
  puddles(job: PuddleJob): readonly PuddlePlan[];
}
