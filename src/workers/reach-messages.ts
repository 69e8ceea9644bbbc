import type { ReachCube, ReachSlice } from "@/core/palette";
import type { CurveValues, Wish } from "@/core/planning";
import type { Answered } from "./answering";
import type { PaintMessage } from "./paint-message";

/** The palette whose reach is asked for. */
export interface Laid {
  readonly paperId: string;
  readonly paints: readonly PaintMessage[];
}

/** What the reach worker is asked: the reach at a lightness, the photo's colours through the palette, the ring test. */
export type ReachRequest =
  | { readonly kind: "slice"; readonly job: number; readonly laid: Laid; readonly L: number }
  | { readonly kind: "cube"; readonly job: number; readonly laid: Laid; readonly valueWeight: number; readonly wish: Wish; readonly curve: CurveValues }
  | { readonly kind: "ring"; readonly job: number; readonly laid: Laid; readonly sidePx: number; readonly seed: number };
export type ReachQuestion = ReachRequest["kind"];

/** The answer to each question. */
export interface ReachAnswers {
  readonly slice: { readonly slice: ReachSlice; readonly darkestL: number };
  readonly cube: { readonly cube: ReachCube };
  readonly ring: { readonly pixels: Uint8ClampedArray<ArrayBuffer>; readonly sidePx: number };
}

export type ReachReply = Answered<ReachAnswers[ReachQuestion]>;
