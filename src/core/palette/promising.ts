import { combinationsOf } from "../mixing/combinations";
import type { MixMetric } from "../mixing/metric";
import type { PaintModel } from "../mixing/paint";
import { makingReachTable } from "../mixing/reach-table";
import type { Paper } from "../optics/paper";
import { weighingOf, type PaletteTarget } from "./mix-costs";

/** A mix that is so much worse than the best says an e-th as much for its paints, dE00. From memory. */
const SAYS_LESS = 2;
/** So many of the mixes are weighed to the end for each target: all that say anything. */
const WEIGHED = { refined: 400, polished: 8 } as const;

/**
 * Of many paints the `most` that promise most for a palette: those of the mixes of one and two that come nearest to the
 * targets as they come out of the hand, each target speaking as loudly as every other. Measured on 80 paints and 40
 * targets against all mixes of all of them: with 32 paints the best palettes of 3 to 6 paints are the same ones, those
 * of 8 and 10 lose 0.05 and 0.08 dE00 at most.
 * @param always paints that are among them in any case
 * @param never paints that are not
 * @returns places in `paints`, ascending; in steps, so that it can be left
 */
export function* findingPromising(
  paints: readonly PaintModel[],
  paper: Paper,
  metric: MixMetric,
  maxPigments: number,
  targets: readonly PaletteTarget[],
  most: number,
  always: readonly number[],
  never: readonly number[] = [],
): Generator<void, readonly number[]> {
  const table = yield* makingReachTable(combinationsOf(paints, { maxPaints: 2, maxPigments }), paints, paper);
  const weigh = weighingOf(table, metric, WEIGHED);
  const votes = new Float64Array(paints.length);
  for (const target of targets) {
    const { costs } = yield* weigh(target);
    const least = costs.reduce((one, other) => Math.min(one, other), Infinity);
    const own = new Float64Array(paints.length);
    let all = 0;
    table.combinations.forEach((combination, c) => {
      const says = Math.exp((least - costs[c]!) / SAYS_LESS);
      for (const p of combination) own[p]! += says;
      all += says * combination.length;
    });
    own.forEach((says, p) => (votes[p]! += says / all));
  }
  for (const p of always) votes[p] = Infinity;
  const out = new Set(never.filter((p) => !always.includes(p)));
  return [...votes.keys()]
    .filter((p) => !out.has(p))
    .sort((one, two) => votes[two]! - votes[one]! || one - two)
    .slice(0, most)
    .sort((one, two) => one - two);
}
