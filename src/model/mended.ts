import { PAPERS } from "@/core/optics";
import { paintboxDocument, type PaintboxDocument } from "./paintbox";
import { FLAT_WASH, paintingArea, paintingDocument, storedRecipe, type PaintingDocument } from "./painting";

const unique = <T>(list: readonly T[]): T[] => [...new Set(list)];

/** Items whose ids came up before are left out. */
function firstOfEach<T extends { readonly id: string }>(list: readonly T[]): T[] {
  const seen = new Set<string>();
  return list.filter(({ id }) => !seen.has(id) && seen.add(id));
}

/**
 * A painting as an earlier Abendrot may have stored it, with what the doors no longer take put right:
 * it could not be saved again otherwise. A document that is good comes back as it is, with what was not asked
 * then at its default.
 */
export function mendedPainting(document: PaintingDocument): PaintingDocument {
  const good = paintingDocument.safeParse(document);
  if (good.success) return good.data;
  const { rules } = document;
  return {
    ...document,
    paperId: PAPERS.some(({ id }) => id === document.paperId) ? document.paperId : PAPERS[0].id,
    areas: firstOfEach(document.areas).map((area) => ({
      ...area,
      recipe: area.recipe && (storedRecipe.safeParse(area.recipe).data ?? null),
      wash: paintingArea.shape.wash.safeParse(area.wash).data ?? FLAT_WASH,
    })),
    palette: unique(document.palette),
    rules: {
      ...rules,
      must: unique(rules.must),
      never: unique(rules.never).filter((id) => !rules.must.includes(id)),
      kinds: rules.kinds.filter(({ least, most }) => least <= most),
      reach: { ...rules.reach, areaIds: unique(rules.reach.areaIds) },
    },
    palettes: firstOfEach(document.palettes).map((kept) => ({ ...kept, paints: unique(kept.paints) })),
    study: { ...document.study, pairs: firstOfEach(document.study.pairs) },
  };
}

/** The paintbox, likewise. */
export function mendedPaintbox(document: PaintboxDocument): PaintboxDocument {
  const good = paintboxDocument.safeParse(document);
  if (good.success) return good.data;
  const known = new Set(document.paints.map(({ id }) => id));
  return {
    paints: document.paints.map((paint) => ({
      ...paint,
      pigments: [...new Map(paint.pigments.map((pigment) => [pigment.pigmentId, pigment])).values()],
    })),
    boxes: firstOfEach(document.boxes).map((box) => ({
      ...box,
      wells: box.wells.map((well, i) =>
        well !== null && known.has(well) && box.wells.indexOf(well) === i ? well : null,
      ),
    })),
  };
}
