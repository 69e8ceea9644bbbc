"use client";

import { createContext, useContext, useMemo } from "react";
import { lchOfLab, type Lab } from "@/core/colour";
import { predict, valueRange, type ValueRange } from "@/core/mixing";
import { loadOfWater } from "@/core/optics";
import { wishUnder } from "@/core/palette";
import { curveOf, targetColour, type CurveValues, type Wish } from "@/core/planning";
import { MIXABLE } from "@/model/paintbox";
import type { PaintingArea, Study } from "@/model/painting";
import { useDesk } from "./desk-store";
import { namedParts, usePaints, usePaper } from "./paints";

/** The values that paper and paintbox can do; targets don't wait for a palette. */
export function useBoxRange(): ValueRange {
  const paints = usePaints();
  const paper = usePaper();
  return useMemo(
    () =>
      valueRange(
        [...paints.values()].filter(({ status }) => MIXABLE.has(status)).map(({ model }) => model),
        paper,
      ),
    [paints, paper],
  );
}

const curveValuesOf = (curve: Study["curve"], range: ValueRange): CurveValues =>
  curve.kind === "bent" ? curve.values : curveOf(curve.kind, range);

/** The curve that brings the photo's values to the sheet. */
export function useCurve(): CurveValues {
  const range = useBoxRange();
  const curve = useDesk((s) => s.document.study.curve);
  return useMemo(() => curveValuesOf(curve, range), [curve, range]);
}

const TargetsContext = createContext<ReadonlyMap<string, Lab>>(new Map());
export const TargetsProvider = TargetsContext.Provider;

/** The colour to paint in each area, by its id. */
export const useTargets = (): ReadonlyMap<string, Lab> => useContext(TargetsContext);

/** The colour to paint in one area. */
export const useTarget = (area: PaintingArea): Lab => useTargets().get(area.id) ?? area.lab;

/** What is wished of the whole painting's colours: by hand, or else by the approach. */
export function useWish(): Wish {
  const wish = useDesk((s) => s.document.study.wish);
  const approach = useDesk((s) => s.document.approach);
  return useMemo(() => wishUnder(approach, wish), [approach, wish]);
}

/** Computes the colours to paint; once, for the whole desk. */
export function useComputedTargets(): ReadonlyMap<string, Lab> {
  const areas = useDesk((s) => s.document.areas);
  const wish = useWish();
  const curve = useCurve();
  const paper = usePaper();
  const hues = useDesk((s) => s.document.approach.hues);
  const paints = usePaints();
  return useMemo(
    () =>
      new Map(
        areas.map((area) => {
          const target = targetColour(area.lab, area.wish ?? wish, curve, paper);
          const parts = hues === "free" && area.recipe ? namedParts(area.recipe, paints) : null;
          return [
            area.id,
            parts && area.recipe
              ? withHueOf(target, predict(parts, loadOfWater(area.recipe.waterParts), paper).dry)
              : target,
          ];
        }),
      ),
    [areas, wish, curve, paper, hues, paints],
  );
}

/** A colour of one's value and chroma and the other's hue: with hues free the areas follow their recipes. */
export function withHueOf(target: Lab, other: Lab): Lab {
  const { h } = lchOfLab(other);
  const { C } = lchOfLab(target);
  const angle = (h * Math.PI) / 180;
  return { L: target.L, a: C * Math.cos(angle), b: C * Math.sin(angle) };
}

/** The colours of the areas before hues follow any recipe: what a palette is chosen for. */
export function useWantedColours(): readonly Lab[] {
  const areas = useDesk((s) => s.document.areas);
  const wish = useWish();
  const curve = useCurve();
  const paper = usePaper();
  return useMemo(
    () => areas.map((area) => targetColour(area.lab, area.wish ?? wish, curve, paper)),
    [areas, wish, curve, paper],
  );
}
