import { z } from "zod";
import type { SizeChoice } from "@/core";

const lab = z.object({ L: z.number(), a: z.number(), b: z.number() });
const index = z.int().gte(0).lt(96);

/** What the palette worker is asked. A newer job ends the one before it: the page starts a new worker. */
export const paletteRequest = z.object({
  job: z.int(), paperId: z.string(), valueWeight: z.number().positive(), maxPigments: z.int().min(1),
  paints: z.array(z.object({
    id: z.string(), tintingStrength: z.number().positive(),
    pigments: z.array(z.object({ pigmentId: z.string(), share: z.number().positive() })).min(1),
  })).min(1).max(96),
  targets: z.array(z.object({ lab, weight: z.number().positive() })).min(1).max(60),
  sizes: z.array(z.int().gte(1).lte(12)).min(1),
  must: z.array(index), never: z.array(index),
});
export type PaletteRequest = z.infer<typeof paletteRequest>;

/** A paint that serves a target under a palette. */
export interface Served {
  readonly error: number;
  readonly combination: readonly number[];
}

/** One palette of one size, with how it serves each target. */
export interface ServedPalette {
  readonly paints: readonly number[];
  readonly error: number;
  readonly served: readonly Served[];
}

/** What it answers: how far it is, each size as it is proven, then the end. */
export type PaletteReply =
  | { readonly kind: "progress"; readonly job: number; readonly words: string; readonly share: number }
  | { readonly kind: "size"; readonly job: number; readonly choice: Omit<SizeChoice, "best"> & { readonly best: readonly ServedPalette[] } }
  | { readonly kind: "finished"; readonly job: number; readonly milliseconds: number }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };
