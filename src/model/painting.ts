import { z } from "zod";
import { BOTHER, MAX_LABEL, unpackMap, WASH_KINDS, type Light, type Plane } from "@/core/areas";
import { MAX_ANGLE_DEGREES } from "@/core/image";
import { ANY_CHARACTER, GRAINS } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { APPROACH_CHOICES, DEFAULT_APPROACH, KINDS, type Approach } from "@/core/palette";
import { CURVE_KINDS } from "@/core/planning";
import { LETTERS, LIMITS } from "./limits";
import { NEW_PLAN, storedPlan } from "./plan";
import { photoId } from "./photo-id";
import { saveRequest } from "./revision";
import { cutText, text } from "./text";

const finite = z.number().refine(Number.isFinite);
/** Smallest part of a recipe that means anything: a hundredth of a touch. */
const LEAST_PART = 1e-3;

/** A sheet that there is. */
export const paperId = z.enum(PAPERS.map(({ id }) => id) as [string, ...string[]], "There is no such paper.");

function readable({ width, height, packed }: { width: number; height: number; packed: string }): boolean {
  try {
    unpackMap(packed, width, height);
    return true;
  } catch {
    return false;
  }
}

/** A recipe as the painter chose it; its colour is predicted anew whenever it is shown. */
export const storedRecipe = z.object({
  parts: z
    .array(z.object({ paintId: z.uuid(), parts: finite.gte(LEAST_PART).lte(12) }))
    .min(1)
    .max(3)
    .refine(
      (parts) => new Set(parts.map(({ paintId }) => paintId)).size === parts.length,
      "A paint stands in a recipe once.",
    ),
  waterParts: finite.gte(0).lte(LIMITS.waterParts),
  /** The painter keeps it: palettes are laid out and puddles planned around it. */
  pinned: z.boolean().optional(),
});
export type StoredRecipe = z.infer<typeof storedRecipe>;

/** What the painter wants of a colour beside its value (core: Wish). */
const wish = z.discriminatedUnion("way", [
  z.object({ way: z.literal("follow") }),
  z.object({ way: z.literal("heighten"), by: finite.gte(0.3).lte(3) }),
  z.object({ way: z.literal("turn"), degrees: finite.gte(-180).lte(180) }),
]);

export const PLANES = ["near", "middle", "far"] as const satisfies readonly Plane[];
export const LIGHTS = ["lit", "shade", "cast"] as const satisfies readonly Light[];
export const EDGES = ["soft", "hard"] as const;
/** How much an area counts when colours are matched and paints chosen. The last is the focal point's. */
export const WEIGHTS = [0.5, 1, 2, 4] as const;
export const FOCAL_WEIGHT = 4;

const share = finite.gte(0).lte(1);
const point = z.object({ x: share, y: share });
const lab = z.object({ L: finite.gte(-1).lte(101), a: finite.gte(-200).lte(200), b: finite.gte(-200).lte(200) });

/** A further colour of an area's wash, beside the area's own. */
const washColour = z.object({
  id: z.uuid(),
  lab,
  /** Where it lies in the photo. */
  at: point,
  /** Share of the area, 0 to 1. */
  share,
  recipe: storedRecipe.nullable(),
  /** An accent: dropped in last, and counting little when paints are chosen. */
  drop: z.boolean(),
});
export type StoredWashColour = z.infer<typeof washColour>;

/**
 * How an area is laid (core: WashPlan). The area's own colour is the first: where a graded wash begins,
 * the lightest of varied ones, the first wash of layered ones.
 */
const wash = z
  .object({
    kind: z.enum(WASH_KINDS),
    /** Share of the area that its own colour stands for. */
    share,
    more: z.array(washColour).max(3, "A wash has at most three colours and one that is dropped in."),
    /** Where a graded wash begins and ends. */
    run: z.object({ from: point, to: point }).nullable(),
  })
  .refine(({ kind, more }) => {
    const laid = more.filter(({ drop }) => !drop).length;
    return kind === "flat" ? laid === 0 : laid >= 1 && laid <= 2;
  }, "A flat wash has one colour, any other two or three.")
  .refine(({ kind, run }) => (kind === "graded") === (run !== null), "Only a graded wash runs in a direction.");
export type StoredWash = z.infer<typeof wash>;
export const FLAT_WASH: StoredWash = { kind: "flat", share: 1, more: [], run: null };

export const paintingArea = z.object({
  id: z.uuid(),
  name: text(LETTERS.areaName, `Names are at most ${LETTERS.areaName} letters long.`).min(1, "An area needs a name."),
  /** Shares of the photo: x and radius of its width, y of its height. */
  sample: z.object({ x: finite.gte(0).lte(1), y: finite.gte(0).lte(1), radius: finite.gte(0).lte(0.5) }),
  lab,
  recipe: storedRecipe.nullable(),
  /** Paintings of before had flat areas alone. */
  wash: wash.default(FLAT_WASH),
  /** Its label on the painting's map; null while it is known by its sample alone. */
  region: z.int().gte(1).lte(MAX_LABEL).nullable(),
  plane: z.enum(PLANES).nullable(),
  light: z.enum(LIGHTS).nullable(),
  edge: z.enum(EDGES).nullable(),
  weight: z.union(WEIGHTS.map((weight) => z.literal(weight))),
  /** Null: as wished for the whole painting. */
  wish: wish.nullable(),
  /** What is wished of its wash beside the colour (core: Character). Paintings of before wished nothing. */
  character: z.object({ grain: z.enum(GRAINS), lifts: z.boolean(), clear: z.boolean() }).default(ANY_CHARACTER),
});
export type PaintingArea = z.infer<typeof paintingArea>;

