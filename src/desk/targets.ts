"use client";

import { createContext, useContext, useMemo } from "react";
import { curveOf, targetColour, valueRange, type CurveValues, type Lab, type ValueRange } from "@/core";
import { MIXABLE } from "@/db/paintbox-document";
import type { PaintingArea, Study } from "@/db/painting-document";
import { useDesk } from "./desk-store";
import { usePaints, usePaper } from "./paints";

/** The values that paper and paintbox can do; targets don't wait for a palette. */
export function useBoxRange(): ValueRange {
  const paints = usePaints();
  const paper = usePaper();
  return useMemo(() => valueRange([...paints.values()].filter(({ status }) => MIXABLE.has(status)).map(({ model }) => model), paper), [paints, paper]);
}

export const curveValuesOf = (curve: Study["curve"], range: ValueRange): CurveValues => (curve.kind === "bent" ? curve.values : curveOf(curve.kind, range));

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

/** Computes the colours to paint; once, for the whole desk. */
export function useComputedTargets(): ReadonlyMap<string, Lab> {
  const areas = useDesk((s) => s.document.areas);
  const wish = useDesk((s) => s.document.study.wish);
  const curve = useCurve();
  const paper = usePaper();
  return useMemo(() => new Map(areas.map((area) => [area.id, targetColour(area.lab, area.wish ?? wish, curve, paper)])), [areas, wish, curve, paper]);
}
