"use client";

import { createContext, createElement, useContext, useMemo, type ReactNode } from "react";
import { lchOfLab, type Lab } from "@/core/colour";
import { predict, valueRange, type Laying, type ValueRange } from "@/core/mixing";
import { loadOfWater } from "@/core/optics";
import { wishUnder } from "@/core/palette";
import { targetColour, type CurveValues, type Wish } from "@/core/planning";
import type { PaintingArea, StoredRecipe } from "@/model/painting";
import { coloursOf } from "@/model/washes";
import { curveValuesOf, wantedOf } from "@/model/wanted";
import { useWashSizes } from "./uses";
import { useDesk } from "./desk-store";
import { namedParts, useAtHand, usePaints, usePaper } from "./paints";
import { colourName } from "./wash-words";

const BoxRangeContext = createContext<ValueRange | null>(null);

/** Works out the values that paper and paintbox can do; once, for the whole desk. */
export function BoxRangeProvider({ children }: { children: ReactNode }) {
  const atHand = useAtHand();
  const paper = usePaper();
  const range = useMemo(
    () =>
      valueRange(
        atHand.map(({ model }) => model),
        paper,
      ),
    [atHand, paper],
  );
  return createElement(BoxRangeContext, { value: range }, children);
}

/** The values that paper and paintbox can do; targets don't wait for a palette. */
export function useBoxRange(): ValueRange {
  const range = useContext(BoxRangeContext);
  if (!range) throw new Error("Only usable on the desk.");
  return range;
}

/** The curve that brings the photo's values to the sheet. */
export function useCurve(): CurveValues {
  const range = useBoxRange();
  const curve = useDesk((s) => s.document.study.curve);
  return useMemo(() => curveValuesOf(curve, range), [curve, range]);
}

const TargetsContext = createContext<ReadonlyMap<string, Lab>>(new Map());
export const TargetsProvider = TargetsContext.Provider;

/** The colours to paint, by the ids of the washes' colours: an area's own colour has the area's id. */
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
        areas.flatMap((area) =>
          coloursOf(area).map(({ id, lab, recipe }): readonly [string, Lab] => {
            const target = targetColour(lab, area.wish ?? wish, curve, paper);
            const parts = hues === "free" && recipe ? namedParts(recipe, paints) : null;
            return [
              id,
              parts && recipe ? withHueOf(target, predict(parts, loadOfWater(recipe.waterParts), paper).dry) : target,
            ];
          }),
        ),
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

/** One colour that paints are chosen for. */
export interface WantedColour extends Laying {
  /** Id of the wash's colour. */
  readonly id: string;
  readonly areaId: string;
  /** The area's number on the photo, with a letter for the further colours of its wash: "3", "3b". */
  readonly mark: string;
  readonly name: string;
  readonly lab: Lab;
  readonly weight: number;
  /** The colour whose dried wash it is laid over; null: the paper. */
  readonly overId: string | null;
  readonly recipe: StoredRecipe | null;
}

const WantedContext = createContext<readonly WantedColour[]>([]);
export const WantedProvider = WantedContext.Provider;

/** All colours of all washes before hues follow any recipe: what a palette is chosen for. */
export const useWantedColours = (): readonly WantedColour[] => useContext(WantedContext);

/** Gathers them; once, for the whole desk. */
export function useComputedWanted(): readonly WantedColour[] {
  const areas = useDesk((s) => s.document.areas);
  const approach = useDesk((s) => s.document.approach);
  const paperId = useDesk((s) => s.document.paperId);
  const wish = useDesk((s) => s.document.study.wish);
  const reserved = useDesk((s) => s.document.plan.reserved);
  const curve = useCurve();
  const sizes = useWashSizes();
  return useMemo(
    () =>
      wantedOf({ areas, approach, paperId, study: { wish }, plan: { reserved } }, curve).map(
        ({ area, colour: { id, over, recipe }, index, ...wanted }) => ({
          ...wanted,
          id,
          areaId: area.id,
          mark: `${areas.indexOf(area) + 1}${index > 0 ? "abcd"[index]! : ""}`,
          name: colourName(area, index),
          areaCm2: sizes.get(id) ?? 0,
          overId: over ? area.id : null,
          recipe,
        }),
      ),
    [areas, approach, paperId, wish, reserved, curve, sizes],
  );
}
