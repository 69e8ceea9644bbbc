import { drained } from "../numeric/in-turn";
import { DEFAULT_MATCH, prepareMatch } from "../mixing/match";
import type { MixMetric } from "../mixing/metric";
import type { PaintModel } from "../mixing/paint";
import type { ReachTable } from "../mixing/reach-table";
import type { Paper } from "../optics/paper";
import { choosingPrepared, prepareChoice, type PaletteRules, type PreparedChoice, type SizeChoice } from "./choose";
import { darkDemand, withinDemand } from "./demands";
import { servedBy, type ServedTarget } from "./gain";
import { closeUp, type CloseUp } from "./close-up";
import { costsOf, eachRow, weigherOf, type MixCosts, type PaletteTarget, type TargetCosts } from "./mix-costs";
import { weighedOf, type Weighed } from "./weighed";

/** Most palettes that are kept of each size. */
const BEST_OF_A_SIZE = 5;

/**
 * Parts of the search tree that are looked at for each size where so many targets are weighed that a proof could take
 * minutes. Measured on 80 paints and 180 targets: with ten times as many a palette of 6 is better by 0.00 dE00, one of
 * 12 too.
 */
const MOST_NODES = 200;
/** Up to so many weighed targets a proof takes seconds. */
const PROVEN_UP_TO_TARGETS = 30;

/** Paints, areas, and how a mix is judged. */
export interface PaletteQuestion {
  readonly paper: Paper;
  readonly paints: readonly PaintModel[];
  readonly targets: readonly PaletteTarget[];
  readonly metric: MixMetric;
  readonly maxPaints: 2 | 3;
  readonly maxPigments: number;
  /** Of a large question paints that are mixed in any case, and such as never are, by their places. */
  readonly always?: readonly number[];
  readonly never?: readonly number[];
}

/** A question with every mix weighed on every area, so that a change of rules asks for no mixing again. */
export interface PaletteProblem {
  readonly question: PaletteQuestion;
  readonly table: ReachTable;
  readonly costs: MixCosts;
  readonly prepared: PreparedChoice;
  /** Whether some paints are not mixed, or targets stand for others that lie near: see weighed.ts. */
  readonly large: boolean;
  /** Whether targets stand for others. */
  readonly grouped: boolean;
  /** Paints that are mixed, by their places; null: all. */
  readonly among: Weighed["among"];
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
  weighed: Weighed = weighedOf(question),
): PaletteProblem {
  const { paper, paints, metric, maxPaints, maxPigments } = question;
  onProgress("mixes", 0);
  const table = prepareMatch(
    paints,
    paper,
    {
      ...DEFAULT_MATCH,
      maxPaints,
      maxPigments,
      ...(weighed.among && { among: weighed.among }),
      valueWeight: metric.valueWeight,
    },
    before?.table,
  );
  const weigh = weigherOf(table, metric);
  const rows = weighed.standing.map((target, i) => {
    const row = weigh(target);
    onProgress("costs", costsShare(i + 1, weighed.standing.length));
    return row;
  });
  return problemOf(question, table, rows, weighed);
}

/** What is done of the whole when so many of the targets are weighed. */
export const costsShare = (done: number, targets: number): number => 0.4 + (0.5 * done) / targets;

/**
 * A question whose mixes are computed and weighed already, ready for choices.
 * @param rows of the targets that were weighed
 */
export function problemOf(
  question: PaletteQuestion,
  table: ReachTable,
  rows: readonly TargetCosts[],
  { by, among, standing }: Weighed,
): PaletteProblem {
  const { targets } = question;
  const all = by.map((place) => rows[place]!);
  const costs = costsOf(all, table, targets);
  const grouped = standing.length < targets.length;
  return { question, table, costs, large: among !== null || grouped, grouped, among, prepared: prepareChoice(costs) };
}

/** The same problem where targets count otherwise. */
export function withWeights(problem: PaletteProblem, question: PaletteQuestion): PaletteProblem {
  const costs = { ...problem.costs, weights: question.targets.map(({ weight }) => weight) };
  return { ...problem, question, costs, prepared: prepareChoice(costs) };
}

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

/** How a palette of a problem serves its targets, told closely. */
export const servedIn = (problem: PaletteProblem, paints: readonly number[]): ServedPalette =>
  servedPalette(closeUp(problem, paints).costs, paints);

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

