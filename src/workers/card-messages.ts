import { z } from "zod";
import { PATCH_KINDS, type CardRead, type MeasuredPatch, type PaintFit } from "@/core";
import { paintMessage } from "./paint-message";

const finite = z.number().refine(Number.isFinite);
const box = z.object({ x: finite, y: finite, width: finite.positive(), height: finite.positive() });
const lab = z.object({ L: finite, a: finite, b: finite });

const patch = z.object({
  what: z.enum(PATCH_KINDS), swatch: z.int().gte(0), waterParts: finite.gte(0), lab,
  reflectance: z.array(finite).length(36).optional(), cutOff: z.tuple([z.boolean(), z.boolean(), z.boolean()]).optional(),
  unsure: finite.gte(0).optional(), leftOut: z.boolean().optional(),
});

/** A patch on its way to the worker. */
export type PatchMessage = z.infer<typeof patch>;

/** What the card worker is asked. The photo comes first; every other question is answered once, by its job's number. */
export const cardRequest = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("open"), job: z.int(), photoId: z.string(), width: z.int().positive(), height: z.int().positive(), data: z.instanceof(Uint8ClampedArray<ArrayBufferLike>) }),
  z.object({
    kind: z.literal("read"), job: z.int(), photoId: z.string(), paperId: z.string(), rows: z.array(z.int().gte(0).lte(15)).min(1),
    moved: z.record(z.string(), box), references: z.array(z.object({ box, lab })).max(40),
  }),
  /** The patches of a card's paints without the camera's mixing of its channels. */
  z.object({ kind: z.literal("camera"), job: z.int(), paperId: z.string(), paints: z.array(z.object({ paint: paintMessage, patches: z.array(patch) })).max(16) }),
  z.object({ kind: z.literal("fit"), job: z.int(), paint: paintMessage, patches: z.array(patch), paperId: z.string() }),
]);
export type CardRequest = z.infer<typeof cardRequest>;

/** What it answers, by kind of question. */
export interface CardAnswers {
  readonly open: { readonly opened: true };
  readonly read: CardRead | { readonly refused: string };
  readonly camera: { readonly patches: readonly (readonly MeasuredPatch[])[] };
  readonly fit: PaintFit | { readonly refused: string };
}

export type CardReply =
  | { readonly kind: "answered"; readonly job: number; readonly answer: CardAnswers[keyof CardAnswers] }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };
