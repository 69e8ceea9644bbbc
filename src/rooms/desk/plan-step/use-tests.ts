"use client";

import { useMemo } from "react";
import { compareColours } from "@/core/colour";
import { comesOut } from "@/core/mixing";
import { loadOfWater } from "@/core/optics";
import { arrangePaints } from "@/core/palette";
import { useDesk } from "../desk-store";
import { colourOf, useMixedColours, type MixedColour } from "../mixed";
import { useHand, usePaints, usePaper, type KnownPaint } from "../paints";
import { usePlan } from "./use-plan";

/** A mix that is worth a swatch before the painting. */
export interface TestedMix {
  readonly colour: MixedColour;
  /** What it is likely to come out off by, nine times in ten, dE00. */
  readonly p90: number;
  readonly why: "unsure" | "dark";
}

/** What is tried on scrap first. */
export interface TestsFirst {
  readonly mixes: readonly TestedMix[];
  /** Paints of the ring, by their hues. */
  readonly ring: readonly KnownPaint[];
  /** Two colours that are laid wet into wet and are most unlike. */
  readonly meeting: readonly [MixedColour, MixedColour] | null;
}

/** Swatches that a painter makes before a painting without tiring. From memory. */
const MOST_MIXES = 8;
/** A dark is worth a swatch from this size on, below this value. From memory. */
const LARGE_CM2 = 30;
const DARK_VALUE = 4;

const mixKey = ({ laid }: MixedColour): string =>
  laid?.mix
    .map(({ paint, parts }) => `${paint.id} ${parts}`)
    .sort()
    .join() ?? "";

/**
 * The few mixes whose uncertainty matters most: what they may come out off by, times their area and weight, each mix
 * once; the largest dark; the ring of the palette; and the meeting of two washes that are most unlike.
 */
export function useTests(): TestsFirst {
  const { plan } = usePlan();
  const mixed = useMixedColours();
  const hand = useHand();
  const palette = useDesk((s) => s.document.palette);
  const paints = usePaints();
  const paper = usePaper();
  return useMemo(() => {
    const weighed = mixed
      .flatMap((colour) => {
        if (!colour.laid) return [];
        const { mix, waterParts } = colour.laid;
        const { rms, p90 } = comesOut(colour.lab, mix, loadOfWater(waterParts), colour.ground, hand);
        return [{ colour, p90, matters: rms * Math.max(1, colour.areaCm2) * colour.weight }];
      })
      .sort((one, two) => two.matters - one.matters)
      .filter(({ colour }, i, all) => all.findIndex((one) => mixKey(one.colour) === mixKey(colour)) === i);
    const dark = weighed
      .filter(({ colour }) => colour.laid!.value < DARK_VALUE && colour.areaCm2 >= LARGE_CM2)
      .sort((one, two) => two.colour.areaCm2 - one.colour.areaCm2)[0];
    const chosen = weighed.slice(0, MOST_MIXES - (dark ? 1 : 0));
    const mixes = [...chosen, ...(dark && !chosen.includes(dark) ? [dark] : [])].map(({ colour, p90 }): TestedMix => ({
      colour,
      p90,
      why: dark?.colour === colour ? "dark" : "unsure",
    }));
    const first = new Map(plan.washes.map((wash) => [wash.key, mixed.find(({ id }) => id === wash.colourIds[0])]));
    let meeting: readonly [MixedColour, MixedColour] | null = null;
    let most = 0;
    for (const rule of plan.rules) {
      const [one, two] = [first.get(rule.first), first.get(rule.then)];
      if (rule.why !== "lost edge" || !one?.laid || !two?.laid) continue;
      const apart = compareColours(colourOf(one), colourOf(two)).dE00;
      if (apart > most) [meeting, most] = [[one, two], apart];
    }
    const laidOut = palette.flatMap((id) => paints.get(id)?.model ?? []);
    const ring = arrangePaints(laidOut, "round the wheel", paper).flatMap(({ id }) => paints.get(id) ?? []);
    return { mixes, ring, meeting };
  }, [plan, mixed, hand, palette, paints, paper]);
}
