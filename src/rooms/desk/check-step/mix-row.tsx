"use client";

import { Eye, EyeOff } from "lucide-react";
import type { ReactNode } from "react";
import type { Lab } from "@/core/colour";
import type { LaidMix } from "@/core/variations";
import { sameRecipe } from "@/model/washes";
import { JudgingPair } from "@/ui/judging-pair";
import { RecipeBar } from "@/ui/recipe-bar";
import { useDesk } from "../desk-store";
import type { MixedColour } from "../mixed";
import { namedParts, usePaints, usePaper } from "../paints";

const BAR_WIDTH = 264;

interface MixRowProps {
  /** The colour that it would be the recipe of. */
  readonly colour: MixedColour;
  readonly laid: Pick<LaidMix, "mix" | "waterParts" | "dry">;
  /** What it is held against, and what the two are. */
  readonly beside: Lab;
  readonly names?: readonly [left: string, right: string];
  /** What it is called where it is used or looked at: "1 more Cerulean". */
  readonly spoken: string;
  readonly title: ReactNode;
  readonly says: string;
  /** What else there is to say of it. */
  readonly children?: ReactNode;
}

/** A mix that is proposed for a colour: beside what it is held against, in the photo, and into the recipe. */
export function MixRow({ colour, laid, beside, names, spoken, title, says, children }: MixRowProps) {
  const paints = usePaints();
  const paper = usePaper();
  const preview = useDesk((s) => s.preview);
  const showPreview = useDesk((s) => s.showPreview);
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  const { mix, waterParts, dry } = laid;
  const recipe = { parts: mix.map((part) => ({ paintId: part.paint.id, parts: part.parts })), waterParts };
  const parts = namedParts(recipe, paints);
  if (!parts) return null;
  const inUse = sameRecipe(colour.recipe, recipe);
  const looked = preview?.colourId === colour.id && preview.dry === dry;
  return (
    <li className="border-t border-(--hairline) py-3">
      <div className="flex gap-4">
        <div className="flex w-[92px] shrink-0 flex-col gap-2">
          <JudgingPair wanted={beside} mix={dry} names={names} className="h-[62px] w-[92px]" />
          <button
            type="button"
            className="btn btn-outline btn-sm"
            disabled={inUse}
            aria-label={`Use ${spoken}`}
            onClick={() => chooseRecipes(new Map([[colour.id, recipe]]))}
          >
            {inUse ? "In use" : "Use this"}
          </button>
        </div>
        <div className="min-w-0 flex-1 space-y-1">
          <p className="font-semibold">{title}</p>
          <RecipeBar parts={parts} paper={paper} width={BAR_WIDTH} />
          <div className="flex items-end gap-2">
            <p className="flex-1 text-[0.93rem] leading-snug">{says}</p>
            <button
              type="button"
              className="btn btn-square btn-ghost btn-sm"
              aria-pressed={looked}
              aria-label={`Look at ${spoken} in the photo`}
              title={looked ? "As it was" : "Look at it in the photo"}
              onClick={() => showPreview(looked ? null : { colourId: colour.id, dry })}
            >
              {looked ? <EyeOff size={16} aria-hidden /> : <Eye size={16} aria-hidden />}
            </button>
          </div>
          {children}
        </div>
      </div>
    </li>
  );
}
