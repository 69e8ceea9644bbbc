import { z } from "zod";
import { photoId } from "./photo-id";
import { paintingArea } from "./painting";

const words = (most: number) => z.string().max(most);
const amount = z.number().gte(0).lte(1e5);
const share = z.number().gte(-0.5).lte(1.5);

/** A mix as it is told: its paints in their order. */
const mix = z.object({
  parts: z
    .array(z.object({ name: words(200), parts: amount }))
    .min(1)
    .max(3),
  /** "half (1 paint : 6 water)". */
  strength: words(80),
});

/** A plan as it is taken along: everything said in words, nothing to be worked out. */
export const printedPlan = z.object({
  title: words(400),
  photoId,
  /** Day it was made on, and what it is made for: paper, sheet, air. */
  on: z.iso.date(),
  madeFor: words(400),
  /** What is not measured, and how far the prediction can be trusted. */
  trust: words(600),
  /** Lines around the areas, shares of the photo: x, y, x, y … */
  outlines: z.array(z.array(share).min(4).max(40_000)).max(4000),
  marks: z
    .array(
      z.object({
        mark: words(8),
        name: paintingArea.shape.name,
        x: share,
        y: share,
        value: z.number().gte(0).lte(10),
        /** What value it is: that to which the mix of its main colour dries, or the one wanted while it has none. */
        of: z.enum(["dry", "wanted"]),
      }),
    )
    .max(60),
  palette: z.array(z.object({ name: words(200), codes: words(80), measured: z.boolean() })).max(240),
  puddles: z
    .array(
      z.object({
        parts: mix.shape.parts,
        /** Which puddle it is made of, with a paint added, counted from 1. */
        from: z.int().positive().nullable(),
        /** What stands in the well at first, strongest, and the water in it that is new. */
        mixedMl: amount,
        waterMl: amount,
        brush: words(60),
        /** How it is mixed, in order: strong first, what is thinned from it. */
        steps: z.array(words(12_000)).min(1).max(60),
        /** "3b Cloud shade: light (1 paint : 12 water)". */
        serves: z.array(words(300)).max(240),
      }),
    )
    .max(240),
  washes: z
    .array(
      z.object({
        startMin: amount,
        minutes: amount,
        dryMin: amount,
        waitMin: amount,
        mark: words(8),
        name: words(300),
        task: words(80),
        areaCm2: amount,
        brush: words(60),
        mixes: z.array(mix).max(4),
        mind: z.array(words(600)).max(8),
      }),
    )
    .max(600),
  totalMin: amount,
  paints: z.array(z.object({ name: words(200), ml: amount, out: words(40) })).max(240),
  cautions: z.array(words(800)).max(4),
});
export type PrintedPlan = z.infer<typeof printedPlan>;

/** What is tried on scrap before the painting: places of a test sheet. */
export const printedTest = z.object({
  title: words(400),
  on: z.iso.date(),
  madeFor: words(400),
  mixes: z
    .array(mix.extend({ mark: words(8), name: words(300), value: z.number().gte(0).lte(10), why: words(200) }))
    .max(8),
  /** Paints of the ring, in the order of their hues. */
  ring: z.array(words(200)).max(40),
  /** Two washes whose meeting is risky: what is laid beside what. */
  meeting: z.object({ one: words(300), two: words(300), why: words(300) }).nullable(),
});
export type PrintedTest = z.infer<typeof printedTest>;

export const PRINT_PAGES = ["a4", "letter", "half"] as const;
export type PrintPage = (typeof PRINT_PAGES)[number];

export const printRequest = z.discriminatedUnion("what", [
  z.object({ what: z.literal("plan"), page: z.enum(PRINT_PAGES), plan: printedPlan }),
  z.object({ what: z.literal("test"), page: z.enum(PRINT_PAGES), test: printedTest }),
]);
export type PrintRequest = z.infer<typeof printRequest>;
