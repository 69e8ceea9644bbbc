"use client";

import { Minus, Plus } from "lucide-react";
import { useState } from "react";
import { compareColours, screenColourOfLab, type Lab } from "@/core/colour";
import { comesOut, mixSteps, predict, TOUCH } from "@/core/mixing";
import { COUNTABLE_WATER, loadOfWater, waterWords, type Paper } from "@/core/optics";
import type { StoredRecipe } from "@/model/painting";
import { JudgingPair } from "@/ui/judging-pair";
import { partsWord, RecipeBar } from "@/ui/recipe-bar";
import { KeepInLogbook } from "@/ui/keep-in-logbook";
import { useDesk } from "../desk-store";
import { useLogEntries } from "../keep";
import { useMixedColours } from "../mixed";
import { HAND_WORDS } from "../palette-step/words";
import { namedParts, useHand, usePaints } from "../paints";
import { useCoats } from "../uses";
import { Layers } from "./layers";
import { OtherStrengths } from "./other-strengths";
import { ComesOutWords, DifferenceWords } from "@/ui/prediction-words";
import { StrengthStrip } from "@/ui/strength-strip";

const MAX_PARTS = 12;
const BAR_WIDTH = 380;

const more = (parts: number): number => (parts === TOUCH ? 1 : Math.min(MAX_PARTS, parts + 1));
const fewer = (parts: number): number => (parts <= 1 ? TOUCH : parts - 1);

function waterStep(waterParts: number, by: -1 | 1): number {
  const nearest = COUNTABLE_WATER.reduce(
    (best, w, i) => (Math.abs(w - waterParts) < Math.abs(COUNTABLE_WATER[best]! - waterParts) ? i : best),
    0,
  );
  return COUNTABLE_WATER[Math.min(COUNTABLE_WATER.length - 1, Math.max(0, nearest + by))]!;
}

function Step({
  label,
  children,
  ...button
}: {
  label: string;
  children: React.ReactNode;
  onClick: () => void;
  disabled?: boolean;
}) {
  return (
    <button type="button" className="btn btn-square btn-outline btn-xs" aria-label={label} title={label} {...button}>
      {children}
    </button>
  );
}

/** What the puddle dries to after a step. */
function AfterIt({ dry, label }: { dry: Lab; label: string }) {
  return (
    <span
      role="img"
      aria-label={label}
      title={label}
      className="h-6 w-8 shrink-0"
      style={{ background: screenColourOfLab(dry).hex }}
    />
  );
}

/**
 * The recipe in use, step by step: its prediction follows at once when a part or the water is changed. Keyed by the
 * paints: their order stays while their parts change.
 */
