import { useMemo } from "react";
import type { AreasMeasured } from "@/core/areas";
import { coatsByColour } from "@/core/planning";
import type { PaintingArea, StoredRecipe } from "@/model/painting";
import { areasByPaint } from "@/model/paint-uses";
import { coloursOf } from "@/model/washes";
import { useDesk } from "./desk-store";
import { usePaints, type KnownPaint } from "./paints";
import { sheetOf, useMeasured, usePhoto } from "./photo-study";

/** Of each colour of each wash the paper it covers, whole cm²; empty until the areas are measured. */
export function useWashSizes(): ReadonlyMap<string, number> {
  const areas = useDesk((s) => s.document.areas);
  const study = useDesk((s) => s.document.study);
  const { size } = usePhoto();
  const measured = useMeasured();
  return useMemo(() => {
    const { widthCm, heightCm } = sheetOf(study, size);
    return new Map(
      areas.flatMap((area) =>
        sharesOf(area, measured).map(({ id, share }) => [id, Math.round(share * widthCm * heightCm)] as const),
      ),
    );
  }, [areas, study, size, measured]);
}

/** The share of the sheet that each colour of a wash covers. A layered wash's first one lies under all of it. */
function sharesOf(area: PaintingArea, measured: AreasMeasured | null) {
  const whole = measured?.areas.find(({ label }) => label === area.region)?.share ?? 0;
  return coloursOf(area).map(({ id, recipe, share }, i) => ({
    id,
    recipe,
    share: whole * (i === 0 && area.wash.kind === "layered" ? 1 : share),
  }));
}

/** In how many coats each colour is laid whose mix is chosen: the same that the plan lays, by the colours' ids. */
export function useCoats(): ReadonlyMap<string, number> {
  const areas = useDesk((s) => s.document.areas);
  const sizes = useWashSizes();
  return useMemo(
    () =>
      new Map(
        areas.flatMap((area) => [
          ...coatsByColour(
            coloursOf(area).flatMap(({ id, recipe, drop, over }) =>
              recipe ? [{ id, waterParts: recipe.waterParts, areaCm2: sizes.get(id) ?? 0, drop, over }] : [],
            ),
          ),
        ]),
      ),
    [areas, sizes],
  );
}

/** A recipe in use, and the share of the sheet that it covers. */
interface RecipeUse {
  readonly id: string;
  readonly recipe: StoredRecipe;
  readonly share: number;
}

/** The recipes of an area's colours with the share of the sheet that each covers. */
export const usesOf = (area: PaintingArea, measured: AreasMeasured | null): readonly RecipeUse[] =>
  sharesOf(area, measured).flatMap(({ id, recipe, share }) => (recipe ? [{ id, recipe, share }] : []));

/** Numbers of the areas whose recipes use a paint, by the paints' ids. */
export function usePaintUses(): ReadonlyMap<string, readonly number[]> {
  const areas = useDesk((s) => s.document.areas);
  return useMemo(() => areasByPaint(areas), [areas]);
}

/** Paints of the paintbox that recipes use though they are not laid out. */
export function useOutsiders(): readonly KnownPaint[] {
  const uses = usePaintUses();
  const palette = useDesk((s) => s.document.palette);
  const paints = usePaints();
  return useMemo(
    () => [...uses.keys()].flatMap((id) => (palette.includes(id) ? [] : (paints.get(id) ?? []))),
    [uses, palette, paints],
  );
}
