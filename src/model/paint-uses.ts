import type { PaintingArea, PaintingDocument } from "./painting";
import { coloursOf } from "./washes";

/** Places of the areas whose recipes use a paint, counted from 1, by the paints' ids. */
export function areasByPaint(areas: readonly PaintingArea[]): ReadonlyMap<string, readonly number[]> {
  const uses = new Map<string, number[]>();
  areas.forEach((area, i) => {
    const used = new Set(coloursOf(area).flatMap(({ recipe }) => recipe?.parts.map(({ paintId }) => paintId) ?? []));
    for (const paintId of used) uses.set(paintId, [...(uses.get(paintId) ?? []), i + 1]);
  });
  return uses;
}

/** Paints that a painting takes: those laid out, then those that recipes use without them. */
export const paintsTaken = ({ palette, areas }: Pick<PaintingDocument, "palette" | "areas">): readonly string[] => [
  ...new Set([...palette, ...areasByPaint(areas).keys()]),
];
