import { lchOfLab } from "@/core/colour";
import { paintModel, predict, type PaintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { grainOf, HANDBOOK, hueOrder, type Pigment } from "@/core/pigments";

/** A pigment of the handbook as a paint on its own. */
export interface HandbookEntry {
  readonly pigment: Pigment;
  readonly model: PaintModel;
  /** Hue angle of a middle wash, degrees. */
  readonly hueDegrees: number;
  /** Words the search looks through. */
  readonly search: string;
}

/** All pigments in hue order. */
export const ENTRIES: readonly HandbookEntry[] = HANDBOOK.map((pigment) => {
  const model = paintModel(pigment.id, [{ pigmentId: pigment.id, share: 1 }]);
  const { h } = lchOfLab(predict([{ paint: model, parts: 1 }], 0.2, PAPERS[0]).dry);
  return {
    pigment,
    model,
    hueDegrees: h,
    search: [pigment.code, pigment.name, ...(pigment.also ?? []), pigment.family, pigment.transparency]
      .join(" ")
      .toLowerCase(),
  };
}).sort(hueOrder);

/** Properties one can filter by. */
export const PROPERTIES = [
  { id: "transparent", words: "transparent", has: ({ transparency }: Pigment) => transparency === "transparent" },
  {
    id: "opaque",
    words: "covering",
    has: ({ transparency }: Pigment) => transparency === "opaque" || transparency === "semi-opaque",
  },
  { id: "granulating", words: "granulates", has: ({ granulation }: Pigment) => grainOf(granulation) === "granulates" },
  { id: "lifting", words: "lifts", has: ({ staining }: Pigment) => staining < 0.4 },
  { id: "lasting", words: "lasting", has: ({ lightfastness }: Pigment) => lightfastness.class <= 2 },
  { id: "safe", words: "no caution", has: ({ hazards }: Pigment) => (hazards ?? []).length === 0 },
] as const;
export type PropertyId = (typeof PROPERTIES)[number]["id"];

/** Entries whose words hold every word searched for and which have every property asked for. */
export function findEntries(words: string, properties: ReadonlySet<PropertyId>): readonly HandbookEntry[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return ENTRIES.filter(
    ({ pigment, search }) =>
      wanted.every((word) => search.includes(word)) &&
      PROPERTIES.every(({ id, has }) => !properties.has(id) || has(pigment)),
  );
}
