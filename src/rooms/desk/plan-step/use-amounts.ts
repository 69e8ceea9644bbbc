"use client";

import { useMemo } from "react";
import { puddlesOf, type SharedPuddle } from "@/core/mixing";
import { brushFor, coatsOf, mixingOrder, mixWells, type MixedWell, type Ml, type WashBrush } from "@/core/planning";
import { satWashes } from "@/model/plan";
import type { NamedPart } from "@/ui/recipe-bar";
import { useDesk } from "../desk-store";
import { useMixedColours, type MixedColour } from "../mixed";
import { namedParts, usePaints, usePaper, type KnownPaint } from "../paints";
import { usePlan } from "./use-plan";

/** A colour that is laid from a puddle. */
interface ServedColour {
  readonly colour: MixedColour;
  /** How strong each coat is, and how many. */
  readonly waterParts: number;
  readonly coats: number;
}

/** A puddle to be mixed, with what it takes. */
export interface PuddleToMixNow {
  readonly parts: readonly NamedPart[];
  /** How it is mixed, step by step. */
  readonly well: MixedWell;
  readonly brush: WashBrush;
  readonly serves: readonly ServedColour[];
  /** Colours by their places in what the well serves, once each. */
  readonly colourAt: (serves: readonly number[]) => readonly MixedColour[];
  /** Which puddle of the list it is made of, with a paint added, counted from 1; null for a mix of its own. */
  readonly from: number | null;
}

/** What the painting takes of one paint. */
interface PaintNeed {
  readonly paint: KnownPaint;
  readonly ml: Ml;
  /** What is left of it; null where its size or what is left is not known. */
  readonly leftMl: Ml | null;
  /** What that much costs; null where its price is not known. */
  readonly price: number | null;
}

/** Whether a paint is squeezed out; others are taken off a pan or stick. */
export const isTube = ({ form }: KnownPaint): boolean => form === "tube" || form === "gouache";

export interface Amounts {
  /** In the order of mixing. */
  readonly puddles: readonly PuddleToMixNow[];
  readonly needs: readonly PaintNeed[];
}

/** The puddles of a list with those that come of each put behind it, groups in the order of mixing. */
function inMixingOrder(
  puddles: readonly SharedPuddle[],
  orderOf: (bases: readonly SharedPuddle[]) => readonly number[],
): readonly SharedPuddle[] {
  const bases = puddles.filter(({ from }) => from === null);
  return orderOf(bases).flatMap((i) => {
    const base = bases[i]!;
    return [base, ...puddles.filter(({ from }) => from !== null && puddles[from] === base)];
  });
}

/**
 * What each puddle and each paint comes to, and in which order puddles are mixed: of the whole painting, or of what is
 * left of it for a later sitting.
 */
export function useAmounts(of: "all" | "left" = "all"): Amounts {
  const { plan } = usePlan();
  const stored = useDesk((s) => s.document.plan);
  const mixed = useMixedColours();
  const paints = usePaints();
  const paper = usePaper();
  return useMemo(() => {
    const byId = new Map(mixed.map((colour) => [colour.id, colour]));
    const sat = satWashes(stored);
    const toLay = of === "left" ? plan.washes.filter(({ key }) => !sat.has(key)) : plan.washes;
    const wanted = new Set(toLay.flatMap(({ colourIds }) => colourIds));
    const puddles = puddlesOf(
      mixed.flatMap(({ id, recipe, laid, areaCm2 }) =>
        recipe && laid && wanted.has(id) ? [{ id, parts: recipe.parts, waterParts: recipe.waterParts, areaCm2 }] : [],
      ),
    );
    const parted = (puddle: SharedPuddle): readonly NamedPart[] =>
      namedParts({ parts: [...puddle.parts], waterParts: 0 }, paints) ?? [];
    const ordered = inMixingOrder(puddles, (bases) =>
      mixingOrder(
        bases.map((base) => ({
          mix: parted(base),
          waterParts: Math.max(1, ...base.uses.map(({ waterParts }) => waterParts)),
        })),
        paper,
      ),
    );
    const used = new Map<string, Ml>();
    // In the order in which they are laid, so that what is thinned is told in that order.
    const served = ordered.map((puddle) =>
      toLay.flatMap(({ colourIds, filmUm }) =>
        puddle.uses
          .filter(({ id }) => colourIds.includes(id))
          .map(({ id, waterParts, areaCm2 }) => ({ id, areaCm2, filmUm, ...coatsOf(plan.washes, id, waterParts) })),
      ),
    );
    const baseOf = (puddle: SharedPuddle): number | null =>
      puddle.from === null ? null : ordered.indexOf(puddles[puddle.from]!);
    const wells = mixWells(
      ordered.map((puddle, i) => {
        const base = baseOf(puddle);
        return {
          parts: puddle.parts.map(({ parts }) => parts),
          served: served[i]!,
          from:
            base === null
              ? null
              : {
                  well: base,
                  paints: ordered[base]!.parts.map(({ paintId }) =>
                    puddle.parts.findIndex((part) => part.paintId === paintId),
                  ),
                },
        };
      }),
    );
    const rows = ordered.map((puddle, i): PuddleToMixNow => {
      const parts = parted(puddle);
      const laid = served[i]!;
      const well = wells[i]!;
      parts.forEach(({ paint }, p) => used.set(paint.id, (used.get(paint.id) ?? 0) + well.stock.paintMl[p]!));
      const base = baseOf(puddle);
      return {
        parts,
        well,
        brush: brushFor(Math.max(0, ...laid.map(({ areaCm2 }) => areaCm2))),
        serves: laid
          .filter(({ id }, n) => laid.findIndex((one) => one.id === id) === n)
          .map(({ id, waterParts, coats }) => ({ colour: byId.get(id)!, waterParts, coats })),
        colourAt: (places) => [...new Set(places.map((place) => laid[place]!.id))].map((id) => byId.get(id)!),
        from: base === null ? null : base + 1,
      };
    });
    const needs = [...used].flatMap(([id, ml]): PaintNeed[] => {
      const paint = paints.get(id);
      if (!paint) return [];
      const { sizeMl, left, price } = paint;
      return [
        {
          paint,
          ml,
          leftMl: sizeMl !== null && left !== null ? sizeMl * left : null,
          price: price !== null && sizeMl !== null && sizeMl > 0 ? (ml * price) / sizeMl : null,
        },
      ];
    });
    return { puddles: rows, needs: needs.sort((one, two) => two.ml - one.ml) };
  }, [plan, stored, of, mixed, paints, paper]);
}
