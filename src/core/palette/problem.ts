import { drained } from "../numeric/in-turn";
import { DEFAULT_MATCH, prepareMatch } from "../mixing/match";
import type { MixMetric } from "../mixing/metric";
import type { PaintModel } from "../mixing/paint";
import type { ReachTable } from "../mixing/reach-table";
import type { Paper } from "../optics/paper";
import {
  choosePrepared,
  choosingPrepared,
  prepareChoice,
  type PaletteRules,
  type PreparedChoice,
  type SizeChoice,
} from "./choose";
import { darkDemand, withinDemand } from "./demands";
import { servedBy, type ServedTarget } from "./gain";
import { mixCosts, type MixCosts, type PaletteTarget } from "./mix-costs";

/** Most palettes that are kept of each size. */
const BEST_OF_A_SIZE = 5;

/** Paints, areas, and how a mix is judged. */
export interface PaletteQuestion {
  readonly paper: Paper;
  readonly paints: readonly PaintModel[];
  readonly targets: readonly PaletteTarget[];
  readonly metric: MixMetric;
  readonly maxPaints: 2 | 3;
  readonly maxPigments: number;
}

/** A question with every mix weighed on every area, so that a change of rules asks for no mixing again. */
export interface PaletteProblem {
  readonly question: PaletteQuestion;
  readonly table: ReachTable;
  readonly costs: MixCosts;
  readonly prepared: PreparedChoice;
}

/** What is being computed: all mixes, their costs on every target, or the palettes of so many paints. */
export type PaletteStage = "mixes" | "costs" | number;

/** Called with the stage that begins and the share of 1 that is done. */
export type OnProgress = (stage: PaletteStage, share: number) => void;

/** Weighs every mix of a question on every area. Mixes that `before` knows are not computed again. */
export function posePalette(
  question: PaletteQuestion,
  before: PaletteProblem | null,
  onProgress: OnProgress,
): PaletteProblem {
  const { paper, paints, targets, metric, maxPaints, maxPigments } = question;
  onProgress("mixes", 0);
  const table = prepareMatch(
    paints,
    paper,
    { ...DEFAULT_MATCH, maxPaints, maxPigments, valueWeight: metric.valueWeight },
    before?.table,
  );
  const costs = mixCosts(targets, table, metric, (done) => onProgress("costs", costsShare(done, targets.length)));
  return problemOf(question, table, costs);
}

/** What is done of the whole when so many of the targets are weighed. */
export const costsShare = (done: number, targets: number): number => 0.4 + (0.5 * done) / targets;

/** A question whose mixes are computed and weighed already, ready for choices. */
export const problemOf = (question: PaletteQuestion, table: ReachTable, costs: MixCosts): PaletteProblem => ({
  question,
  table,
  costs,
  prepared: prepareChoice(costs),
});

/** A palette and how it serves each target. */
export interface ServedPalette {
  readonly paints: readonly number[];
  /** Mean over the targets by their weights, dE00; infinite for an empty palette. */
  readonly error: number;
  /** The same mean with what is not known of the paints. */
  readonly expected: number;
  /** As `error`, in a hand that never errs. */
  readonly ideal: number;
  readonly served: readonly ServedTarget[];
}

/** How a palette, given by its paints' places in the question, serves the targets. */
export function servedPalette(costs: MixCosts, paints: readonly number[]): ServedPalette {
  if (paints.length === 0) return { paints, error: Infinity, expected: Infinity, ideal: Infinity, served: [] };
  const served = servedBy(costs, paints);
  const total = costs.weights.reduce((sum, weight) => sum + weight, 0);
  const mean = (of: "error" | "expected" | "ideal"): number =>
    served.reduce((sum, target, t) => sum + costs.weights[t]! * target[of], 0) / total;
  return { paints, served, error: mean("error"), expected: mean("expected"), ideal: mean("ideal") };
}

/**
 * What a palette is chosen under: its sizes, the rules, the darkest value it must reach and areas that it must come
 * near.
 */
export interface PaletteChoice extends PaletteRules {
  readonly sizes: readonly number[];
  /** Munsell value; null when nothing is asked. */
  readonly darkest: number | null;
  /** Targets that must be met within so many dE00. */
  readonly within: readonly { readonly target: number; readonly most: number }[];
}

export type FoundSize = Omit<SizeChoice, "best"> & { readonly best: readonly ServedPalette[] };

/** The costs with what must be reached: a target that must be met is met by a mix that does it, not by a calmer one. */
export function boundCosts({ costs, table }: PaletteProblem, { darkest, within }: PaletteChoice): MixCosts {
  return {
    ...costs,
    costs: within.reduce<readonly Float64Array[]>((all, { target, most }) => {
      const demand = withinDemand(costs, target, most);
      return all.map((cost, t) => (t === target ? cost.map((value, c) => value + demand[c]!) : cost));
    }, costs.costs),
    demands: darkest === null ? [] : [darkDemand(table, darkest)],
  };
}

/** The best palettes of each size. Sizes are proven one after another, each begun at what the one before it found. */
export const solvePalette = (...of: Parameters<typeof solvingPalette>): FoundSize[] => drained(solvingPalette(...of));

/** {@link solvePalette} step by step: it can be left between two of them. */
export function* solvingPalette(
  problem: PaletteProblem,
  choice: PaletteChoice,
  onProgress: OnProgress,
): Generator<void, FoundSize[]> {
  const { sizes, must, never, kinds, darkest, within } = choice;
  const bound = boundCosts(problem, choice);
  const ready = within.length === 0 && darkest === null ? problem.prepared : prepareChoice(bound);
  const found: FoundSize[] = [];
  let starts: readonly (readonly number[])[] = [];
  for (const [i, size] of sizes.entries()) {
    onProgress(size, i / sizes.length);
    const [chosen] = yield* choosingPrepared(ready, [size], { must, never, kinds }, BEST_OF_A_SIZE, starts);
    if (!chosen) continue;
    starts = chosen.best.map(({ paints }) => paints);
    found.push({ ...chosen, best: starts.map((paints) => servedPalette(bound, paints)) });
  }
  return found;
}

/**
 * The best palette of a palette's size if all paints were liked alike and none was dear, and how it serves; null where
 * it is the same one, so that taste and stock decided nothing.
 */
export function untastedPalette(
  problem: PaletteProblem,
  choice: PaletteChoice,
  best: ServedPalette,
): ServedPalette | null {
  const { costs, taste } = boundCosts(problem, choice);
  if (!taste) return null;
  const plain = {
    ...boundCosts(problem, choice),
    costs: costs.map((cost, t) => cost.map((value, c) => value - taste[t]![c]!)),
  };
  const [size] = choosePrepared(prepareChoice(plain), [best.paints.length], choice, 1, [best.paints]);
  const paints = size?.best[0]?.paints;
  return paints && paints.join() !== best.paints.join() ? servedPalette(plain, paints) : null;
}
