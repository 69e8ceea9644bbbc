import { HANDS, NO_TASTE } from "@/core/mixing";
import { paperById } from "@/core/optics";
import { EFFORT_COUNTS, NEAR_ENOUGH, type PaletteQuestion } from "@/core/palette";
import { modelOf } from "./paint-message";
import type { Opening } from "./palette-api";

/** The question that an opening asks, with its paints' models and the judge of their mixes. */
export function questionOf(opening: Opening): PaletteQuestion {
  const { paperId, hand, near, effort, valueWeight, freeHue, maxPigments, maxPaints, paints, targets } = opening;
  const of = new Map(paints.map((paint) => [paint.id, paint]));
  return {
    paper: paperById(paperId),
    paints: paints.map(modelOf),
    targets,
    maxPaints,
    maxPigments,
    metric: {
      valueWeight,
      freeHue,
      strongest: ({ id }) => of.get(id)?.strongest ?? 1,
      hand: HANDS[hand],
      nearEnough: NEAR_ENOUGH[near],
      effort: EFFORT_COUNTS[effort],
      reluctance: ({ id }) => of.get(id)?.reluctance ?? 0,
      taste: ({ id }) => of.get(id)?.taste ?? NO_TASTE,
    },
  };
}
