import { z } from "zod";
import type { ReachCube, ReachSlice } from "@/core";
import { paintMessage } from "./paint-message";

const finite = z.number().refine(Number.isFinite);

/** The palette whose reach is asked for. */
const laid = z.object({
  paperId: z.string(),
  paints: z.array(paintMessage).min(1).max(40),
});
export type Laid = z.infer<typeof laid>;

const wish = z.discriminatedUnion("way", [
  z.object({ way: z.literal("follow") }), z.object({ way: z.literal("heighten"), by: finite }), z.object({ way: z.literal("turn"), degrees: finite }),
]);

/** What the reach worker is asked: the reach at a lightness, the photo's colours through the palette, the ring test. */
export const reachRequest = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("slice"), job: z.int(), laid, L: finite.gte(0).lte(100) }),
  z.object({ kind: z.literal("cube"), job: z.int(), laid, valueWeight: finite.positive(), wish, curve: z.tuple([finite, finite, finite, finite, finite]) }),
  z.object({ kind: z.literal("ring"), job: z.int(), laid, sidePx: z.int().gte(16).lte(1200), seed: z.int() }),
]);
export type ReachRequest = z.infer<typeof reachRequest>;
export type ReachQuestion = ReachRequest["kind"];

/** The answer to each question. */
export interface ReachAnswers {
  readonly slice: { readonly slice: ReachSlice; readonly darkestL: number };
  readonly cube: { readonly cube: ReachCube };
  readonly ring: { readonly pixels: Uint8ClampedArray<ArrayBuffer>; readonly sidePx: number };
}

export type ReachReply =
  | { readonly kind: "answered"; readonly job: number; readonly milliseconds: number; readonly answer: ReachAnswers[ReachQuestion] }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };
