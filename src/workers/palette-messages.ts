import { z } from "zod";
import type { Lab, PaletteWorth, Saving, ServedTarget, SizeChoice, StartingPoint, Wished } from "@/core";
import { paintMessage } from "./paint-message";

/** Most paints that a palette is chosen from: all mixes of three of more take too long. */
export const MOST_CHOSEN_FROM = 80;

const lab = z.object({ L: z.number(), a: z.number(), b: z.number() });
const index = z.int().gte(0).lt(250);
const palette = z.array(index).max(140);

/** What is weighed: paints, areas, and how a mix is judged. Everything else is asked of it. */
const opening = z.object({
  paperId: z.string(), valueWeight: z.number().positive(), freeHue: z.boolean(), maxPigments: z.int().min(1), maxPaints: z.union([z.literal(2), z.literal(3)]),
  paints: z.array(paintMessage.extend({ strongest: z.number().positive().lte(1) })).min(1).max(140),
  targets: z.array(z.object({ lab, weight: z.number().positive() })).min(1).max(60),
});
export type Opening = z.infer<typeof opening>;

/** What the palette worker is asked; `open` comes first, and again whenever what is weighed has changed. */
export const paletteRequest = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("open"), job: z.int(), opening }),
  z.object({
    kind: z.literal("choose"), job: z.int(), sizes: z.array(z.int().gte(1).lte(12)).min(1), must: palette, never: z.array(index),
    kinds: z.array(z.object({ paints: z.array(index), least: z.int().gte(0), most: z.int().gte(0) })),
    darkest: z.number().nullable(), within: z.array(z.object({ target: z.int().gte(0), most: z.number().positive() })),
  }),
  z.object({ kind: z.literal("serve"), job: z.int(), palettes: z.array(palette).max(400) }),
  z.object({ kind: z.literal("weigh"), job: z.int(), palette, convenience: z.array(index) }),
  z.object({ kind: z.literal("wish"), job: z.int(), atHand: z.array(index), targets: z.array(z.int().gte(0)), errors: z.array(z.number()) }),
  z.object({ kind: z.literal("start"), job: z.int(), among: z.array(index) }),
]);
export type PaletteRequest = z.infer<typeof paletteRequest>;
export type PaletteQuestion = PaletteRequest["kind"];

/** A palette and how it serves each target. */
export interface ServedPalette {
  readonly paints: readonly number[];
  readonly error: number;
  readonly served: readonly ServedTarget[];
}

export type FoundSize = Omit<SizeChoice, "best"> & { readonly best: readonly ServedPalette[] };

/** The answer to each question. */
export interface PaletteAnswers {
  readonly open: { readonly targets: readonly Lab[] };
  readonly choose: { readonly sizes: readonly FoundSize[] };
  readonly serve: { readonly palettes: readonly ServedPalette[] };
  readonly weigh: PaletteWorth & { readonly savings: readonly Saving[] };
  readonly wish: { readonly wishes: readonly Wished[] };
  readonly start: { readonly points: readonly StartingPoint[] };
}

/** What the worker says: how far it is, and the answer or why there is none. */
export type PaletteReply =
  | { readonly kind: "progress"; readonly job: number; readonly words: string; readonly share: number }
  | { readonly kind: "size"; readonly job: number; readonly choice: FoundSize }
  | { readonly kind: "answered"; readonly job: number; readonly milliseconds: number; readonly answer: PaletteAnswers[PaletteQuestion] }
  | { readonly kind: "failed"; readonly job: number; readonly message: string };
