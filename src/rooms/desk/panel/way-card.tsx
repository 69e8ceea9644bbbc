"use client";

import type { Lab } from "@/core/colour";
import type { Recipe } from "@/core/mixing";
import type { Paper } from "@/core/optics";
import { JudgingPair } from "@/ui/judging-pair";
import { RecipeBar } from "@/ui/recipe-bar";
import { useDesk } from "../desk-store";
import { HAND_WORDS } from "../palette-step/words";
import { namedParts, usePaints } from "../paints";
import { coatsAlone, Layers } from "./layers";
import { ComesOutWords, DifferenceWords } from "@/ui/prediction-words";
import { StrengthStrip } from "@/ui/strength-strip";

const KIND_WORDS = {
  calmest: "The calmest in the hand",
  closest: "The closest",
  simplest: "The simplest",
  another: "Another way",
} as const;
const BAR_WIDTH = 264;

interface WayCardProps {
  readonly recipe: Recipe;
  readonly target: Lab;
  readonly paper: Paper;
  /** Size of the wash, 0 where it is not known. */
  readonly areaCm2: number;
  readonly chosen: boolean;
  readonly onChoose: () => void;
}

/** One way to mix an area's colour: pair, parts, strength, how far off and how sure. */
export function WayCard({ recipe, target, paper, areaCm2, chosen, onChoose }: WayCardProps) {
  const paints = usePaints();
  const hand = useDesk((s) => s.document.approach.hand);
  const parts = namedParts({ parts: [...recipe.parts], waterParts: recipe.waterParts }, paints);
  if (!parts) return null;
  const spoken = parts.map((part) => part.name).join(", ");
  return (
    <li className="border-t border-(--hairline) py-4 first:border-t-0">
      <div className="flex gap-4">
        <div className="flex w-[92px] shrink-0 flex-col gap-3">
          <JudgingPair wanted={target} mix={recipe.dry} className="h-[74px] w-[92px]" />
          <button
            type="button"
            className={`btn btn-sm ${chosen ? "btn-disabled" : "btn-outline"}`}
            disabled={chosen}
            onClick={onChoose}
            aria-label={`Use ${spoken}`}
          >
            {chosen ? "In use" : "Use this"}
          </button>
        </div>
        <div className="min-w-0 space-y-2">
          <p className="label-line">
            {KIND_WORDS[recipe.kind]}
            {recipe.roundingCost >= 0.5 && `, countable parts cost it ${recipe.roundingCost.toFixed(1)}`}
          </p>
          <RecipeBar parts={parts} paper={paper} width={BAR_WIDTH} />
          <StrengthStrip mix={parts} paper={paper} waterParts={recipe.waterParts} width={BAR_WIDTH} />
          <Layers waterParts={recipe.waterParts} coats={coatsAlone(recipe.waterParts, areaCm2)} />
          <DifferenceWords difference={recipe.difference} />
          <ComesOutWords
            comesOut={recipe.comesOut}
            hand={HAND_WORDS[hand]}
            nameOf={(paintId) => paints.get(paintId)?.name ?? "paint"}
          />
        </div>
      </div>
    </li>
  );
}
