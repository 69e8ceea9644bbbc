import { Incumbents } from "./search/incumbents";
import { localSearch } from "./search/local-search";
import { satisfiesConstraints, countPalettes, type CardinalityConstraint } from "./search/cardinality-constraints";
import { OUT_OF_REACH, rankAll, type Ranked } from "./search/ranking";
import { drained } from "../numeric/in-turn";
import { branchAndBound } from "./search/branch-and-bound";
import type { MixCosts } from "./mix-costs";

/** A palette and how well it serves the targets. */
interface ChosenPalette {
  /** Paints, as ascending indices. */
  readonly paints: readonly number[];
  /** Weighted mean of the targets' errors. */
  readonly error: number;
}

/** What a palette must hold and must not. */
export interface PaletteRules {
  readonly must: readonly number[];
  readonly never: readonly number[];
  /** At least or at most so many of a kind. */
  readonly kinds?: readonly CardinalityConstraint[];
}

/** The best palettes of one size. */
export interface SizeChoice {
  readonly size: number;
  /** Best first; none when no palette of this size does what must be reached. */
  readonly best: readonly ChosenPalette[];
  /** How many palettes of this size there are under the rules. */
  readonly outOf: number;
  /** Nodes of the search tree that were looked at. */
  readonly nodes: number;
  /** Whether none of all that the rules allow is better: else the search was left, and the first of `best` is good. */
  readonly proven: boolean;
}

/** Rankings of all mixes for all targets, made once for many choices. */
export interface PreparedChoice {
  readonly costs: MixCosts;
  readonly ranked: readonly Ranked[];
}

/** Throws a RangeError for too many paints. */
export const prepareChoice = (costs: MixCosts): PreparedChoice => ({ costs, ranked: rankAll(costs) });

/**
 * For each size the best palettes of all that the rules allow, by the weighted mean of the targets'
 * errors; the optimum is exact for the given costs where it is proven. Sizes that the rules can't fill are left out.
 * @param most how many palettes to give for each size
 * @param first palettes to begin looking from, such as the best of a size less
 * @param mostNodes so far each size is searched; left out, until its best is proven
 */
export const choosePrepared = (...of: Parameters<typeof choosingPrepared>): readonly SizeChoice[] =>
  drained(choosingPrepared(...of));

/** {@link choosePrepared} step by step: it can be left between two of them. */
export function* choosingPrepared(
  { costs, ranked }: PreparedChoice,
  sizes: readonly number[],
  rules: PaletteRules = { must: [], never: [] },
  most = 5,
  first: readonly (readonly number[])[] = [],
  mostNodes = Infinity,
): Generator<void, readonly SizeChoice[]> {
  const never = new Set(rules.never);
  const must = rules.must.filter((p) => !never.has(p));
  const free = Array.from({ length: costs.paints }, (_, p) => p).filter((p) => !never.has(p) && !must.includes(p));
  const total = costs.weights.reduce((sum, weight) => sum + weight, 0);
  const kinds = rules.kinds ?? [];
  let starts = first;
  const choices: SizeChoice[] = [];
  for (const size of [...sizes].sort((a, b) => a - b)) {
    if (size < Math.max(1, must.length) || size > must.length + free.length) continue;
    const best = new Incumbents(most, satisfiesConstraints(kinds));
    const search = { all: ranked, must, free, kinds, size, paints: costs.paints };
    for (const start of [...starts, []]) {
      localSearch(search, best, start);
      yield;
    }
    const { nodes, proven } = yield* branchAndBound(search, best, mostNodes);
    starts = best.kept.map(({ paints }) => paints);
    const found = best.kept.filter(({ error }) => error < OUT_OF_REACH / 2);
    choices.push({
      size,
      outOf: countPalettes(must, free, size, kinds),
      nodes,
      proven,
      best: found.map(({ paints, error }) => ({ paints, error: error / total })),
    });
  }
  return choices;
}

/** {@link choosePrepared} from nothing. */
export const choosePalettes = (
  costs: MixCosts,
  sizes: readonly number[],
  rules?: PaletteRules,
  most?: number,
): readonly SizeChoice[] => choosePrepared(prepareChoice(costs), sizes, rules, most);
