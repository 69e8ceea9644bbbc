import { z } from "zod";
import { countLabels, unpackMap } from "@/core/areas";
import type { Lab } from "@/core/colour";
import { GRAINS, type ValueRange, type WashCharacter } from "@/core/mixing";
import { paperById } from "@/core/optics";
import { wishUnder } from "@/core/palette";
import { curveOf, targetColour, type CurveValues } from "@/core/planning";
import { approach, paperId, type PaintingArea, type PaintingDocument, type Study } from "./painting";
import { characterOf, coloursOf, weightsOf, type AreaColour } from "./washes";

/** The curve that brings a photo's values to what paper and paints can do. */
export const curveValuesOf = (curve: Study["curve"], range: ValueRange): CurveValues =>
  curve.kind === "bent" ? curve.values : curveOf(curve.kind, range);

/** One colour of a painting as it is to be painted. */
export interface Wanted {
  readonly area: PaintingArea;
  readonly colour: AreaColour;
  /** Its place in the area's wash. */
  readonly index: number;
  readonly lab: Lab;
  readonly weight: number;
  readonly character: WashCharacter;
}

/** All colours of all washes before hues follow any recipe, in the areas' order: what paints are chosen for. */
export function wantedOf(
  {
    areas,
    approach: own,
    paperId: paper,
    study: { wish },
    plan: { reserved },
  }: Pick<PaintingDocument, "areas" | "approach" | "paperId"> & {
    readonly study: Pick<Study, "wish">;
    readonly plan: Pick<PaintingDocument["plan"], "reserved">;
  },
  curve: CurveValues,
): readonly Wanted[] {
  const lifted = new Set(reserved.flatMap(({ areaId, how }) => (how === "lift" ? [areaId] : [])));
  const general = wishUnder(own, wish);
  return areas.flatMap((area) => {
    const weights = weightsOf(area);
    return coloursOf(area).map((colour, index) => ({
      area,
      colour,
      index,
      lab: targetColour(colour.lab, area.wish ?? general, curve, paperById(paper)),
      weight: weights[index]!,
      character: characterOf(area, lifted.has(area.id)),
    }));
  });
}

const wantedColour = z.object({
  areaId: z.string(),
  area: z.string(),
  lab: z.object({ L: z.number(), a: z.number(), b: z.number() }),
  weight: z.number(),
  areaCm2: z.number(),
  character: z.object({ grain: z.enum(GRAINS), lifts: z.boolean(), clear: z.boolean() }),
});

/** What a box for several paintings needs to know of one of them. */
export const wantedAnswer = z.object({
  id: z.string(),
  title: z.string(),
  paperId,
  approach,
  colours: z.array(wantedColour),
});
export type WantedAnswer = z.infer<typeof wantedAnswer>;

/** Sheet that is taken where a painting says none, cm²: 38 by 28. */
const USUAL_SHEET_CM2 = 38 * 28;

/** What is wanted of a painting as its document alone tells it; sizes by the shares of its map. */
export function wantedOfPainting(id: string, document: PaintingDocument, range: ValueRange): WantedAnswer {
  const { map, sheet, curve } = document.study;
  const counts = map && countLabels(unpackMap(map.packed, map.width, map.height));
  const sheetCm2 = sheet ? sheet.widthCm * sheet.heightCm : USUAL_SHEET_CM2;
  const pixels = counts ? counts.reduce((sum, count) => sum + count, 0) : 0;
  const wanted = wantedOf(document, curveValuesOf(curve, range));
  return {
    id,
    title: document.title,
    paperId: document.paperId,
    approach: document.approach,
    colours: wanted.map(({ area, colour, lab, weight, character }) => ({
      areaId: area.id,
      area: area.name,
      lab,
      weight,
      areaCm2: counts && area.region !== null ? (colour.share * sheetCm2 * counts[area.region]!) / pixels : 0,
      character,
    })),
  };
}
