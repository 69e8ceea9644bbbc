import { z } from "zod";
import { SHEET_KINDS } from "@/core/calibration";
import { LAB_WHITES } from "@/core/formats";
import { cardPage, measuredBox, measuredLab, storedPatch } from "@/model/measurement";
import { photoId } from "@/model/photo-id";

/** The ways to measure, as they are called. */
export const WAYS = ["By photo", "By meter", "By numbers"] as const;

const key = z.string().max(80);
const id = z.string().max(60);

/** What the painter says of a photo; all of it can be undone. */
const cardEdits = z.object({
  cardId: z.int().nullable(),
  /** Null until the sheet's own cells have told, or the painter. */
  kind: z.enum(SHEET_KINDS).nullable(),
  /** Paint of each place; null for none. */
  paints: z.array(id.nullable()).readonly(),
  paperId: id,
  on: z.string().max(10),
  /** Dragged places, by "row place". */
  moved: z.record(key, measuredBox).readonly(),
  /** Places left out, by "row place". */
  leftOut: z.record(key, z.literal(true)).readonly(),
  /** A grey card or a chart's patch in the photo. */
  references: z.array(z.object({ box: measuredBox, lab: measuredLab }).readonly()).readonly(),
});
export type CardEdits = Readonly<z.infer<typeof cardEdits>>;

const typedColour = z.object({ L: z.string().max(40), a: z.string().max(40), b: z.string().max(40) }).readonly();

/** Which paint is measured without a photo, on what paper, on which day; null for what the room begins with. */
const onePaint = z.object({ paintId: id.nullable(), paperId: id, on: z.string().max(10).nullable() });

/** Colours typed, or read from a file, for the places of a card's row. */
const numbers = z.object({
  white: z.enum(LAB_WHITES),
  typed: z.array(typedColour).readonly(),
  file: z
    .object({
      name: z.string().max(300),
      colours: z
        .array(
          z
            .object({
              name: z.string(),
              lab: measuredLab.optional(),
              reflectance: z.array(z.number()).readonly().optional(),
            })
            .readonly(),
        )
        .readonly(),
    })
    .readonly()
    .nullable(),
  /** Colour of the file for each place; -1 for none. */
  from: z.array(z.int()).readonly(),
  leftOut: z.array(z.int()).readonly(),
});
export type Numbers = Readonly<z.infer<typeof numbers>>;

/** What stands on the sheet that is printed; null for what the room proposes. */
const sheet = z.object({
  kind: z.enum(SHEET_KINDS),
  card: z.array(id).nullable(),
  box: z.array(id).nullable(),
  paperId: id,
  page: cardPage,
});

/**
 * What a painter has typed, chosen and dragged in the measuring room and not kept as a measurement yet. It lies in the
 * browser until it is put away: a page that is loaded anew shows it again.
 */
export const measureDraft = z.object({
  way: z.enum(WAYS),
  one: onePaint,
  numbers,
  readings: z.array(storedPatch.nullable()).readonly(),
  sheet,
  document: z.object({ edits: z.record(key, cardEdits).readonly() }),
  /** Photos that lie in the data folder; they are read anew. */
  photos: z.array(
    z.object({
      key,
      fileName: z.string().max(400),
      stored: z.object({ id: photoId, widthPx: z.number(), heightPx: z.number() }).readonly(),
    }),
  ),
  openKey: key.nullable(),
  kept: z.record(z.string().max(120), z.string()).readonly(),
});
export type MeasureDraft = z.infer<typeof measureDraft>;
