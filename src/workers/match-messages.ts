import type { Lab } from "@/core/colour";
import type { MatchOptions, Recipe } from "@/core/mixing";
import type { PaintMessage } from "./paint-message";

/** What the match worker is asked. Jobs are worked on side by side, target by target, until they are done or cancelled. */
export type MatchRequest =
  | {
      readonly kind: "match"; readonly job: number; readonly paperId: string; readonly paints: readonly PaintMessage[]; readonly options: MatchOptions;
      readonly targets: readonly { readonly id: string; readonly lab: Lab }[];
    }
  | { readonly kind: "cancel"; readonly job: number };

/** What it answers: each target as it is done, then the end. */
export type MatchReply =
  | { readonly kind: "found"; readonly job: number; readonly id: string; readonly recipes: readonly Recipe[]; readonly done: number; readonly of: number }
  | { readonly kind: "finished"; readonly job: number; readonly milliseconds: number }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };
