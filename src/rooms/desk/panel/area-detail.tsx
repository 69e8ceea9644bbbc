"use client";

import { Pin, Undo2 } from "lucide-react";
import { useState } from "react";
import { screenColourOfLab, type Lab } from "@/core/colour";
import { chargePath } from "@/core/mixing";
import { loadOfWater, type Paper } from "@/core/optics";
import type { PaintingArea, StoredRecipe } from "@/model/painting";
import { characterOf, coloursOf, sameRecipe, type AreaColour } from "@/model/washes";
import { useDesk } from "../desk-store";
import { useWays } from "../matcher";
import { groundOf, laidWash, namedParts, usePaints, usePaper, useSourcePaints } from "../paints";
import { useTargets } from "../targets";
import { useWashSizes } from "../uses";
import { WASH_WORDS } from "../wash-words";
import { AreaName, AreaNav } from "./area-nav";
import { AgainstApproach } from "./against-approach";
import { ColourFacts } from "./colour-facts";
import { MudNote } from "./mud-note";
import { ColourTabs } from "./colour-tabs";
import { PhotoAndTarget } from "./photo-and-target";
import { RecipeEditor } from "./recipe-editor";
import { SourceChoice } from "./source-choice";
import { WayCard } from "./way-card";

interface ColourProps {
  readonly area: PaintingArea;
  readonly colour: AreaColour;
  readonly target: Lab;
  /** What it is laid on: the paper, or the dried first wash. */
  readonly ground: Paper;
}

function Ways({ area, colour, target, ground }: ColourProps) {
  const paper = usePaper();
  const paints = usePaints();
  const source = useSourcePaints();
  const from = useDesk((s) => s.source);
  const over = colour.over && area.recipe ? laidWash(area.recipe, paints) : null;
  const areaCm2 = useWashSizes().get(colour.id) ?? 0;
  const lifted = useDesk((s) =>
    s.document.plan.reserved.some(({ areaId, how }) => areaId === area.id && how === "lift"),
  );
  const ways = useWays(target, source, paper.id, { areaCm2, character: characterOf(area, lifted) }, over);
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  if (ways.state === "looking")
    return (
      <p role="status" className="quiet py-4">
        Trying every mix of up to {over ? "two" : "three"} paints …
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
        {from === "paintbox"
          ? "No paint at hand is left to mix from: all are left out, or away. Look at the approach and at what is taken along, in the step Palette."
          : "The tray is empty, so there is nothing to mix from. Lay paints in it below, or mix from all your paints."}
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
            paper={ground}
            areaCm2={areaCm2}
            chosen={sameRecipe(colour.recipe, stored)}
            onChoose={() => chooseRecipes(new Map([[colour.id, stored]]))}
          />
        );
      })}
    </ul>
  );
}

/** Steps of the strip that shows how two puddles run into each other. */
const MEETING_STEPS = 24;

/** How the puddles of a graded or varied wash meet: the predicted dry colours between them. */
function Meeting({ area, paper }: { area: PaintingArea; paper: Paper }) {
  const paints = usePaints();
  const laid = coloursOf(area).filter(({ drop }) => !drop);
  if (area.wash.kind !== "graded" && area.wash.kind !== "varied") return null;
  const puddles = laid.flatMap(({ recipe }) => {
    const mix = recipe && namedParts(recipe, paints);
    return recipe && mix ? [{ mix, load: loadOfWater(recipe.waterParts) }] : [];
  });
  if (puddles.length < laid.length) return null;
  const path = puddles.slice(1).flatMap((to, i) => chargePath(puddles[i]!, to, paper, MEETING_STEPS));
  return (
    <div className="space-y-1 pb-3">
      <p className="label-line">
        {area.wash.kind === "graded"
          ? "The run between the puddles, dry: keep the bead wet and change over on the way"
          : "Where they melt into each other, dry"}
      </p>
      <div className="flex h-8" role="img" aria-label="The colours between the puddles, dry">
        {path.map((lab, i) => (
          <span key={i} className="flex-1" style={{ background: screenColourOfLab(lab).hex }} />
        ))}
      </div>
    </div>
  );
}

/** One area: its colours, the recipe in use for each, and the best ways to mix it. */
export function AreaDetail({ area }: { area: PaintingArea }) {
  const areas = useDesk((s) => s.document.areas);
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  const targets = useTargets();
  const paints = usePaints();
  const paper = usePaper();
  const sizes = useWashSizes();
  const asked = useDesk((st) => st.colourId);
  const [shown, setShown] = useState(asked ?? area.id);
  const index = areas.findIndex((a) => a.id === area.id);
  const colours = coloursOf(area);
  const colour = colours.find(({ id }) => id === shown) ?? colours[0];
  const target = targets.get(colour.id) ?? colour.lab;
  const ground = groundOf(colour.over ? area.recipe : null, paper, paints);
  const common = { area, colour, target, ground };
  return (
    <article aria-label={`Area ${index + 1}: ${area.name}`} className="p-6 pt-4">
      <AreaNav area={area} />
      <div className="mb-4 flex gap-4">
        <PhotoAndTarget photo={colour.lab} target={target} width="w-[5.6rem]" />
        <div className="min-w-0 flex-1">
          <AreaName key={area.id} area={area} />
          <div className="pl-1">
            <ColourFacts lab={target} />
          </div>
        </div>
      </div>
      <ColourTabs area={area} shown={colour.id} onShow={setShown} />
      {colours.length > 1 && (
        <p className="quiet mb-3 text-[0.9rem] leading-snug">
          {WASH_WORDS[area.wash.kind].means}
          {colour.over &&
            (area.recipe
              ? " What you see here is predicted over the first wash, dry."
              : " Mix the first wash first: until then this is judged on bare paper.")}
        </p>
      )}
      <Meeting area={area} paper={paper} />
      {colour.recipe && (
        <div className="mb-6 border-t border-(--hairline) pt-4">
          <div className="mb-2 flex items-center">
            <h3 className="font-semibold">Mix it like this</h3>
            <button
              type="button"
              className={`btn btn-xs mr-1 ml-auto ${colour.recipe.pinned ? "btn-neutral" : "btn-ghost"}`}
              aria-pressed={colour.recipe.pinned === true}
              title="Palettes are chosen and puddles planned around it"
              onClick={() =>
                colour.recipe &&
                chooseRecipes(new Map([[colour.id, { ...colour.recipe, pinned: !colour.recipe.pinned }]]))
              }
            >
              <Pin size={13} /> {colour.recipe.pinned ? "kept" : "keep it"}
            </button>
            <button
              type="button"
              className="btn btn-ghost btn-xs"
              onClick={() => chooseRecipes(new Map([[colour.id, null]]))}
            >
              <Undo2 size={13} /> no recipe
            </button>
          </div>
          <RecipeEditor
            key={[colour.id, ...colour.recipe.parts.map(({ paintId }) => paintId)].join(" ")}
            colourId={colour.id}
            recipe={colour.recipe}
            target={target}
            paper={ground}
          />
          <AgainstApproach recipe={colour.recipe} />
          <MudNote {...common} areaCm2={sizes.get(colour.id) ?? 0} />
        </div>
      )}
      <div className="border-t border-(--hairline) pt-4">
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
          <h3 className="font-semibold">{colour.recipe ? "Other ways" : "Ways to mix it"}</h3>
          <SourceChoice />
        </div>
        <Ways {...common} />
      </div>
    </article>
  );
}
