"use client";

import { Eye, EyeOff } from "lucide-react";
import { describeColour } from "@/core/colour";
import { waterWords } from "@/core/optics";
import type { Variation } from "@/core/variations";
import { sameRecipe } from "@/model/washes";
import { JudgingPair } from "@/ui/judging-pair";
import { partsWord, RecipeBar } from "@/ui/recipe-bar";
import { useDesk } from "../desk-store";
import type { MixedColour } from "../mixed";
import { namedParts, usePaints, usePaper } from "../paints";
import { warmthWords } from "./words";

const BAR_WIDTH = 264;

/** Another mix of the same value: what is added to the puddle, what comes of it, in the photo and into the recipe. */
export function VariationRow({ colour, variation }: { colour: MixedColour; variation: Variation }) {
  const paints = usePaints();
  const paper = usePaper();
  const preview = useDesk((s) => s.preview);
  const showPreview = useDesk((s) => s.showPreview);
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  const { mix, waterParts, dry, paint, added } = variation;
  const recipe = { parts: mix.map((part) => ({ paintId: part.paint.id, parts: part.parts })), waterParts };
  const parts = namedParts(recipe, paints);
  if (!parts || !colour.laid) return null;
  const name = paints.get(paint.id)?.name ?? "paint";
  const before = mix.reduce((sum, part) => sum + part.parts, 0) - added;
  const inUse = sameRecipe(colour.recipe, recipe);
  const looked = preview?.colourId === colour.id && preview.dry === dry;
  return (
    <li className="border-t border-(--hairline) py-3">
      <div className="flex gap-4">
        <div className="flex w-[92px] shrink-0 flex-col gap-2">
          <JudgingPair
            wanted={colour.laid.dry}
            mix={dry}
            names={["the mix as it is", `the mix with more ${name}`]}
            className="h-[62px] w-[92px]"
          />
          <button
            type="button"
            className="btn btn-outline btn-sm"
            disabled={inUse}
            aria-label={`Use ${partsWord(added)} more ${name}`}
            onClick={() => chooseRecipes(new Map([[colour.id, recipe]]))}
          >
            {inUse ? "In use" : "Use this"}
          </button>
        </div>
        <div className="min-w-0 flex-1 space-y-1">
          <p className="font-semibold">
            + {partsWord(added)} {name}{" "}
            <span className="quiet font-normal">
              to {before} {before === 1 ? "part" : "parts"}
            </span>
          </p>
          <RecipeBar parts={parts} paper={paper} width={BAR_WIDTH} />
          <div className="flex items-end gap-2">
            <p className="flex-1 text-[0.93rem] leading-snug">
              {warmthWords(variation)}, {describeColour(dry).hueName}; {waterWords(waterParts)}
            </p>
            <button
              type="button"
              className="btn btn-square btn-ghost btn-sm"
              aria-pressed={looked}
              aria-label={`Look at ${partsWord(added)} more ${name} in the photo`}
              title={looked ? "As it was" : "Look at it in the photo"}
              onClick={() => showPreview(looked ? null : { colourId: colour.id, dry })}
            >
              {looked ? <EyeOff size={16} aria-hidden /> : <Eye size={16} aria-hidden />}
            </button>
          </div>
        </div>
      </div>
    </li>
  );
}