export type FoundSize = Omit<SizeChoice, "best"> & {
  readonly best: readonly ServedPalette[];
  /** How many of the paints it was chosen from: of a large question those that promise most. */
  readonly chosenFrom: number;
};

/** The costs with what must be reached: a target that must be met is met by a mix that does it, not by a calmer one. */
export function boundCosts({ costs, table }: CloseUp, { darkest, within }: PaletteChoice): MixCosts {
  return {
    ...costs,
    costs: within.reduce<readonly Float64Array[]>((all, { target, most }) => {
      const demand = withinDemand(costs, target, most);
      return all.map((cost, t) => (t === target ? cost.map((value, c) => value + demand[c]!) : cost));
    }, costs.costs),
    demands: darkest === null ? [] : [darkDemand(table, darkest)],
  };
}

/** What a choice is searched under: of a large question only paints that are mixed, and perhaps not to the end. */
export function searchOf(
  { question, among, large, costs }: PaletteProblem,
  { must, never: ruledOut, kinds }: PaletteRules,
): { readonly rules: PaletteRules; readonly mostNodes: number } {
  const mixed = new Set(among ?? question.paints.keys());
  const never = [...question.paints.keys()].filter((p) => !must.includes(p) && (!mixed.has(p) || ruledOut.includes(p)));
  const mostNodes = large && new Set(costs.costs).size > PROVEN_UP_TO_TARGETS ? MOST_NODES : Infinity;
  return { rules: { must, never, ...(kinds && { kinds }) }, mostNodes };
}

/** The best palettes of each size. Sizes are proven one after another, each begun at what the one before it found. */
export const solvePalette = (...of: Parameters<typeof solvingPalette>): FoundSize[] => drained(solvingPalette(...of));

/** {@link solvePalette} step by step: it can be left between two of them. */
export function* solvingPalette(
  problem: PaletteProblem,
  choice: PaletteChoice,
  onProgress: OnProgress,
): Generator<void, FoundSize[]> {
  const { sizes, darkest, within } = choice;
  const { rules, mostNodes } = searchOf(problem, choice);
  const bound = boundCosts(problem, choice);
  const told = (paints: readonly number[]): ServedPalette =>
    servedPalette(boundCosts(closeUp(problem, paints), choice), paints);
  const ready = within.length === 0 && darkest === null ? problem.prepared : prepareChoice(bound);
  const found: FoundSize[] = [];
  let starts: readonly (readonly number[])[] = [];
  for (const [i, size] of sizes.entries()) {
    onProgress(size, i / sizes.length);
    const [chosen] = yield* choosingPrepared(ready, [size], rules, BEST_OF_A_SIZE, starts, mostNodes);
    if (!chosen) continue;
    starts = chosen.best.map(({ paints }) => paints);
    const best: ServedPalette[] = [];
    for (const paints of starts) {
      best.push(told(paints));
      yield;
    }
    found.push({
      ...chosen,
      proven: chosen.proven && !problem.grouped,
      best,
      chosenFrom: problem.question.paints.length - rules.never.length,
    });
  }
  return found;
}

/** Costs as they would be if all paints were liked alike and none was dear. */
const withoutTaste = ({ costs, taste, ...rest }: MixCosts): MixCosts => ({
  ...rest,
  costs: taste ? eachRow(costs, (cost, t) => cost.map((value, c) => value - taste[t]![c]!)) : costs,
});

/**
 * The best palette of a palette's size if all paints were liked alike and none was dear, and how it serves; null where
 * it is the same one, so that taste and stock decided nothing.
 */
export const untastedPalette = (...of: Parameters<typeof findingUntasted>): ServedPalette | null =>
  drained(findingUntasted(...of));

/** {@link untastedPalette} step by step: it can be left between two of them. */
export function* findingUntasted(
  problem: PaletteProblem,
  choice: PaletteChoice,
  best: ServedPalette,
): Generator<void, ServedPalette | null> {
  const bound = boundCosts(problem, choice);
  if (!bound.taste) return null;
  const ready = prepareChoice(withoutTaste(bound));
  yield;
  const { rules, mostNodes } = searchOf(problem, choice);
  const [size] = yield* choosingPrepared(ready, [best.paints.length], rules, 1, [best.paints], mostNodes);
  const paints = size?.best[0]?.paints;
  return paints && paints.join() !== best.paints.join()
    ? servedPalette(withoutTaste(boundCosts(closeUp(problem, paints), choice)), paints)
    : null;
}
