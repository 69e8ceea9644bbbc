"use client";

import { Check } from "lucide-react";
import { useMemo, useState } from "react";
import { paintChange, type PaintFit } from "@/core/calibration";
import { deltaE00 } from "@/core/colour";
import { likelyErrorOf, predict, type MeasuredOptics, type PaintModel } from "@/core/mixing";
import { loadOfWater, paperById } from "@/core/optics";
import type { NewMeasurement } from "@/model/measurement";
import type { StockedPaint, PaintingRecipe } from "@/storage/ports";
import { Strip } from "@/ui/strip";
import { keepMeasurement, modelNow, modelWith, useRoom } from "./room";

/** What the film model takes of a fit. */
export const opticsOf = (
  { optics: { K, S }, miss, loads }: PaintFit,
  { on, way, granulation }: Pick<NewMeasurement, "on" | "way" | "granulation">,
): MeasuredOptics => ({ K: [...K], S: [...S], miss, loads, on, way, granulation });

interface ChangedRecipe {
  readonly recipe: PaintingRecipe;
  readonly dE00: number;
}

/** Recipes with the paint, and how far the fit moves what they are predicted to look like; most first. */
function changedRecipes(
  recipes: readonly PaintingRecipe[],
  paints: readonly StockedPaint[],
  paint: StockedPaint,
  model: PaintModel,
): ChangedRecipe[] {
  const byId = new Map(paints.map((one) => [one.id, one]));
  return recipes
    .flatMap((recipe): ChangedRecipe[] => {
      const { parts, waterParts } = recipe.recipe;
      if (!parts.some(({ paintId }) => paintId === paint.id) || !parts.every(({ paintId }) => byId.has(paintId)))
        return [];
      const [before, after] = [false, true].map(
        (fitted) =>
          predict(
            parts.map(({ paintId, parts: amount }) => ({
              paint: fitted && paintId === paint.id ? model : modelNow(byId.get(paintId)!),
              parts: amount,
            })),
            loadOfWater(waterParts),
            paperById(recipe.paperId),
          ).dry,
      );
      return [{ recipe, dE00: deltaE00(before!, after!) }];
    })
    .sort((a, b) => b.dE00 - a.dE00);
}

const SHOWN = 3;

interface FitResultProps {
  readonly paint: StockedPaint;
  readonly fit: PaintFit;
  /** What is sent when it is kept. */
  readonly measurement: NewMeasurement;
  readonly kept: boolean;
  readonly onKept: () => void;
  readonly stripWidth?: number;
}

/**
 * What the fit makes of a paint: before and after, how much surer predictions become, which recipes move; and the
 * button that keeps it.
 */
export function FitResult({ paint, fit, measurement, kept, onKept, stripWidth = 180 }: FitResultProps) {
  const { recipes, paints, setMeasured } = useRoom();
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const paper = paperById(measurement.paperId);
  const before = useMemo(() => modelNow(paint), [paint]);
  const { on, way, granulation } = measurement;
  const measured = useMemo(() => opticsOf(fit, { on, way, granulation }), [fit, on, way, granulation]);
  const after = useMemo(() => modelWith(paint, measured), [paint, measured]);
  const change = useMemo(() => paintChange(before, after, paper), [before, after, paper]);
  const moved = useMemo(() => changedRecipes(recipes, paints, paint, after), [recipes, paints, paint, after]);
  const [was, is] = [before, after].map((model) => likelyErrorOf([{ paint: model, parts: 1 }], 0.3, paper));
  const keep = async (): Promise<void> => {
    setBusy(true);
    setFault(null);
    const answer = await keepMeasurement(measurement);
    setBusy(false);
    if ("message" in answer) return setFault(answer.message);
    setMeasured(paint.id, measured);
    return onKept();
  };
  return (
    <div className="space-y-1.5">
      {!kept && (
        <>
          <div className="flex items-end gap-2">
            {[
              { model: before, words: paint.measured ? `measured ${paint.measured.on}` : "typical" },
              { model: after, words: "as measured now" },
            ].map(({ model, words }) => (
              <figure key={words}>
                <Strip
                  mix={[{ paint: model, parts: 1 }]}
                  paper={paper}
                  width={stripWidth}
                  height={26}
                  label={`${paint.name}, ${words}`}
                />
                <figcaption className="label-line">{words}</figcaption>
              </figure>
            ))}
          </div>
          <p className="leading-snug">
            Predictions: give or take <b>{was!.median}</b> before, <b>{is!.median}</b> now.{" "}
            <span className="quiet">
              The fit meets the swatches to {fit.rms.toFixed(1)} dE00 in the mean; the paint is up to{" "}
              {change.dE00.toFixed(1)} from what was known
              {change.at[1]!.words.length > 0 ? ` (${change.at[1]!.words.join(", ")} in a wash)` : ""}.
            </span>
          </p>
          {fit.doubted && (
            <p role="alert" className="text-(--color-warning)">
              This is far from what such pigments usually look like. Is it {paint.name}, and are the washes in order?
            </p>
          )}
          {moved.length > 0 && (
            <p className="quiet text-[0.9rem] leading-snug">
              {moved
                .slice(0, SHOWN)
                .map(({ recipe, dE00 }) => `${recipe.area} moves by ${dE00.toFixed(1)}`)
                .join(", ")}
              {moved.length > SHOWN ? ` and ${moved.length - SHOWN} more` : ""}{" "}
              <span className="italic">({[...new Set(moved.map(({ recipe }) => recipe.title))].join(", ")})</span>
            </p>
          )}
        </>
      )}
      {kept ? (
        <p role="status" className="flex items-center gap-1.5">
          <Check size={15} /> Kept. Predictions with {paint.name} stand on it now.
        </p>
      ) : (
        <button type="button" className="btn btn-primary btn-sm" disabled={busy} onClick={() => void keep()}>
          Keep for {paint.name}
        </button>
      )}
      {fault && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
