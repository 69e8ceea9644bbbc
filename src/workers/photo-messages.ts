import { z } from "zod";
import type { AreasMeasured } from "@/core";

const size = { width: z.int().positive(), height: z.int().positive() };
const share = z.number().gte(0).lte(1);

/** How the photo is looked at: the white correction and the part that is painted. */
const look = z.object({
  white: z.array(z.number()).length(9),
  frame: z.object({ x: share, y: share, width: z.number().gt(0).lte(1), aspect: z.number().positive(), angleDegrees: z.number() }),
});
export type Look = z.infer<typeof look>;

const labels = z.instanceof(Uint8Array<ArrayBufferLike>);

/** What the photo worker is asked. The photo comes first; every other question is answered once, by its job's number. */
export const photoRequest = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("open"), ...size, data: z.instanceof(Uint8ClampedArray<ArrayBufferLike>) }),
  /** Divides what no label covers yet into about so many shapes. */
  z.object({ kind: z.literal("propose"), job: z.int(), look, labels, shapes: z.int().gte(1).lte(200) }),
  z.object({ kind: z.literal("measure"), job: z.int(), look, labels }),
  z.object({ kind: z.literal("shares"), job: z.int(), look, steps: z.int().gte(2).lte(9) }),
  /** Fills a drawn line and, unless it is to stay as drawn, draws it to the photo's edges. */
  z.object({ kind: z.literal("enclose"), job: z.int(), look, points: z.array(z.object({ x: z.number(), y: z.number() })).max(5000), snap: z.boolean() }),
  z.object({ kind: z.literal("split"), job: z.int(), look, labels, label: z.int().gte(1).lte(255) }),
]);
export type PhotoRequest = z.infer<typeof photoRequest>;
export type PhotoQuestion = Exclude<PhotoRequest, { kind: "open" }>;

/** What it answers, by kind of question. */
export interface PhotoAnswers {
  /** Labels 1 to `shapes`; 0 where there is nothing to propose. */
  readonly propose: { readonly labels: Uint8Array; readonly shapes: number; readonly milliseconds: number };
  readonly measure: AreasMeasured;
  /** Share of the sheet in each value step, dark to light, and of what is burnt out and blocked. */
  readonly shares: { readonly steps: readonly number[]; readonly burnt: number; readonly blocked: number };
  readonly enclose: { readonly mask: Uint8Array };
  /** The part to be cut off, or null when there is nothing to split. */
  readonly split: { readonly mask: Uint8Array | null };
}

export type PhotoReply =
  | { readonly kind: "answered"; readonly job: number; readonly answer: PhotoAnswers[keyof PhotoAnswers] }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };
