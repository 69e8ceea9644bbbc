import type { AreasMeasured } from "@/core/areas";
import type { PaintingArea, StoredRecipe } from "@/model/painting";
import { coloursOf } from "@/model/washes";

/** A recipe in use, and the share of the sheet that it covers. */
interface RecipeUse {
  readonly id: string;
  readonly recipe: StoredRecipe;
  readonly share: number;
}

/** The recipes of an area's colours with the paper each covers. A layered wash's first one lies under all of it. */
export function usesOf(area: PaintingArea, measured: AreasMeasured | null): readonly RecipeUse[] {
  const whole = measured?.areas.find(({ label }) => label === area.region)?.share ?? 0;
  return coloursOf(area).flatMap(({ id, recipe, share }, i) =>
    recipe ? [{ id, recipe, share: whole * (i === 0 && area.wash.kind === "layered" ? 1 : share) }] : [],
  );
}