/** An area as it starts: its colour, and nothing decided about it. */
export const newArea = (
  area: Pick<PaintingArea, "id" | "name" | "sample" | "lab"> & Partial<PaintingArea>,
): PaintingArea => ({
  recipe: null,
  wash: FLAT_WASH,
  region: null,
  plane: null,
  light: null,
  edge: null,
  weight: 1,
  wish: null,
  character: ANY_CHARACTER,
  ...area,
});

const curveValues = z
  .tuple([finite, finite, finite, finite, finite])
  .refine(
    (v) => v.every((value, i) => value >= 0 && value <= 10 && (i === 0 || value >= v[i - 1]!)),
    "A value curve never falls.",
  );

/** How the photo is looked at and what is wanted of it. */
const study = z.object({
  /** The part of the photo that is painted; null: all of it (core: Frame). */
  frame: z
    .object({
      x: share,
      y: share,
      width: finite.gt(0).lte(1),
      aspect: finite.gt(0.1).lt(10),
      angleDegrees: finite.gte(-MAX_ANGLE_DEGREES).lte(MAX_ANGLE_DEGREES),
    })
    .nullable(),
  /** The sheet's size; null: 38 cm long, in the photo's shape. */
  sheet: z
    .object({ widthCm: finite.gte(2).lte(300), heightCm: finite.gte(2).lte(300), unit: z.enum(["cm", "in"]) })
    .nullable(),
  /** The picked neutral: its light as the photo has it (linear Display P3), and how far it is corrected. */
  white: z.object({ x: share, y: share, light: z.object({ r: share, g: share, b: share }), degree: share }).nullable(),
  /** Which area each pixel belongs to (core: packMap). */
  map: z
    .object({ width: z.int().gte(1).lte(1000), height: z.int().gte(1).lte(1000), packed: z.string().max(800_000) })
    .nullable(),
  wish,
  curve: z.discriminatedUnion("kind", [
    z.object({ kind: z.enum(CURVE_KINDS) }),
    z.object({ kind: z.literal("bent"), values: curveValues }),
  ]),
  /** Pairs of points that are being compared, pinned. Shares of the photo. */
  pairs: z
    .array(z.object({ id: z.uuid(), a: point, b: point }))
    .max(LIMITS.pairs, `At most ${LIMITS.pairs} pairs can be pinned.`)
    .refine((pairs) => new Set(pairs.map(({ id }) => id)).size === pairs.length, "Two pinned pairs have the same id."),
  /** Differences within an area from which a wash is more than flat, dE00. */
  bother: finite.gte(2).lte(12).default(BOTHER),
  /** Warnings of mud that the painter has overruled, by what they warn of: it is meant so. */
  meant: z
    .array(text(100))
    .max(LIMITS.meant, `At most ${LIMITS.meant} warnings can be overruled.`)
    .refine((keys) => new Set(keys).size === keys.length, "A warning is overruled twice.")
    .default([]),
});
export type Study = z.infer<typeof study>;

export const NEW_STUDY: Study = {
  frame: null,
  sheet: null,
  white: null,
  map: null,
  wish: { way: "follow" },
  curve: { kind: "lights" },
  pairs: [],
  bother: BOTHER,
  meant: [],
};

/** The painter's school for this painting (core: Approach), a default of one's own included. */
export const approach = z.object({
  size: z.enum(APPROACH_CHOICES.size),
  primaries: z.enum(APPROACH_CHOICES.primaries),
  darks: z.enum(APPROACH_CHOICES.darks),
  hues: z.enum(APPROACH_CHOICES.hues),
  chroma: z.enum(APPROACH_CHOICES.chroma),
  granulation: z.enum(APPROACH_CHOICES.granulation),
  opacity: z.enum(APPROACH_CHOICES.opacity),
  greys: z.enum(APPROACH_CHOICES.greys),
  lasting: z.enum(APPROACH_CHOICES.lasting),
  mixing: z.enum(APPROACH_CHOICES.mixing),
  hand: z.enum(APPROACH_CHOICES.hand).default(DEFAULT_APPROACH.hand),
  near: z.enum(APPROACH_CHOICES.near).default(DEFAULT_APPROACH.near),
  effort: z.enum(APPROACH_CHOICES.effort).default(DEFAULT_APPROACH.effort),
  valueWeight: finite.gte(1).lte(4),
  maxPigments: z.int().gte(1).lte(6),
  single: z.boolean(),
  darkest: finite.gte(1).lte(9).nullable(),
});

