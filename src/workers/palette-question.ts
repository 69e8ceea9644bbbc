import { NO_TASTE, tastesOf, type Hand, type Stock } from "@/core/mixing";
import { paperById } from "@/core/optics";
import {
  EFFORT_COUNTS,
  NEAR_ENOUGH,
  paintsInMix,
  reluctanceFor,
  strongestLoad,
  type Approach,
  type PaintTraits,
  type PaletteQuestion,
} from "@/core/palette";
import { messageOf, modelOf, type PaintMessage } from "./paint-message";
import type { Opening } from "./palette-api";

/** What is weighed of paints for one painting under its approach, mixed by a hand. */
export function openingOf(
  approach: Approach,
  hand: Hand,
  paperId: string,
  paints: readonly PaintMessage[],
  traits: readonly PaintTraits[],
  stocks: readonly Stock[],
  targets: Opening["targets"],
): Opening {
  const tastes = tastesOf(stocks);
  return {
    paperId,
    hand,
    near: approach.near,
    effort: approach.effort,
    valueWeight: approach.valueWeight,
    freeHue: approach.hues === "free",
    maxPigments: approach.maxPigments,
    maxPaints: paintsInMix(approach),
    paints: paints.map((paint, i) => ({
      ...messageOf(paint),
      strongest: strongestLoad(approach, traits[i]!),
      reluctance: reluctanceFor(approach, traits[i]!),
      taste: tastes[i]!,
    })),
    targets,
  };
}

/** The question that an opening asks, with its paints' models and the judge of their mixes. */
export function questionOf(opening: Opening): PaletteQuestion {
  const { paperId, hand, near, effort, valueWeight, freeHue, maxPigments, maxPaints, paints, targets } = opening;
  const { always = [], never = [] } = opening;
  const of = new Map(paints.map((paint) => [paint.id, paint]));
  return {
    paper: paperById(paperId),
    paints: paints.map(modelOf),
    targets,
    maxPaints,
    maxPigments,
    always,
    never,
    metric: {
      valueWeight,
      freeHue,
      strongest: ({ id }) => of.get(id)?.strongest ?? 1,
      hand,
      nearEnough: NEAR_ENOUGH[near],
      effort: EFFORT_COUNTS[effort],
      reluctance: ({ id }) => of.get(id)?.reluctance ?? 0,
      taste: ({ id }) => of.get(id)?.taste ?? NO_TASTE,
    },
  };
}
