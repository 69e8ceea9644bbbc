"use client";

import { Undo2 } from "lucide-react";
import type { PaintingArea, StoredRecipe } from "@/model/painting";
import { useDesk } from "../desk-store";
import { useWays } from "../matcher";
import { usePaper, useSourcePaints } from "../paints";
import { useTarget } from "../targets";
import { AreaName, AreaNav } from "./area-nav";
import { ColourFacts } from "./colour-facts";
import { RecipeEditor } from "./recipe-editor";
import { SourceChoice } from "./source-choice";
import { WayCard } from "./way-card";
import { PhotoAndTarget } from "./photo-and-target";

const sameRecipe = (one: StoredRecipe | null, two: StoredRecipe): boolean =>
  one !== null &&
  one.waterParts === two.waterParts &&
  one.parts.length === two.parts.length &&
  one.parts.every((part, i) => part.paintId === two.parts[i].paintId && part.parts === two.parts[i].parts);

function Ways({ area }: { area: PaintingArea }) {
  const paper = usePaper();
  const source = useSourcePaints();
  const target = useTarget(area);
  const ways = useWays(target, source, paper.id);
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  if (ways.state === "looking")
    return (
      <p role="status" className="quiet py-4">
        Trying every mix of up to three paints …
      </p>
    );
  if (ways.state === "failed")
    return (
      <p role="alert" className="py-4 text-error">
        {ways.message}
      </p>
    );
  if (ways.recipes.length === 0) {
    return (
      <p className="py-4">
        The tray is empty, so there is nothing to mix from. Lay paints in it below, or mix from all your paints.
      </p>
    );
  }
  return (
    <ul aria-label="Ways to mix it">
      {ways.recipes.map((recipe) => {
        const stored: StoredRecipe = { parts: [...recipe.parts], waterParts: recipe.waterParts };
        return (
          <WayCard
            key={JSON.stringify(stored)}
            recipe={recipe}
            target={target}
            paper={paper}
            chosen={sameRecipe(area.recipe, stored)}
            onChoose={() => chooseRecipes(new Map([[area.id, stored]]))}
          />
        );
      })}
    </ul>
  );
}

/** One area: its colour, the recipe in use, and the best ways to mix it. */
export function AreaDetail({ area }: { area: PaintingArea }) {
  const areas = useDesk((s) => s.document.areas);
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  const target = useTarget(area);
  const paper = usePaper();
  const index = areas.findIndex((a) => a.id === area.id);
  return (
    <article aria-label={`Area ${index + 1}: ${area.name}`} className="p-6 pt-4">
      <AreaNav area={area} />
      <div className="mb-4 flex gap-4">
        <PhotoAndTarget photo={area.lab} target={target} width="w-[5.6rem]" />
        <div className="min-w-0 flex-1">
          <AreaName key={`${area.id} ${area.name}`} area={area} />
          <div className="pl-1">
            <ColourFacts lab={target} />
          </div>
        </div>
      </div>
      {area.recipe && (
        <div className="mb-6 border-t border-(--hairline) pt-4">
          <div className="mb-2 flex items-center">
            <h3 className="font-semibold">Mix it like this</h3>
            <button
              type="button"
              className="btn btn-ghost btn-xs ml-auto"
              onClick={() => chooseRecipes(new Map([[area.id, null]]))}
            >
              <Undo2 size={13} /> no recipe
            </button>
          </div>
          <RecipeEditor area={area} recipe={area.recipe} paper={paper} />
        </div>
      )}
      <div className="border-t border-(--hairline) pt-4">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <h3 className="font-semibold">{area.recipe ? "Other ways" : "Ways to mix it"}</h3>
          <SourceChoice />
        </div>
        <Ways area={area} />
      </div>
    </article>
  );
}