/** A list that names nothing twice. */
const once = <T extends z.ZodType<string>>(item: T) =>
  z.array(item).refine((list) => new Set(list).size === list.length, "Something is named twice.");

/** What the palette of one painting must hold, must not, and must reach. */
const paletteRules = z
  .object({
    must: once(z.uuid()).max(LIMITS.must, `A palette can't hold more than ${LIMITS.must} paints that must be in it.`),
    never: once(z.uuid()).max(LIMITS.paints),
    /** At least and at most so many of a kind. */
    kinds: z
      .array(
        z
          .object({ kind: z.enum(KINDS), least: z.int().gte(0).lte(12), most: z.int().gte(0).lte(12) })
          .refine(({ least, most }) => least <= most, "At least can't be more than at most."),
      )
      .max(20),
    /** Areas that must be reached within so much, dE00. */
    reach: z.object({ areaIds: once(z.uuid()).max(LIMITS.areas), within: finite.gte(1).lte(20) }),
    /** The box that is taken along: its paints alone are planned from; null: all at hand. */
    boxId: z.uuid().nullable().default(null),
    /** Paints that the painter is in the mood for. */
    mood: once(z.uuid()).max(LIMITS.must, `One can be in the mood for ${LIMITS.must} paints at most.`).default([]),
    /** Single paints that are taken along in place of a box; none: what `boxId` says. */
    few: once(z.uuid()).max(LIMITS.paints).default([]),
  })
  .refine(({ must, never }) => !must.some((id) => never.includes(id)), "A paint can't be a must and a never.");
export type StoredRules = z.infer<typeof paletteRules>;
export const NO_RULES: StoredRules = {
  must: [],
  never: [],
  kinds: [],
  reach: { areaIds: [], within: 4 },
  boxId: null,
  mood: [],
  few: [],
};

/** A palette kept under a name, beside the one in the tray. */
export const keptPalette = z.object({
  id: z.uuid(),
  name: text(LETTERS.paletteName, `Names of palettes are at most ${LETTERS.paletteName} letters long.`).min(
    1,
    "A palette needs a name.",
  ),
  paints: once(z.uuid()).min(1).max(LIMITS.trayPaints),
});
export type KeptPalette = z.infer<typeof keptPalette>;

/** What the painter can change about a painting, saved as one piece and undone as one piece. */
export const paintingDocument = z
  .object({
    title: text(LETTERS.title, `Titles are at most ${LETTERS.title} letters long.`).min(1, "A painting needs a title."),
    paperId,
    areas: z.array(paintingArea).max(LIMITS.areas, `A painting holds at most ${LIMITS.areas} areas.`),
    palette: z.array(z.uuid()).max(LIMITS.trayPaints, `The tray holds at most ${LIMITS.trayPaints} paints.`),
    study,
    approach,
    rules: paletteRules,
    plan: storedPlan.default(NEW_PLAN),
    palettes: z
      .array(keptPalette)
      .max(LIMITS.keptPalettes, `At most ${LIMITS.keptPalettes} palettes can be kept beside the tray.`)
      .refine((kept) => new Set(kept.map(({ id }) => id)).size === kept.length, "Two kept palettes have the same id."),
  })
  .refine((d) => {
    const ids = d.areas.flatMap((a) => [a.id, ...a.wash.more.map(({ id }) => id)]);
    return new Set(ids).size === ids.length;
  }, "Two areas have the same id.")
  .refine((d) => new Set(d.palette).size === d.palette.length, "A paint lies on the palette twice.")
  .refine(
    (d) => new Set(d.areas.flatMap((a) => a.region ?? [])).size === d.areas.filter((a) => a.region !== null).length,
    "Two areas claim the same region.",
  )
  .refine(({ study: { map } }) => !map || readable(map), "The areas' map can't be read.");
export type PaintingDocument = z.infer<typeof paintingDocument>;

/** A painting just begun. */
export const newPainting = (title: string, paperId: string, own: Approach = DEFAULT_APPROACH): PaintingDocument => ({
  title,
  paperId,
  areas: [],
  palette: [],
  study: NEW_STUDY,
  approach: own,
  rules: NO_RULES,
  plan: NEW_PLAN,
  palettes: [],
});

export const savePaintingRequest = saveRequest(paintingDocument);

/** A change to a painting that lies on the shelf: its title, or whether it is in the bin. */
export const shelfRequest = z.union([
  z.strictObject({ title: paintingDocument.shape.title }),
  z.strictObject({ binned: z.boolean() }),
]);
export type ShelfRequest = z.infer<typeof shelfRequest>;

/** The title of a painting that was made from another, as long as titles may be. */
export function againTitle(title: string): string {
  const [, first = title, times] = /^(.*), again(?: (\d{1,3}))?$/u.exec(title) ?? [];
  const again = first === title ? ", again" : `, again ${Number(times ?? 1) + 1}`;
  return `${cutText(first, LETTERS.title - again.length)}${again}`;
}

/** A painting to be kept as one of its own: a document on a photo that is there. */
export const paintingCopyRequest = z.object({
  photoId,
  document: paintingDocument,
});
