import type { Lab } from "../colour/colour";
import { deltaE00 } from "../colour/difference";
import { loadOfWater, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";
import type { PaintModel } from "./paint";
import { predict, type MixPart } from "./predict";

/** A mix that a ring of paints makes. */
export interface RingMix {
  readonly mix: readonly MixPart[];
  readonly waterParts: WaterParts;
  readonly lab: Lab;
}

/** Parts in which two, and three, run into each other on a wet ring; and strengths from full to pale. */
const OF_TWO = [
  [3, 1],
  [1, 1],
  [1, 3],
] as const;
const OF_THREE = [
  [1, 1, 1],
  [2, 1, 1],
  [1, 2, 1],
  [1, 1, 2],
] as const;
const WATER = [0.5, 2, 6, 15] as const;

/** The colours of a ring: each paint, every two and every three of them, from full strength to pale. */
export function ringMixes(paints: readonly PaintModel[], paper: Paper): RingMix[] {
  const mixes: MixPart[][] = paints.map((paint) => [{ paint, parts: 1 }]);
  paints.forEach((one, i) =>
    paints.slice(i + 1).forEach((two, j) => {
      for (const [a, b] of OF_TWO)
        mixes.push([
          { paint: one, parts: a },
          { paint: two, parts: b },
        ]);
      for (const three of paints.slice(i + j + 2))
        for (const [a, b, c] of OF_THREE)
          mixes.push([
            { paint: one, parts: a },
            { paint: two, parts: b },
            { paint: three, parts: c },
          ]);
    }),
  );
  return mixes.flatMap((mix) =>
    WATER.map((waterParts) => ({ mix, waterParts, lab: predict(mix, loadOfWater(waterParts), paper).dry })),
  );
}

/**
 * What a second ring makes that a first one does not: mixes further than `apart` from every one of the first, the
 * farthest on top, none of them like another.
 * @returns the mixes, and which share of the second ring's they stand for
 */
export function newlyReached(
  first: readonly RingMix[],
  second: readonly RingMix[],
  apart: number,
): { readonly share: number; readonly mixes: readonly RingMix[] } {
  const away = second
    .map((one) => ({ one, away: Math.min(...first.map(({ lab }) => deltaE00(lab, one.lab))) }))
    .filter((found) => found.away > apart)
    .sort((a, b) => b.away - a.away);
  const unlike: RingMix[] = [];
  for (const { one } of away) if (unlike.every(({ lab }) => deltaE00(lab, one.lab) > apart)) unlike.push(one);
  return { share: second.length === 0 ? 0 : away.length / second.length, mixes: unlike };
}
