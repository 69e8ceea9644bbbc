"use client";

import { useState } from "react";
import { useDesk } from "../desk-store";
import { mixColours, useMatcher, useMatchOptions } from "../matcher";
import { laidWash, usePaints, usePaper, useSourcePaints } from "../paints";
import { useTargets, useWantedColours } from "../targets";
import { SourceChoice } from "./source-choice";

type Run =
  | { readonly state: "idle"; readonly message?: string }
  | { readonly state: "running"; readonly done: number; readonly of: number };

/** Finds the closest recipe for every colour that has none, with progress; can be stopped, and undone in one step. */
export function MixAll() {
  const matcher = useMatcher();
  const [run, setRun] = useState<Run>({ state: "idle" });
  const chooseRecipes = useDesk((s) => s.chooseRecipes);
  const paints = useSourcePaints();
  const paper = usePaper();
  const known = usePaints();
  const targets = useTargets();
  const colours = useWantedColours();
  const options = useMatchOptions(paints);
  const unmixed = colours.filter(({ recipe }) => recipe === null);
  const wanted = unmixed.length > 0 ? unmixed : colours.filter(({ recipe }) => !recipe?.pinned);

  const start = (): void => {
    setRun({ state: "running", done: 0, of: wanted.length });
    const laid = new Map(
      colours.flatMap(({ id, recipe }) => {
        const wash = recipe && laidWash(recipe, known);
        return wash ? [[id, wash] as const] : [];
      }),
    );
    mixColours(
      matcher,
      wanted.map(({ id, lab, overId, areaCm2, character }) => ({
        id,
        overId,
        areaCm2,
        character,
        lab: targets.get(id) ?? lab,
      })),
      { paints, paperId: paper.id, options },
      laid,
      (recipe) => laidWash(recipe, known),
      {
        progress: (done) => setRun({ state: "running", done, of: wanted.length }),
        finished: (found, milliseconds) => {
          chooseRecipes(found);
          setRun({ state: "idle", message: `${found.size} recipes in ${(milliseconds / 1000).toFixed(1)} s` });
        },
        failed: (message) => setRun({ state: "idle", message }),
      },
    );
  };
  const stop = (): void => {
    matcher.cancel();
    setRun({ state: "idle", message: "Stopped; nothing was changed." });
  };

  if (run.state === "running") {
    return (
      <div className="flex items-center gap-3">
        <progress
          className="progress progress-primary flex-1"
          value={run.done}
          max={run.of}
          aria-label="Mixing all areas"
        />
        <span role="status">
          {run.done} of {run.of}
        </span>
        <button type="button" className="btn btn-sm" onClick={stop}>
          Stop
        </button>
      </div>
    );
  }
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <button
          type="button"
          className="btn btn-primary btn-sm"
          disabled={wanted.length === 0 || paints.length === 0}
          onClick={start}
        >
          {unmixed.length === colours.length || unmixed.length === 0
            ? "Mix all areas"
            : `Mix the other ${unmixed.length}`}
        </button>
        <SourceChoice />
      </div>
      {run.message && (
        <p role="status" className="quiet">
          {run.message}
        </p>
      )}
    </div>
  );
}
