"use client";

import { loadOfWater } from "@/core/optics";
import type { StoredRecipe } from "@/model/painting";
import { recipeAgainstApproach } from "../left-out-words";
import { useLeftOut, usePaints } from "../paints";

/** Tells where the mix in use, one's own or an older one, is none that the approach would propose. */
export function AgainstApproach({ recipe }: { recipe: StoredRecipe }) {
  const paints = usePaints();
  const leftOut = useLeftOut();
  const said = recipeAgainstApproach(
    recipe.parts.flatMap(({ paintId }) => paints.get(paintId) ?? []),
    loadOfWater(recipe.waterParts),
    leftOut,
  );
  return (
    said && (
      <p role="note" className="mt-3 leading-snug">
        {said}
      </p>
    )
  );
}
