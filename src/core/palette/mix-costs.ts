import type { Lab } from "../spectrum/colour";
import { polishMixes, rankOnGrid } from "../mix/closest";
import type { ReachTable } from "../mix/reach-table";

/** One area as the choice of a palette sees it. */
export interface PaletteTarget {
  readonly lab: Lab;
  /** How much its error counts. */
  readonly weight: number;
}

/** What each combination of paints can do for each target. */
export interface MixCosts {
  readonly paints: number;
  /** Paints of each combination, as indices; at most three. */
  readonly combinations: readonly (readonly number[])[];
  /** CIEDE2000 with the value weight, less what nobody sees, combination after combination for each target. */
  readonly costs: readonly Float64Array[];
  readonly weights: readonly number[];
}

/** Errors up to this are seen by nobody and count nothing, or five palettes that all do would be told apart by nothing. CIEDE2000, from memory. */
export const UNSEEN = 0.5;

/** Combinations of each target that are optimised with the full film model; the others keep their cost on the grid. */
const POLISHED = 240;

/**
 * The error of the best mix of every combination for every target: from the reach table's grid,
 * and optimised with the full film model where a combination is among the target's best.
 * @param onTarget told after each target, for progress
 */
export function mixCosts(targets: readonly PaletteTarget[], table: ReachTable, valueWeight: number, onTarget: (done: number) => void = () => {}): MixCosts {
  const costs = targets.map(({ lab }, i) => {
    const ranking = rankOnGrid(lab, table, valueWeight);
    const cost = ranking.cost.map(Math.sqrt);
    for (const { index, cost: polished } of polishMixes(lab, table, valueWeight, ranking, POLISHED)) cost[index] = Math.min(cost[index], polished);
    onTarget(i + 1);
    return cost.map((error) => Math.max(0, error - UNSEEN));
  });
  return { paints: table.paints.length, combinations: table.combinations, costs, weights: targets.map(({ weight }) => weight) };
}
