import { z } from "zod";
import { PATCH_KINDS, SHEET_KINDS, SHEETS } from "@/core/calibration";
import { type MeasuredOptics } from "@/core/mixing";
import { day } from "./day";
import { MAX_COUNT } from "./limits";
import { photoId } from "./photo-id";
import { paperId } from "./painting";

const finite = z.number().refine(Number.isFinite, "A number is missing.");
/** A colour that was measured. */
export const measuredLab = z.object({
  L: finite.gte(-1, "L lies between 0 and 100.").lte(110, "L lies between 0 and 100."),
  a: finite.gte(-150).lte(150),
  b: finite.gte(-150).lte(150),
});
const bands = z.array(finite).length(36, "A spectrum has 36 bands.");
/** Where a swatch lies on its sheet, mm. */
export const measuredBox = z.object({ x: finite, y: finite, width: finite.positive(), height: finite.positive() });

/** One place measured; for a photo also where it lay on the card and how even it was. */
export const storedPatch = z.object({
  what: z.enum(PATCH_KINDS),
  swatch: z.int().gte(0).lte(15),
  waterParts: finite.gte(0).lte(200, "At most 200 parts of water."),
  lab: measuredLab,
  reflectance: bands.optional(),
  cutOff: z.tuple([z.boolean(), z.boolean(), z.boolean()]).optional(),
  unsure: finite.gte(0).optional(),
  leftOut: z.boolean().optional(),
  box: measuredBox.optional(),
  texture: finite.optional(),
});
export type StoredPatch = z.infer<typeof storedPatch>;

/** How a paint was measured. */
const measuringWay = z.enum(["photo", "meter", "simulated meter", "typed colours", "file"]);
export type MeasuringWay = z.infer<typeof measuringWay>;

/** What is sent to be kept; the fit is made from it where it is kept. */
export const newMeasurement = z.object({
  paintId: z.uuid(),
  on: day,
  way: measuringWay,
  paperId,
  photoId: photoId.nullable(),
  cardId: z.int().positive().lte(MAX_COUNT).nullable(),
  /** How much it granulates beside the other paints of its sheet; missing where too few lie there. */
  granulation: finite
    .gte(0, "Granulation lies between 0 and 1.")
    .lte(1, "Granulation lies between 0 and 1.")
    .optional(),
  patches: z.array(storedPatch).min(2, "At least two washes are needed to measure a paint.").max(24),
});
export type NewMeasurement = z.infer<typeof newMeasurement>;

/** A fit as it is kept. */
export interface StoredFit {
  readonly granulation?: number;
  readonly K: readonly number[];
  readonly S: readonly number[];
  readonly rms: number;
  readonly miss: number;
  readonly loads: readonly [number, number];
  /** By patch; null where none was fitted. */
  readonly fitted: readonly ({
    readonly lab: { readonly L: number; readonly a: number; readonly b: number };
    readonly dE00: number;
    readonly load: number;
  } | null)[];
}

/** A measurement with its fit, as it is kept. */
export interface Measurement extends NewMeasurement {
  readonly id: string;
  readonly fit: StoredFit;
  /** False when the painter has set it aside: an older one counts then. */
  readonly counts: boolean;
}

/** Of each paint the measurement that counts: the newest that is not set aside. */
export function countingOf<T extends Pick<Measurement, "paintId" | "counts">>(
  newestFirst: readonly T[],
): ReadonlyMap<string, T> {
  const counting = new Map<string, T>();
  for (const measurement of newestFirst)
    if (measurement.counts && !counting.has(measurement.paintId)) counting.set(measurement.paintId, measurement);
  return counting;
}

/** What the film model takes of a measurement. */
export const opticsOfMeasurement = ({
  fit: { K, S, miss, loads, granulation },
  on,
  way,
}: Pick<Measurement, "fit" | "on" | "way">): MeasuredOptics => ({ K, S, miss, loads, on, way, granulation });

/** What may be changed of a measurement once it is kept. */
export const measurementChange = z.object({ counts: z.boolean() });

/** A sheet to print: a paint for each of its places, in order. */
export const newCard = z
  .object({
    kind: z.enum(SHEET_KINDS).default("card"),
    paints: z.array(z.uuid()).min(1, "Choose at least one paint for the sheet."),
    paperId,
  })
  .refine(({ kind, paints }) => paints.length <= SHEETS[kind].paints, {
    error: ({ input }) =>
      `This sheet has room for ${SHEETS[(input as { kind: keyof typeof SHEETS }).kind].paints} paints.`,
  })
  .refine(({ kind, paints }) => kind === "card" || new Set(paints).size === paints.length, {
    error: "A paint stands on the box sheet twice.",
  });
export type NewCard = z.infer<typeof newCard>;

/** A sheet as it was printed. */
export interface SwatchCard extends NewCard {
  readonly id: number;
  readonly on: string;
}

export const cardPage = z.enum(["a4", "letter"]);
export type CardPage = z.infer<typeof cardPage>;
