import { NO_TASTE, tastesOf, type Hand, type Stock } from "@/core/mixing";
import { paperById } from "@/core/optics";
import type { ApproachPolicy, PaletteQuestion } from "@/core/palette";
import { messageOf, modelOf, type PaintMessage } from "./paint-message";
import type { Opening } from "./palette-api";

/**
 * What is weighed of paints for one painting, mixed by a hand.
 * @param policy what the painting's approach makes of these paints, in their order
 */
export function openingOf(
  policy: ApproachPolicy,
  hand: Hand,
  paperId: string,
  paints: readonly PaintMessage[],
  stocks: readonly Stock[],
  targets: Opening["targets"],
): Opening {
  const tastes = tastesOf(stocks);
  return {
    paperId,
    hand,
    mixing: policy.mixing,
    paints: paints.map((paint, i) => {
      const { strongest, reluctance } = policy.paints[i]!;
      return { ...messageOf(paint), strongest, reluctance, taste: tastes[i]! };
    }),
    targets,
  };
}

/** The question that an opening asks, with its paints' models and the judge of their mixes. */
export function questionOf(opening: Opening): PaletteQuestion {
  const { paperId, hand, mixing, paints, targets, always = [], never = [] } = opening;
  const { maxPaints, maxPigments, ...judging } = mixing;
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
      ...judging,
      hand,
      reluctance: ({ id }) => of.get(id)?.reluctance ?? 0,
      taste: ({ id }) => of.get(id)?.taste ?? NO_TASTE,
    },
  };
}
