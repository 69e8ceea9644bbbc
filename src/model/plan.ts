import { z } from "zod";
import { CRISP_BY, RESERVES, WETNESSES } from "@/core/planning";
import { LIMITS } from "./limits";

/** Names a wash of the plan (core: PlannedWash): a colour's or an area's id, and what is done to it. */
const washKey = z.string().regex(/^[0-9a-f-]{36}( (\d|mask|unmask|lift))?$/, "There is no such wash.");

export const HANDS_OF_PAINTERS = ["right", "left"] as const;
/** Sheets by their weight, g/m². Common weights, from memory. */
export const SHEET_WEIGHTS_GSM = [190, 300, 425, 640] as const;

/** Munsell value of a dried swatch. */
export const testedValue = z
  .number("A value is a number from 0 to 10.")
  .gte(0, "A value is a number from 0 to 10.")
  .lte(10, "A value is a number from 0 to 10.");

/** What became of a wash at the easel, and when. */
const sat = z.object({ key: washKey, as: z.enum(["done", "skipped"]), at: z.iso.datetime() });
export type SatWash = z.infer<typeof sat>;

/** How a painting will be painted, and how far it is. */
export const storedPlan = z.object({
  /** The painter's own order of washes; null: the proposed one. */
  order: z
    .array(washKey)
    .max(LIMITS.washes, `A plan holds at most ${LIMITS.washes} washes.`)
    .refine((keys) => new Set(keys).size === keys.length, "A wash stands in the order twice.")
    .nullable(),
  hand: z.enum(HANDS_OF_PAINTERS),
  wetness: z.enum(WETNESSES),
  crispBy: z.enum(CRISP_BY).default("hairline"),
  weightGsm: z.union(SHEET_WEIGHTS_GSM.map((gsm) => z.literal(gsm))),
  temperatureC: z.number("The temperature is a number.").gte(0, "Below 0 °C a wash freezes.").lte(45, "At most 45 °C."),
  /** Relative, 0 to 1. */
  humidity: z.number("The humidity is a number.").gte(0.05, "At least 5 %.").lte(1, "At most 100 %."),
  /** Lights that stay, by their area. */
  reserved: z
    .array(z.object({ areaId: z.uuid(), how: z.enum(RESERVES) }))
    .max(LIMITS.areas)
    .refine((list) => new Set(list.map(({ areaId }) => areaId)).size === list.length, "A light is reserved twice."),
  /** Values that test swatches of colours dried to, by the ids of the washes' colours. */
  tested: z
    .array(z.object({ colourId: z.uuid(), value: testedValue }))
    .max(LIMITS.washes)
    .refine((list) => new Set(list.map(({ colourId }) => colourId)).size === list.length, "A colour is tested twice.")
    .default([]),
  /** What was painted, in its order. */
  sat: z.array(sat).max(LIMITS.sat, `At most ${LIMITS.sat} washes are noted at the easel.`),
});
export type StoredPlan = z.infer<typeof storedPlan>;

export const NEW_PLAN: StoredPlan = {
  order: null,
  hand: "right",
  wetness: "usual",
  crispBy: "hairline",
  weightGsm: 300,
  temperatureC: 20,
  humidity: 0.5,
  reserved: [],
  tested: [],
  sat: [],
};

/** Washes that are painted or passed over, with the last word on each. */
export const satWashes = ({ sat: list }: StoredPlan): ReadonlyMap<string, SatWash> =>
  new Map(list.map((one) => [one.key, one]));
