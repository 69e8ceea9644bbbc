import type { Box, CardRead, MeasuredPatch, PaintFit } from "@/core/calibration";
import type { Lab } from "@/core/colour";
import type { Answered } from "./answering";
import type { PaintMessage } from "./paint-message";

/** What the card worker is asked. The photo comes first. */
export type CardRequest =
  | { readonly kind: "open"; readonly job: number; readonly photoId: string; readonly width: number; readonly height: number; readonly data: Uint8ClampedArray }
  | {
      readonly kind: "read"; readonly job: number; readonly photoId: string; readonly paperId: string; readonly rows: readonly number[];
      readonly moved: Readonly<Record<string, Box>>; readonly references: readonly { readonly box: Box; readonly lab: Lab }[];
    }
  /** The patches of a card's paints without the camera's mixing of its channels. */
  | { readonly kind: "camera"; readonly job: number; readonly paperId: string; readonly paints: readonly { readonly paint: PaintMessage; readonly patches: readonly MeasuredPatch[] }[] }
  | { readonly kind: "fit"; readonly job: number; readonly paint: PaintMessage; readonly patches: readonly MeasuredPatch[]; readonly paperId: string };

/** What it answers, by kind of question. */
export interface CardAnswers {
  readonly open: { readonly opened: true };
  readonly read: CardRead | { readonly refused: string };
  readonly camera: { readonly patches: readonly (readonly MeasuredPatch[])[] };
  readonly fit: PaintFit | { readonly refused: string };
}

export type CardReply = Answered<CardAnswers[keyof CardAnswers]>;
