"use client";

import { ArrowLeft, ArrowRight, Trash2, Undo2 } from "lucide-react";
import { useState } from "react";
import { screenColourOfLab } from "@/core";
import { paintingArea, type PaintingArea, type StoredRecipe } from "@/db/painting-document";
import { useDesk } from "../desk-store";
import { useWays } from "../matcher";
import { usePaper, useSourcePaints } from "../paints";
import { ColourFacts } from "./colour-facts";
import { RecipeEditor } from "./recipe-editor";
import { SourceChoice } from "./source-choice";
import { WayCard } from "./way-card";

const sameRecipe = (one: StoredRecipe | null, two: StoredRecipe): boolean =>
  one !== null && one.waterParts === two.waterParts && one.parts.length === two.parts.length &&
  one.parts.every((part, i) => part.paintId === two.parts[i].paintId && part.parts === two.parts[i].parts);

function AreaName({ area }: { area: PaintingArea }) {
  const changeArea = useDesk((s) => s.changeArea);
  const [name, setName] = useState(area.name);
  const keep = (): void => {
    const checked = paintingArea.shape.name.safeParse(name);
    if (!checked.success) setName(area.name);
    else if (checked.data !== area.name) changeArea(area.id, { name: checked.data });
  };
  return (
    <input
      aria-label="Name of the area" value={name} maxLength={80} autoComplete="off"
      className="name-face w-full min-w-0 rounded-field border border-transparent bg-transparent px-1 text-2xl hover:border-(--hairline)"
      onChange={(event) => setName(event.target.value)} onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === "Enter") event.currentTarget.blur();
        if (event.key === "Escape") setName(area.name);
      }}
    />
  );
}

function Ways({ area }: { area: PaintingArea }) {
  const paper = usePaper();
  const source = useSourcePaints();
  const ways = useWays(area.lab, source, paper.id);
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  if (ways.state === "looking") return <p role="status" className="quiet py-4">Trying every mix of up to three paints …</p>;
  if (ways.state === "failed") return <p role="alert" className="py-4 text-error">{ways.message}</p>;
  if (ways.recipes.length === 0) {
    return <p className="py-4">The tray is empty, so there is nothing to mix from. Lay paints in it below, or mix from all your paints.</p>;
  }
  return (
    <ul aria-label="Ways to mix it">
      {ways.recipes.map((recipe) => {
        const stored: StoredRecipe = { parts: [...recipe.parts], waterParts: recipe.waterParts };
        return (
          <WayCard
            key={JSON.stringify(stored)} recipe={recipe} target={area.lab} paper={paper} chosen={sameRecipe(area.recipe, stored)}
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
  const { select, removeArea, chooseRecipes } = useDesk((s) => s);
  const paper = usePaper();
  const index = areas.findIndex((a) => a.id === area.id);
  const beside = (by: number): PaintingArea => areas[(index + by + areas.length) % areas.length];
  return (
    <article aria-label={`Area ${index + 1}: ${area.name}`} className="p-6 pt-4">
      <nav aria-label="Areas" className="mb-2 flex items-center gap-1">
        <button type="button" className="btn btn-ghost btn-sm -ml-3" onClick={() => select(null)}>All areas</button>
        <span className="quiet ml-auto">{index + 1} of {areas.length}</span>
        <button type="button" className="btn btn-square btn-ghost btn-sm" aria-label={`Previous: ${beside(-1).name}`} onClick={() => select(beside(-1).id)}><ArrowLeft size={16} /></button>
        <button type="button" className="btn btn-square btn-ghost btn-sm" aria-label={`Next: ${beside(1).name}`} onClick={() => select(beside(1).id)}><ArrowRight size={16} /></button>
        <button type="button" className="btn btn-square btn-ghost btn-sm" aria-label={`Remove ${area.name}`} title="Remove this area (undo brings it back)" onClick={() => removeArea(area.id)}><Trash2 size={16} /></button>
      </nav>
      <div className="mb-4 flex gap-4">
        <span aria-hidden className="size-[4.6rem] shrink-0" style={{ background: screenColourOfLab(area.lab).hex }} />
        <div className="min-w-0 flex-1">
          <AreaName key={`${area.id} ${area.name}`} area={area} />
          <div className="pl-1"><ColourFacts lab={area.lab} /></div>
        </div>
      </div>
      {area.recipe && (
        <div className="mb-6 border-t border-(--hairline) pt-4">
          <div className="mb-2 flex items-center">
            <h3 className="font-semibold">Mix it like this</h3>
            <button type="button" className="btn btn-ghost btn-xs ml-auto" onClick={() => chooseRecipes(new Map([[area.id, null]]))}><Undo2 size={13} /> no recipe</button>
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
