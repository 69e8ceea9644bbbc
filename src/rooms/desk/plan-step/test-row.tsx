"use client";

import { describeColour } from "@/core/colour";
import { coatsOf, correctedBy } from "@/core/planning";
import { faultIn } from "@/model/fault";
import { testedValue } from "@/model/plan";
import { JudgingPair } from "@/ui/judging-pair";
import { partsWord } from "@/ui/recipe-bar";
import { TypedText } from "@/ui/typed-text";
import { useDesk, useDeskStore } from "../desk-store";
import { colourOf } from "../mixed";
import { namedParts, usePaints } from "../paints";
import { moreWords } from "./words";
import { usePlan } from "./use-plan";
import { coatsWords } from "./use-printed";
import type { TestedMix } from "./use-tests";

/** A mix to be tried on scrap: what it should dry to, what it did, and what that makes of the recipe. */
export function TestRow({ test: { colour, p90, why } }: { test: TestedMix }) {
  const tested = useDesk((s) => s.document.plan.tested);
  const { changePlan, chooseRecipes, endTyping } = useDeskStore().getState();
  const paints = usePaints();
  const { plan } = usePlan();
  const { recipe, laid, ground } = colour;
  const parts = recipe && namedParts(recipe, paints);
  if (!recipe || !laid || !parts) return null;
  const others = tested.filter(({ colourId }) => colourId !== colour.id);
  const cameOut = tested.find(({ colourId }) => colourId === colour.id)?.value ?? null;
  const meant = describeColour(laid.dry).value;
  const found = cameOut === null ? null : correctedBy(laid.mix, laid.waterParts, cameOut, ground);
  const water = found === null || found === "beyond" ? null : found.waterParts;
  const steps = cameOut === null ? 0 : cameOut - meant;
  return (
    <li className="border-t border-(--hairline) py-2">
      <div className="flex items-start gap-3">
        <JudgingPair wanted={colour.lab} mix={colourOf(colour)} className="h-11 w-16 shrink-0" />
        <p className="min-w-0 flex-1 leading-snug">
          <span className="name-face block text-[1.05rem]">
            <span className="quiet mr-1.5 text-[0.87rem]">{colour.mark}</span>
            {colour.name}
          </span>
          <span className="quiet block text-[0.9rem]">
            {parts.map((part) => `${partsWord(part.parts)} ${part.name}`).join(" + ")},{" "}
            {coatsWords(coatsOf(plan.washes, colour.id, laid.waterParts))}
          </span>
          <span className="quiet block text-[0.9rem]">
            {why === "dark" ? "the large dark" : "much hangs on it"}; nine in ten within {p90.toFixed(0)}, meant at
            value {meant.toFixed(1)}
          </span>
        </p>
        <TypedText
          label="Came out"
          value={cameOut === null ? "" : String(cameOut)}
          faultOf={(text) => (text.trim() === "" ? null : faultIn(testedValue, Number(text.trim().replace(",", "."))))}
          onText={(text) => {
            const value = Number(text.trim().replace(",", "."));
            changePlan(
              { tested: text.trim() === "" ? others : [...others, { colourId: colour.id, value }] },
              `tested ${colour.id}`,
            );
          }}
          onLeave={endTyping}
          className="w-20"
        />
      </div>
      {cameOut !== null && (
        <div className="mt-1 flex items-center gap-3 text-[0.95rem]" role="status">
          {found === null ? (
            <p>As predicted: nothing to change.</p>
          ) : found === "beyond" ? (
            <p className="leading-snug text-warning">
              No strength of this mix {Math.abs(steps) > 0.05 && (steps > 0 ? "that light " : "that dark ")}comes to
              value {meant.toFixed(1)} from there: was it this mix, and dry?
            </p>
          ) : (
            <>
              <p className="min-w-0 flex-1 leading-snug">
                It came out {Math.abs(steps).toFixed(1)} {steps > 0 ? "lighter" : "darker"}: take{" "}
                {moreWords(found.paint)}
                {water === null ? " in its coats, or lay one coat more: one puddle can't be that strong." : "."}
              </p>
              {water !== null && (
                <button
                  type="button"
                  className="btn btn-outline btn-sm"
                  aria-label={`Correct the mix of ${colour.name}`}
                  onClick={() => {
                    chooseRecipes(new Map([[colour.id, { ...recipe, waterParts: water }]]));
                    changePlan({ tested: others });
                  }}
                >
                  Correct it
                </button>
              )}
            </>
          )}
        </div>
      )}
    </li>
  );
}