export function RecipeEditor({
  colourId,
  recipe,
  target,
  paper,
}: {
  colourId: string;
  recipe: StoredRecipe;
  target: Lab;
  /** Size of the wash, 0 where it is not known. */
  /** What it is laid on. */
  paper: Paper;
}) {
  const paints = usePaints();
  const coats = useCoats().get(colourId) ?? 1;
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  const hand = useDesk((s) => s.document.approach.hand);
  const handNumbers = useHand();
  const [order] = useState(() => [...recipe.parts].sort((a, b) => b.parts - a.parts).map(({ paintId }) => paintId));
  const parts = namedParts(recipe, paints);
  if (!parts) {
    return <p className="text-warning">A paint of this recipe has left the paintbox. Choose another way below.</p>;
  }
  const load = loadOfWater(recipe.waterParts);
  const { dry, wet } = predict(parts, load, paper);
  const steps = mixSteps(
    [...parts].sort((a, b) => order.indexOf(a.paint.id) - order.indexOf(b.paint.id)),
    load,
    paper,
  );
  const nameOf = (id: string): string => parts.find(({ paint }) => paint.id === id)!.name;
  const change = (next: Partial<StoredRecipe>): void => chooseRecipes(new Map([[colourId, { ...recipe, ...next }]]));
  const setParts = (paintId: string, amount: number): void =>
    change({ parts: recipe.parts.map((part) => (part.paintId === paintId ? { ...part, parts: amount } : part)) });
  return (
    <section aria-label="Recipe in use" className="space-y-3">
      <div className="flex items-stretch gap-4">
        <JudgingPair wanted={target} mix={dry} className="h-20 w-40" />
        <div className="min-w-0 space-y-0.5">
          <DifferenceWords difference={compareColours(target, dry)} />
          <p className="flex items-center gap-2 leading-snug">
            <span aria-hidden className="inline-block size-4" style={{ background: screenColourOfLab(wet).hex }} />
            <span className="quiet">while still wet</span>
          </p>
        </div>
      </div>
      <ComesOutWords
        explained
        comesOut={comesOut(target, parts, load, paper, handNumbers)}
        hand={HAND_WORDS[hand]}
        nameOf={(paintId) => paints.get(paintId)?.name ?? "paint"}
      />
      <RecipeBar parts={parts} paper={paper} width={BAR_WIDTH} />
      <StrengthStrip mix={parts} paper={paper} waterParts={recipe.waterParts} width={BAR_WIDTH} />
      <Layers waterParts={recipe.waterParts} coats={coats} />
      <OtherStrengths
        mix={parts}
        waterParts={recipe.waterParts}
        dry={dry}
        paper={paper}
        onWater={(waterParts) => change({ waterParts })}
      />
      <div className="space-y-1 border-t border-(--hairline) pt-2.5">
        <p className="label-line">Step by step: what it dries to after each paint, at this strength</p>
        {steps.map(({ paint, parts: amount, dry: after }, i) => (
          <div key={paint.id} className="flex items-center gap-2">
            <AfterIt dry={after} label={`With ${nameOf(paint.id)}`} />
            <span className="min-w-0 flex-1 truncate">
              {i > 0 && <span className="quiet">+ </span>}
              {nameOf(paint.id)}
            </span>
            <Step
              label={`Less ${nameOf(paint.id)}`}
              disabled={parts.length === 1 || amount <= TOUCH}
              onClick={() => setParts(paint.id, fewer(amount))}
            >
              <Minus size={14} />
            </Step>
            <span className="w-32 text-center" aria-live="polite">
              {partsWord(amount)}
            </span>
            <Step
              label={`More ${nameOf(paint.id)}`}
              disabled={parts.length === 1 || amount >= MAX_PARTS}
              onClick={() => setParts(paint.id, more(amount))}
            >
              <Plus size={14} />
            </Step>
          </div>
        ))}
        <div className="flex items-center gap-2">
          <span className="flex-1 pl-10">Water</span>
          <Step
            label="Less water"
            disabled={recipe.waterParts <= 0}
            onClick={() => change({ waterParts: waterStep(recipe.waterParts, -1) })}
          >
            <Minus size={14} />
          </Step>
          <span className="w-32 text-center" aria-live="polite">
            {waterWords(recipe.waterParts)}
          </span>
          <Step
            label="More water"
            disabled={recipe.waterParts >= COUNTABLE_WATER[COUNTABLE_WATER.length - 1]!}
            onClick={() => change({ waterParts: waterStep(recipe.waterParts, 1) })}
          >
            <Plus size={14} />
          </Step>
        </div>
      </div>
      <KeepMix colourId={colourId} />
    </section>
  );
}

/** Keeps the mix in use as a page of the logbook. */
function KeepMix({ colourId }: { colourId: string }) {
  const colour = useMixedColours().find(({ id }) => id === colourId);
  const entryOf = useLogEntries();
  if (!colour?.recipe) return null;
  return (
    <KeepInLogbook
      key={JSON.stringify(colour.recipe)}
      words="Keep this mix in the logbook"
      make={() => entryOf("mix", colour.name, [{ colour }])}
    />
  );
}
