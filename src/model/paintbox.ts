import equal from "fast-deep-equal";
import { z } from "zod";
import { isKnownPigment, pigmentById, presentPigmentId } from "@/core/pigments";
import { day } from "./day";
import { LETTERS, LIMITS } from "./limits";
import { partRequest, saveRequest } from "./revision";
import { text } from "./text";

const amount = (most: number, words: string) =>
  z
    .number(`${words} is a number.`)
    .gte(0, `${words} can't be negative.`)
    .lte(most, `${words} can't be over ${most}.`)
    .nullable();

const LEFT = "What is left lies between 0 and 100 %.";

/** Where a paint stands: those owned or low can be mixed from. */
export const paintStatus = z.enum(["owned", "low", "dried out", "used up", "wished for", "never again", "put away"]);
export type PaintStatus = z.infer<typeof paintStatus>;
export const MIXABLE: ReadonlySet<PaintStatus> = new Set(["owned", "low"]);

/** What the look of a paint is known by. */
type Look = Pick<PaintEntry, "pigments"> & { readonly measured?: object | null };

/** Whether it is known how a paint looks: by its pigments, or by what was measured of it. */
export const looksKnown = ({ pigments, measured = null }: Look): boolean =>
  measured !== null || pigments.every(({ pigmentId }) => isKnownPigment(pigmentId));

/** Whether a paint can be mixed from: it is at hand, and it is known how it looks. */
export const isMixable = (paint: Look & Pick<PaintEntry, "status">): boolean =>
  MIXABLE.has(paint.status) && looksKnown(paint);

/** Codes of a paint's pigments that the handbook does not know; none for all but paints out of a newer Abendrot. */
export const unknownCodes = ({ pigments }: Pick<PaintEntry, "pigments">): readonly string[] =>
  pigments.flatMap(({ pigmentId }) => (isKnownPigment(pigmentId) ? [] : [pigmentById(pigmentId).code]));

export const paintForm = z.enum(["tube", "whole pan", "half pan", "stick", "gouache"]);

/** One paint: its label facts as printed, what is in it, what it cost and what is left. */
export const paintEntry = z.object({
  id: z.uuid(),
  name: text(LETTERS.paintName).min(1, "A paint needs a name."),
  maker: text(LETTERS.paintName),
  line: text(LETTERS.paintName),
  tintingStrength: z
    .number("Tinting strength is a number.")
    .gte(0.01, "Tinting strength is at least 0.01.")
    .lte(5, "Tinting strength is at most 5."),
  pigments: z
    .array(
      z.object({
        // A pigment of a newer handbook stays what it is; one that was renamed is known by its present id.
        pigmentId: text(LETTERS.short).min(1, "A pigment has an id.").transform(presentPigmentId),
        share: z.number().gte(1e-6, "A share is above 0.").lte(1000),
      }),
    )
    .min(1, "A paint has at least one pigment.")
    .max(LIMITS.pigments, "A paint has at most eight pigments.")
    .refine(
      (list) => new Set(list.map(({ pigmentId }) => pigmentId)).size === list.length,
      "A pigment stands in a paint once.",
    ),
  status: paintStatus,
  form: paintForm,
  sizeMl: amount(2000, "The size"),
  /** Share of the size that is left, 0 to 1. */
  left: z.number("What is left is a number.").gte(0, LEFT).lte(1, LEFT).nullable(),
  price: amount(100_000, "The price"),
  currency: text(LETTERS.currency),
  boughtOn: day.nullable(),
  openedOn: day.nullable(),
  batch: text(LETTERS.short),
  /** Another entry for the same paint in another year or batch. */
  sameAs: z.uuid().nullable(),
  label: z.object({
    transparency: text(LETTERS.short),
    staining: text(LETTERS.short),
    granulation: text(LETTERS.short),
    lightfastness: text(LETTERS.short),
  }),
  notes: text(LETTERS.notes),
  favourite: z.boolean(),
  /** One of the demo's, not the painter's own. */
  demo: z.boolean().default(false),
});
export type PaintEntry = z.infer<typeof paintEntry>;

const panKind = z.enum(["whole pan", "half pan"]);
export type PanKind = z.infer<typeof panKind>;

