import type { GamutTable, ReachSlice } from "@/core/palette";
import type { CurveValues, Wish } from "@/core/planning";
import type { PaintMessage } from "./paint-message";

/** The palette whose reach is asked for. */
export interface Laid {
  readonly paperId: string;
  readonly paints: readonly PaintMessage[];
}

/** Each question is one object, so that it can stand as the key of its answer. */
export interface ReachQuestions {
  readonly slice: { readonly laid: Laid; readonly L: number };
  readonly cube: {
    readonly laid: Laid;
    readonly valueWeight: number;
    readonly wish: Wish;
    readonly curve: CurveValues;
  };
  readonly ring: { readonly laid: Laid; readonly sidePx: number; readonly seed: number };
}

export interface ReachAnswers {
  readonly slice: { readonly slice: ReachSlice; readonly darkestL: number };
  readonly cube: GamutTable;
  readonly ring: { readonly pixels: Uint8ClampedArray<ArrayBuffer>; readonly sidePx: number };
}

/** What the reach worker offers: the reach at a lightness, the photo's colours through the palette, the ring test. */
export type ReachApi = { readonly [K in keyof ReachQuestions]: (question: ReachQuestions[K]) => ReachAnswers[K] };
