import { z } from "zod";
import type { Recipe } from "@/core";
import { paintMessage } from "./paint-message";

const lab = z.object({ L: z.number(), a: z.number(), b: z.number() });

const options = z.object({
  maxPaints: z.union([z.literal(1), z.literal(2), z.literal(3)]),
  maxPigments: z.int().min(1),
  valueWeight: z.number().positive(),
  ways: z.int().min(1).max(12),
});

/** What the match worker is asked. A newer job, or `cancel`, ends the one before it. */
export const matchRequest = z.discriminatedUnion("kind", [
  z.object({
    kind: z.literal("match"), job: z.int(), paperId: z.string(), paints: z.array(paintMessage), options,
    targets: z.array(z.object({ id: z.string(), lab })).max(100),
  }),
  z.object({ kind: z.literal("cancel") }),
]);
export type MatchRequest = z.infer<typeof matchRequest>;

/** What it answers: each target as it is done, then the end. */
export type MatchReply =
  | { readonly kind: "found"; readonly job: number; readonly id: string; readonly recipes: readonly Recipe[]; readonly done: number; readonly of: number }
  | { readonly kind: "finished"; readonly job: number; readonly milliseconds: number }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };
