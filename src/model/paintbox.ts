import { z } from "zod";
import { HANDBOOK } from "@/core";

const known = new Set(HANDBOOK.map(({ id }) => id));
const amount = (most: number, words: string) => z.number(`${words} is a number.`).gte(0, `${words} can't be negative.`).lte(most, `${words} can't be over ${most}.`).nullable();
const text = (most: number) => z.string().trim().max(most, `At most ${most} letters.`);
const day = z.iso.date("A date looks like 2026-04-30.").nullable();

const LEFT = "What is left lies between 0 and 100 %.";

/** Where a paint stands: those owned or low can be mixed from. */
export const paintStatus = z.enum(["owned", "low", "dried out", "used up", "wished for", "never again"]);
export type PaintStatus = z.infer<typeof paintStatus>;
export const MIXABLE: ReadonlySet<PaintStatus> = new Set(["owned", "low"]);

export const paintForm = z.enum(["tube", "whole pan", "half pan", "stick", "gouache"]);

/** One paint: its label facts as printed, what is in it, what it cost and what is left. */
export const paintEntry = z.object({
  id: z.uuid(),
  name: text(80).min(1, "A paint needs a name."),
  maker: text(80),
  line: text(80),
  tintingStrength: z.number("Tinting strength is a number.").gt(0, "Tinting strength is above 0.").lte(5, "Tinting strength is at most 5."),
  pigments: z.array(z.object({
    pigmentId: z.string().refine((id) => known.has(id), "The handbook has no such pigment."),
    share: z.number().gt(0, "A share is above 0.").lte(1000),
  })).min(1, "A paint has at least one pigment.").max(8, "A paint has at most eight pigments."),
  status: paintStatus,
  form: paintForm,
  sizeMl: amount(2000, "The size"),
  /** Share of the size that is left, 0 to 1. */
  left: z.number("What is left is a number.").gte(0, LEFT).lte(1, LEFT).nullable(),
  price: amount(100_000, "The price"),
  currency: text(8),
  boughtOn: day,
  openedOn: day,
  batch: text(40),
  /** Another entry for the same paint in another year or batch. */
  sameAs: z.uuid().nullable(),
  label: z.object({ transparency: text(40), staining: text(40), granulation: text(40), lightfastness: text(40) }),
  notes: text(2000),
  favourite: z.boolean(),
});
export type PaintEntry = z.infer<typeof paintEntry>;

export const panKind = z.enum(["whole pan", "half pan"]);
export type PanKind = z.infer<typeof panKind>;

/** A real box: rows and columns of pans, a paint or nothing in each well. */
export const travelBox = z.object({
  id: z.uuid(),
  name: text(80).min(1, "A box needs a name."),
  rows: z.int().gte(1).lte(12, "A box has at most 12 rows."),
  columns: z.int().gte(1).lte(24, "A box has at most 24 columns."),
  pan: panKind,
  /** Pans of each row, top first, where rows differ; empty: all rows have the box's pans. A whole pan is as wide as two half pans. */
  rowPans: z.array(panKind).default([]),
  /** Paint ids row by row; null is an empty well. */
  wells: z.array(z.uuid().nullable()),
}).refine(({ rows, columns, wells }) => wells.length === rows * columns, "A box has as many wells as rows times columns.")
  .refine(({ rows, rowPans }) => rowPans.length === 0 || rowPans.length === rows, "Pans are told for every row or for none.");
export type TravelBox = z.infer<typeof travelBox>;

/** The pans of a box's row. */
export const panOfRow = (box: Pick<TravelBox, "pan"> & { readonly rowPans?: readonly PanKind[] }, row: number): PanKind => box.rowPans?.[row] ?? box.pan;

/** The whole paintbox, in its own order, and its boxes; saved and undone as one piece. */
export const paintboxDocument = z.object({
  paints: z.array(paintEntry).max(2000, "A paintbox holds at most 2000 paints."),
  boxes: z.array(travelBox).max(40, "At most 40 boxes.").default([]),
})
  .refine(({ paints }) => new Set(paints.map(({ id }) => id)).size === paints.length, "Two paints have the same id.");
export type PaintboxDocument = z.infer<typeof paintboxDocument>;

export const savePaintboxRequest = z.object({ revision: z.int().gte(0), document: paintboxDocument });

/** A paint with nothing known but what is given. */
export function newPaint(facts: Pick<PaintEntry, "id" | "name" | "pigments"> & Partial<PaintEntry>): PaintEntry {
  return {
    maker: "", line: "", tintingStrength: 1, status: "owned", form: "tube", sizeMl: null, left: null, price: null, currency: "",
    boughtOn: null, openedOn: null, batch: "", sameAs: null, label: { transparency: "", staining: "", granulation: "", lightfastness: "" }, notes: "", favourite: false,
    ...facts,
  };
}

/**
 * What can't be right about a paint, by field, in words; empty when all is well.
 * @param today ISO date: bought or opened after it is impossible
 */
export function paintFaults(paint: PaintEntry, today: string): Readonly<Partial<Record<keyof PaintEntry, string>>> {
  const faults: Partial<Record<keyof PaintEntry, string>> = {};
  const checked = paintEntry.safeParse(paint);
  if (!checked.success) {
    for (const { path, message } of checked.error.issues) faults[path[0] as keyof PaintEntry] ??= message;
  }
  if (paint.boughtOn && paint.boughtOn > today) faults.boughtOn ??= "That day is still to come.";
  if (paint.openedOn && paint.openedOn > today) faults.openedOn ??= "That day is still to come.";
  if (paint.boughtOn && paint.openedOn && paint.openedOn < paint.boughtOn) faults.openedOn ??= "Opened before it was bought?";
  return faults;
}