/** A real box: rows and columns of pans, a paint or nothing in each well. */
export const travelBox = z
  .object({
    id: z.uuid(),
    name: text(LETTERS.boxName).min(1, "A box needs a name."),
    rows: z.int().gte(1).lte(12, "A box has at most 12 rows."),
    columns: z.int().gte(1).lte(24, "A box has at most 24 columns."),
    pan: panKind,
    /**
     * Pans of each row, top first, where rows differ; empty: all rows have the box's pans. A whole pan is as wide as
     * two half pans.
     */
    rowPans: z.array(panKind).default([]),
    /** Paint ids row by row; null is an empty well. */
    wells: z.array(z.uuid().nullable()),
  })
  .refine(
    ({ rows, columns, wells }) => wells.length === rows * columns,
    "A box has as many wells as rows times columns.",
  )
  .refine(
    ({ rows, rowPans }) => rowPans.length === 0 || rowPans.length === rows,
    "Pans are told for every row or for none.",
  );
export type TravelBox = z.infer<typeof travelBox>;

/** The pans of a box's row. */
export const panOfRow = (
  box: Pick<TravelBox, "pan"> & { readonly rowPans?: readonly PanKind[] },
  row: number,
): PanKind => box.rowPans?.[row] ?? box.pan;

/** Boxes that lie here: not those that hold nothing but paints that were put away, as the demo's do once it is gone. */
export function boxesHere<Box extends { readonly wells: readonly (string | null)[] }>(
  boxes: readonly Box[],
  statusOf: (paintId: string) => PaintEntry["status"] | undefined,
): readonly Box[] {
  return boxes.filter(({ wells }) => {
    const filled = wells.filter((well) => well !== null);
    return filled.length === 0 || filled.some((id) => statusOf(id) !== "put away");
  });
}

/** The whole paintbox, in its own order, and its boxes; saved and undone as one piece. */
export const paintboxDocument = z
  .object({
    paints: z.array(paintEntry).max(LIMITS.paints, `A paintbox holds at most ${LIMITS.paints} paints.`),
    boxes: z.array(travelBox).max(LIMITS.boxes, `At most ${LIMITS.boxes} boxes.`).default([]),
  })
  .refine(({ paints }) => new Set(paints.map(({ id }) => id)).size === paints.length, "Two paints have the same id.")
  .refine(({ boxes }) => new Set(boxes.map(({ id }) => id)).size === boxes.length, "Two boxes have the same id.")
  .refine(({ paints, boxes }) => {
    const known = new Set<string | null>([null, ...paints.map(({ id }) => id)]);
    return boxes.every(({ wells }) => wells.every((well) => known.has(well)));
  }, "A well holds a paint that is not in the paintbox.")
  .refine(
    ({ boxes }) =>
      boxes.every(({ wells }) => {
        const filled = wells.filter((well) => well !== null);
        return new Set(filled).size === filled.length;
      }),
    "A paint lies in two wells of one box.",
  );
export type PaintboxDocument = z.infer<typeof paintboxDocument>;

export const savePaintboxRequest = saveRequest(paintboxDocument);

/** More changed paints than this are sent as a whole paintbox. */
const MOST_APART = 100;

/** Some paints of the paintbox, changed; all else of it is as it was. */
export const savePaintsRequest = partRequest({ paints: z.array(paintEntry).min(1).max(MOST_APART) });

/** The paints that have changed where nothing else has, and they are few; null: the whole paintbox is to be sent. */
export function changedPaints(base: PaintboxDocument, now: PaintboxDocument): readonly PaintEntry[] | null {
  if (base.paints.length !== now.paints.length || (base.boxes !== now.boxes && !equal(base.boxes, now.boxes)))
    return null;
  const changed: PaintEntry[] = [];
  for (const [i, paint] of now.paints.entries()) {
    const before = base.paints[i]!;
    if (before.id !== paint.id) return null;
    if (before !== paint && !equal(before, paint)) changed.push(paint);
    if (changed.length > MOST_APART) return null;
  }
  return changed.length > 0 ? changed : null;
}

/** Paints that will run out: they go on the list to buy. */
export const runningLowRequest = z.object({ low: z.array(z.uuid()).min(1).max(LIMITS.paints) });

/** A box that was packed for several paintings. */
export const packedBoxRequest = z.object({ box: travelBox });

/** A paint with nothing known but what is given. */
export function newPaint(facts: Pick<PaintEntry, "id" | "name" | "pigments"> & Partial<PaintEntry>): PaintEntry {
  return {
    maker: "",
    line: "",
    tintingStrength: 1,
    status: "owned",
    form: "tube",
    sizeMl: null,
    left: null,
    price: null,
    currency: "",
    boughtOn: null,
    openedOn: null,
    batch: "",
    sameAs: null,
    label: { transparency: "", staining: "", granulation: "", lightfastness: "" },
    notes: "",
    favourite: false,
    demo: false,
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
  if (paint.boughtOn && paint.openedOn && paint.openedOn < paint.boughtOn)
    faults.openedOn ??= "Opened before it was bought?";
  return faults;
}
