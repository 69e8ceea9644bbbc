"use client";

import dynamic from "next/dynamic";
import { useMemo } from "react";
import { describeColour, type Lab } from "@/core/colour";
import { darkeningPath, darkWays, type DarkWay } from "@/core/darks";
import { loadOfWater, waterOfLoad, waterWords } from "@/core/optics";
import type { PaintingArea } from "@/model/painting";
import { coloursOf, sameRecipe, type AreaColour } from "@/model/washes";
import { JudgingPair } from "@/ui/judging-pair";
import { RecipeBar } from "@/ui/recipe-bar";
import { useDesk } from "../desk-store";
import { groundOf, namedParts, usePaints, usePaper } from "../paints";
import { useTargets } from "../targets";
import { useWashSizes } from "../uses";
import { TooLight } from "./too-light";
import { carriesWords, eatsWords, firstWords, isDark, KIND_NAMES, turningWords, wayWords } from "./words";

const TurningChart = dynamic(() => import("./turning-chart").then(({ TurningChart: chart }) => chart), { ssr: false });

const BAR_WIDTH = 264;

/** The water that gives a way its whole load in one film; how many layers that takes at its size is told beside it. */
const waterOf = ({ waterParts, layers }: DarkWay): number =>
  layers === 1 ? waterParts : waterOfLoad(layers * loadOfWater(waterParts));

function WayRow({ way, colour, target }: { way: DarkWay; colour: AreaColour; target: Lab }) {
  const paints = usePaints();
  const paper = usePaper();
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  const recipe = { parts: [...way.parts], waterParts: waterOf(way) };
  const parts = namedParts(recipe, paints);
  if (!parts) return null;
  const inUse = sameRecipe(colour.recipe, recipe);
  const first = firstWords(way.parts.flatMap(({ paintId }) => paints.get(paintId) ?? []));
  return (
    <li className="border-t border-(--hairline) py-3">
      <div className="flex gap-4">
        <div className="flex w-[92px] shrink-0 flex-col gap-2">
          <JudgingPair wanted={target} mix={way.dry} className="h-[62px] w-[92px]" />
          <button
            type="button"
            className="btn btn-outline btn-sm"
            disabled={inUse}
            aria-label={`Use ${parts.map(({ name }) => name).join(", ")}`}
            onClick={() => chooseRecipes(new Map([[colour.id, recipe]]))}
          >
            {inUse ? "In use" : "Use this"}
          </button>
        </div>
        <div className="min-w-0 space-y-1">
          <p className="font-semibold">{KIND_NAMES[way.kind]}</p>
          <RecipeBar parts={parts} paper={paper} width={BAR_WIDTH} />
          <p className="text-[0.93rem] leading-snug">{wayWords(way)}</p>
          <p className="quiet text-[0.9rem] leading-snug">
            {way.layers === 2 ? "two layers of " : ""}
            {waterWords(way.waterParts)}, off by {way.difference.toFixed(1)} dE00; {eatsWords(way.paint)}
          </p>
          {first && <p className="text-[0.93rem] leading-snug">{first}</p>}
        </div>
      </div>
    </li>
  );
}

function DarkOf({ area, colour }: { area: PaintingArea; colour: AreaColour }) {
  const palette = useDesk((s) => s.document.palette);
  const paints = usePaints();
  const paper = usePaper();
  const target = useTargets().get(colour.id) ?? colour.lab;
  const areaCm2 = useWashSizes().get(colour.id) ?? 0;
  const first = colour.over ? area.recipe : null;
  const ground = useMemo(() => groundOf(first, paper, paints), [first, paper, paints]);
  const models = useMemo(() => palette.flatMap((id) => paints.get(id)?.model ?? []), [palette, paints]);
  const ways = useMemo(() => darkWays(models, target, areaCm2, ground), [models, target, areaCm2, ground]);
  const darkened = ways.find(({ kind }) => kind === "darkener");
  const path = useMemo(() => {
    const [base, darkener] = (darkened?.parts ?? []).map(({ paintId }) => paints.get(paintId));
    if (!darkened || !base || !darkener) return null;
    return {
      name: darkener.name,
      base: base.name,
      ...darkeningPath(base.model, darkener.model, loadOfWater(darkened.waterParts), ground),
    };
  }, [darkened, paints, ground]);
  const value = describeColour(target).value;
  const mix = colour.recipe && namedParts(colour.recipe, paints);
  return (
    <div className="space-y-2">
      <p className="leading-snug">
        Wanted: value <b>{value.toFixed(1)}</b> over {areaCm2} cm². {carriesWords(ways, value)}
      </p>
      {ways.length === 0 ? (
        <p className="leading-snug">
          {models.length === 0
            ? "The tray is empty: lay paints out below."
            : "No paint in the tray makes a dark. Lay a deep blue, red or brown out below."}
        </p>
      ) : (
        <ul aria-label="Ways to a dark">
          {ways.map((way) => (
            <WayRow key={way.kind} way={way} colour={colour} target={target} />
          ))}
        </ul>
      )}
      {path && (
        <section aria-label="Where it turns" className="border-t border-(--hairline) pt-3">
          <h3 className="font-semibold">
            {path.base}, and more and more {path.name}
          </h3>
          <p className="mt-1 leading-snug">{turningWords(path.name, path)}</p>
          <TurningChart path={path} darkener={path.name} />
        </section>
      )}
      {mix && colour.recipe && <TooLight mix={mix} waterParts={colour.recipe.waterParts} paper={ground} />}
    </div>
  );
}

/** One area's darks: the ways to each, compared side by side. */
export function DarkDetail({ area }: { area: PaintingArea }) {
  const targets = useTargets();
  const darks = coloursOf(area).filter(({ id, lab }) => isDark(targets.get(id) ?? lab));
  return (
    <section aria-label="Ways to this dark" className="space-y-3">
      {darks.length === 0 && <p className="leading-snug">This area is lighter than value 4: it is no dark.</p>}
      {darks.map((colour) => (
        <DarkOf key={colour.id} area={area} colour={colour} />
      ))}
    </section>
  );
}
