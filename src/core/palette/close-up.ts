import { combinationsOf } from "../mixing/combinations";
import { reachTableOf, type ReachTable } from "../mixing/reach-table";
import { costsOf, weigherOf, type MixCosts } from "./mix-costs";
import type { PaletteProblem } from "./problem";

/** So many mixes of a palette are weighed to the end for each target. */
const WEIGHED = { refined: 10, polished: 1 } as const;
/** So many palettes' costs are kept: those of a choice, and what is tried beside them. */
const KEPT = 100;

/** What a few paints are told by: their mixes on the grid, and what these cost on every target. */
export interface CloseUp {
  readonly costs: MixCosts;
  readonly table: Pick<ReachTable, "paints" | "combinations" | "firstPoint" | "L">;
}

const kept = new WeakMap<PaletteProblem, Map<string, CloseUp>>();

/**
 * What a few paints are told by: the problem itself; of a large one, where a target stands for others and not all
 * paints are mixed, these paints' own mixes, weighed on every target.
 */
export function closeUp(problem: PaletteProblem, paints: readonly number[]): CloseUp {
  if (!problem.large || paints.length === 0) return problem;
  const { question } = problem;
  const known = kept.get(problem) ?? new Map<string, CloseUp>();
  kept.set(problem, known);
  const among = [...new Set(paints)].sort((one, two) => one - two);
  const key = among.join();
  const before = known.get(key);
  if (before) return before;
  const { paper, metric, targets } = question;
  const table = reachTableOf(combinationsOf(question.paints, { ...question, among }), question.paints, paper);
  const { combinations, firstPoint, L } = table;
  const found = {
    costs: costsOf(targets.map(weigherOf(table, metric, WEIGHED)), table, targets),
    table: { paints: question.paints, combinations, firstPoint, L },
  };
  if (known.size >= KEPT) known.delete(known.keys().next().value!);
  known.set(key, found);
  return found;
}
