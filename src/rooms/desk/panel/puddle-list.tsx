"use client";

import { Term } from "@/ui/help/term";
import { useMemo } from "react";
import { compareColours, type Lab } from "@/core/colour";
import {
  nearestStrength,
  puddlesOf,
  SHARING_MAY_COST,
  predict,
  type MixPart,
  type PuddleUse,
  type SharedPuddle,
} from "@/core/mixing";
import { loadOfWater, washStrengthOf, waterWords, type WaterParts } from "@/core/optics";
import type { StoredRecipe } from "@/model/painting";
import { coloursOf } from "@/model/washes";
import { JudgingPair } from "@/ui/judging-pair";
import { RecipeBar } from "@/ui/recipe-bar";
import { ONE_COLUMN_PX, WindowedGrid } from "@/ui/windowed-grid";
import { useDesk } from "../desk-store";
import { FewerPuddles } from "./fewer-puddles";
import { useCoats } from "../uses";
import { layersWords } from "./layers";
import { groundOf, namedParts, usePaints, usePaper } from "../paints";
import { useMeasured } from "../photo-study";
import { useTargets, useWantedColours, type WantedColour } from "../targets";
import { useWashSizes } from "../uses";

/** An area that could take a neighbour's puddle. */
interface Sharing {
  readonly areaId: string;
  readonly with: string;
  readonly recipe: StoredRecipe;
  readonly cost: number;
}

const BAR_WIDTH = 330;
/** So many puddles are drawn whole, as paintings usually have; each is painted on a canvas. */
const PUDDLES_WHOLE = 24;

/** The areas' recipes with the paper each covers, cm². */
function useUses(): readonly PuddleUse[] {
  const areas = useDesk((s) => s.document.areas);
  const sizes = useWashSizes();
  return useMemo(
    () =>
      areas.flatMap((area) =>
        coloursOf(area).flatMap(({ id, recipe }) =>
          recipe ? [{ id, parts: recipe.parts, waterParts: recipe.waterParts, areaCm2: sizes.get(id) ?? 0 }] : [],
        ),
      ),
    [areas, sizes],
  );
}

/** Areas that touch and could be painted from one puddle at two strengths, losing hardly anything. */
function useSharings(): readonly Sharing[] {
  const areas = useDesk((s) => s.document.areas);
  const measured = useMeasured();
  const targets = useTargets();
  const paints = usePaints();
  const paper = usePaper();
  return useMemo(() => {
    const byRegion = new Map(areas.map((area) => [area.region, area]));
    const key = (recipe: StoredRecipe | null): string =>
      JSON.stringify(recipe && puddlesOf([{ id: "", parts: recipe.parts, waterParts: 0, areaCm2: 0 }])[0]!.parts);
    const found: Sharing[] = [];
    for (const { a, b } of measured?.borders ?? []) {
      for (const [own, other] of [
        [byRegion.get(a), byRegion.get(b)],
        [byRegion.get(b), byRegion.get(a)],
      ]) {
        const [mine, theirs] = [
          own?.recipe && namedParts(own.recipe, paints),
          other?.recipe && namedParts(other.recipe, paints),
        ];
        if (!own?.recipe || !other?.recipe || !mine || !theirs || key(own.recipe) === key(other.recipe)) continue;
        const target = targets.get(own.id) ?? own.lab;
        const now = compareColours(target, predict(mine, loadOfWater(own.recipe.waterParts), paper).dry).dE00;
        const { waterParts, difference } = nearestStrength(target, theirs, paper);
        const cost = difference.dE00 - now;
        if (cost <= SHARING_MAY_COST && difference.dE00 < 4)
          found.push({ areaId: own.id, with: other.id, cost, recipe: { parts: other.recipe.parts, waterParts } });
      }
    }
    return found
      .sort((one, two) => one.cost - two.cost)
      .filter(({ areaId }, i, all) => all.findIndex((one) => one.areaId === areaId) === i);
  }, [areas, measured, targets, paints, paper]);
}

const strengthWords = (waterParts: WaterParts): string =>
  `${washStrengthOf(waterParts).word} (${waterWords(waterParts)})`;

/** A colour that a puddle serves: what it is for, how strong, and how near it comes. */
function Use({
  colour,
  parts,
  waterParts,
  areaCm2,
  target,
}: {
  colour: WantedColour | undefined;
  parts: readonly MixPart[] | null;
  waterParts: WaterParts;
  areaCm2: number;
  target: Lab | undefined;
}) {
  const select = useDesk((s) => s.select);
  const paints = usePaints();
  const paper = usePaper();
  const areas = useDesk((s) => s.document.areas);
  const counts = useCoats();
  if (!colour) return null;
  const coats = counts.get(colour.id) ?? 1;
  const first = areas.find(({ id }) => id === colour.overId)?.recipe ?? null;
  const ground = groundOf(first, paper, paints);
  return (
    <li>
      <button
        type="button"
        className="group flex w-full cursor-pointer items-center gap-3 py-1 text-left"
        aria-label={colour.name}
        onClick={() => select(colour.areaId)}
      >
        {parts && (
          <JudgingPair
            wanted={target ?? colour.lab}
            mix={predict(parts, loadOfWater(waterParts), ground).dry}
            className="h-8 w-16 shrink-0"
          />
        )}
        <span className="min-w-0 leading-snug">
          <span className="underline-offset-2 group-hover:underline">
            <span className="quiet mr-1.5 text-[0.87rem]">{colour.mark}</span>
            {colour.name}
          </span>
          <span className="quiet block text-[0.9rem]">
            {layersWords(waterParts, coats) ?? strengthWords(waterParts)}
            {areaCm2 >= 1 && `, ${Math.round(areaCm2)} cm²`}
            {colour.recipe?.pinned && ", kept"}
          </span>
        </span>
      </button>
    </li>
  );
}

/** Everything to have ready in the wells: one entry for each mix, however many colours it serves. */
export function PuddleList() {
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  const paints = usePaints();
  const paper = usePaper();
  const uses = useUses();
  const targets = useTargets();
  const sharings = useSharings();
  const puddles = useMemo(() => puddlesOf(uses), [uses]);
  const wanted = useWantedColours();
  const colourOf = (id: string) => wanted.find((colour) => colour.id === id);
  const addedName = (parts: SharedPuddle["parts"], before: SharedPuddle["parts"]): string => {
    const added = parts.find(({ paintId }) => !before.some((part) => part.paintId === paintId));
    return (added && paints.get(added.paintId)?.name) ?? "a paint";
  };
  const nameOf = (id: string): string => colourOf(id)?.name ?? "";
  if (puddles.length === 0) return null;
  const wells = puddles.filter(({ from }) => from === null).length;
  return (
    <section aria-label="All puddles" className="space-y-2">
      <h3 className="font-semibold">
        <Term word="puddle">{wells === 1 ? "One puddle" : `${wells} puddles`}</Term> for{" "}
        {uses.length === 1 ? "1 colour" : `${uses.length} colours`}
        {puddles.length > wells && (
          <span className="font-normal">, {puddles.length - wells} more by adding a paint to one</span>
        )}
      </h3>
      <FewerPuddles mixedNow={wells} />
      <WindowedGrid
        label="Puddles"
        items={puddles}
        keyOf={({ from, parts }) => JSON.stringify([from, parts])}
        leastPx={ONE_COLUMN_PX}
        gapPx={[0, 0]}
        rowPx={190}
        wholeUpTo={PUDDLES_WHOLE}
      >
        {(puddle) => {
          const parts = namedParts({ parts: [...puddle.parts], waterParts: 0 }, paints);
          return (
            <div className={puddle.from === null ? "border-t border-(--hairline) py-2" : "py-2 pl-6"}>
              {puddle.from !== null && (
                <p className="text-[0.9rem]">
                  Then add {addedName(puddle.parts, puddles[puddle.from]!.parts)} to some of it:
                </p>
              )}
              {parts ? (
                <RecipeBar parts={parts} paper={paper} width={puddle.from === null ? BAR_WIDTH : BAR_WIDTH - 24} />
              ) : (
                <p className="text-warning">A paint of this mix has left the box.</p>
              )}
              <ul className="mt-1">
                {puddle.uses.map(({ id, waterParts, areaCm2 }) => (
                  <Use
                    key={id}
                    colour={colourOf(id)}
                    parts={parts}
                    waterParts={waterParts}
                    areaCm2={areaCm2}
                    target={targets.get(id)}
                  />
                ))}
              </ul>
            </div>
          );
        }}
      </WindowedGrid>
      {sharings.length > 0 && (
        <div className="border-t border-(--hairline) pt-2">
          <h4 className="font-semibold">Neighbours could share</h4>
          <ul>
            {sharings.slice(0, 6).map((sharing) => (
              <li key={sharing.areaId} className="flex items-baseline gap-2 py-1 text-[0.9rem] leading-snug">
                <span className="flex-1">
                  {nameOf(sharing.areaId)} from the puddle of {nameOf(sharing.with)},{" "}
                  {strengthWords(sharing.recipe.waterParts)}:{" "}
                  {sharing.cost < 0.2 ? "nothing lost" : `${sharing.cost.toFixed(1)} farther off`}
                </span>
                <button
                  type="button"
                  className="btn btn-outline btn-xs"
                  aria-label={`${nameOf(sharing.areaId)} from the puddle of ${nameOf(sharing.with)}`}
                  onClick={() => chooseRecipes(new Map([[sharing.areaId, sharing.recipe]]))}
                >
                  Share
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}
