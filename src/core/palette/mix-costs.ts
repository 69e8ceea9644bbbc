import { drained } from "../numeric/in-turn";
import type { Lab } from "../colour/colour";
import { ANY_CHARACTER, characterCost, mannerOf, type WashCharacter } from "../mixing/character";
import { polishMixes, rankOnGrid, gridColour } from "../mixing/closest";
import { effortOf } from "../mixing/hand";
import { fullMetric, type MixMetric } from "../mixing/metric";
import { tubeDoubt } from "../mixing/likely-error";
import { mixAt, scatterOf, TUBES_DECIDE } from "../mixing/scatter";
import { refineMixes } from "../mixing/refine";
import { dearCost, dislikeOf, NO_TASTE } from "../mixing/taste";
import { heavyCost } from "../mixing/workable";
import type { ReachTable } from "../mixing/reach-table";

/** One area as the choice of a palette sees it. */
export interface PaletteTarget {
  readonly lab: Lab;
  /** How much its error counts. */
  readonly weight: number;
  /** Size of the wash; heavy mixes over much of the sheet cost layers. Nothing where it is not known. */
  readonly areaCm2?: number;
  /** What is wished of its wash beside the colour; nothing where it is left out. */
  readonly character?: WashCharacter;
}

/** What each combination of paints can do for each target. */
export interface MixCosts {
  readonly paints: number;
  /** Paints of each combination, as indices; at most three. */
  readonly combinations: readonly (readonly number[])[];
  /**
   * What palettes are chosen by, combination after combination for each target: the error in the metric's hand, some
   * of what is not known of its paints, and the effort of mixing.
   */
  readonly costs: readonly Float64Array[];
  /** What of these costs is taste and stock alone; left out where all paints are liked alike. */
  readonly taste?: readonly Float64Array[];
  /** What a mix comes out off by in that hand: CIEDE2000 with the value weight, less what nobody sees. */
  readonly inHand?: readonly Float64Array[];
  /** The same with what is not known of the paints. */
  readonly expected?: readonly Float64Array[];
  /** The same as in the hand, in a hand that never errs. */
  readonly ideal?: readonly Float64Array[];
  /** L, a, b of each combination's best mix for each target. */
  readonly made?: readonly Float32Array[];
  readonly weights: readonly number[];
  /**
   * What a palette must be able to do beside: a row for each demand, 0 for combinations that do it (see demands.ts).
   */
  readonly demands?: readonly Float64Array[];
}

/**
 * Errors up to this are not visible and count as none, so that palettes that all serve are not ranked by them.
 * CIEDE2000, from memory.
 */
export const UNSEEN = 0.5;

/**
 * Combinations whose nearest grid point is off by more than this keep that cost; the others are refined with the full
 * film model. Measured: the grid is off by 10 at most where a mix is right.
 */
const REFINED = 16;
/**
 * At most so many are refined for each target, nearest first: reached only by more than about fifty paints. The best
 * are optimised once more, by another way that minds the edges of what can be mixed.
 */
const ALL_THAT_COUNT = { refined: 12_000, polished: 48 } as const;
/** So many are refined in a step: some ten milliseconds. */
const MIXES_A_STEP = 512;

/** Error squared that a hand is taken to add to a mix too far off to be refined: more than to most. From memory. */
const HAND_OF_THE_FAR = 36;
/** The same of what is not known of their paints. From memory. */
const TUBES_OF_THE_FAR = 80;

/**
 * What an error counts for when palettes are chosen: hardly anything far below what is near enough, all but that much
 * far above, and no corner between.
 */
const softened = (error: number, nearEnough: number): number =>
  Math.sqrt(error * error + nearEnough * nearEnough) - nearEnough;

const less = (error: number): number => Math.max(0, error - UNSEEN);

/** What each combination can do for one target: a row of each of {@link MixCosts}. */
export interface TargetCosts {
  readonly costs: Float64Array;
  readonly taste: Float64Array | null;
  readonly ideal: Float64Array;
  readonly inHand: Float64Array;
  readonly expected: Float64Array;
  readonly made: Float32Array;
}

/** Rows made of others, one of each: rows that several targets share stay one. */
export function eachRow(
  rows: readonly Float64Array[],
  make: (row: Float64Array, target: number) => Float64Array,
): readonly Float64Array[] {
  const made = new Map<Float64Array, Float64Array>();
  return rows.map((row, t) => {
    const own = made.get(row) ?? make(row, t);
    made.set(row, own);
    return own;
  });
}

/** The rows of all targets, in their order, as the costs that palettes are chosen by. */
export function costsOf(
  rows: readonly TargetCosts[],
  { paints, combinations }: Pick<ReachTable, "paints" | "combinations">,
  targets: readonly PaletteTarget[],
): MixCosts {
  const tasted = rows.flatMap(({ taste }) => taste ?? []);
  return {
    paints: paints.length,
    combinations,
    costs: rows.map(({ costs }) => costs),
    ...(tasted.length > 0 ? { taste: tasted } : {}),
    ideal: rows.map(({ ideal }) => ideal),
    inHand: rows.map(({ inHand }) => inHand),
    expected: rows.map(({ expected }) => expected),
    made: rows.map(({ made }) => made),
    weights: targets.map(({ weight }) => weight),
  };
}

/**
 * Weighs the best mix of every combination for a target: from the reach table's grid, refined with the full film model
 * wherever the grid comes near.
 * @param metric a value weight for plain CIEDE2000, or another way to judge a mix
 * @param most how many mixes are weighed to the end for each target
 */
export function weigherOf(...of: Parameters<typeof weighingOf>): (target: PaletteTarget) => TargetCosts {
  const weighing = weighingOf(...of);
  return (target) => drained(weighing(target));
}

/** {@link weigherOf} step by step: it can be left between two of them. */
export function weighingOf(
  table: ReachTable,
  metric: number | MixMetric,
  most: { readonly refined: number; readonly polished: number } = ALL_THAT_COUNT,
): (target: PaletteTarget) => Generator<void, TargetCosts> {
  const judge = typeof metric === "number" ? fullMetric(metric) : metric;
  // What decides between mixes beside what comes out: effort, and paints that are taken unwillingly.
  const reluctance = table.paints.map((paint) => judge.reluctance?.(paint) ?? 0);
  const beside = table.combinations.map(
    (paints) => (judge.effort ?? 1) * effortOf(paints.length) + paints.reduce((sum, p) => sum + reluctance[p]!, 0),
  );
  const doubts = table.paints.map((paint) => tubeDoubt(paint, table.paper));
  const manners = table.paints.map(mannerOf);
  const tastes = table.paints.map((paint) => judge.taste?.(paint) ?? NO_TASTE);
  const tasted = tastes.some(({ less: disliked, sheet }) => disliked > 0 || sheet > 0);
  const ofMix = <T>(combination: readonly number[], of: readonly T[]): T[] => combination.map((p) => of[p]!);
  const disliked = Float64Array.from(table.combinations, (paints) => dislikeOf(ofMix(paints, tastes)));
  return function* ({ lab, areaCm2 = 0, character = ANY_CHARACTER }) {
    const ranking = rankOnGrid(lab, table, judge);
    const cost = ranking.cost.map(Math.sqrt);
    const colours = gridColour(table, ranking);
    const near = [...cost.keys()].filter((c) => cost[c]! <= REFINED);
    const refined = near.length > most.refined ? near.sort((a, b) => cost[a]! - cost[b]!).slice(0, most.refined) : near;
    // The grid's cost is by CIE94's weights: what is refined is judged anew.
    for (const c of refined) cost[c] = Infinity;
    const at = new Float64Array(3 * table.combinations.length);
    yield;
    for (let from = 0; from < refined.length; from += MIXES_A_STEP) {
      refineMixes(lab, table, judge, ranking, refined.slice(from, from + MIXES_A_STEP), cost, colours, at);
      yield;
    }
    for (const polished of polishMixes(lab, table, judge, { ...ranking, cost }, most.polished)) {
      if (polished.cost >= cost[polished.index]!) continue;
      cost[polished.index] = polished.cost;
      colours.set([polished.made.L, polished.made.a, polished.made.b], 3 * polished.index);
      const [one, ...more] = polished.shares;
      at.set([Math.log(polished.load), ...more.map((share) => Math.log(share / one!))], 3 * polished.index);
    }
    yield;
    const ideal = cost.map(less);
    if (!judge.hand) return { costs: ideal, taste: null, ideal, inHand: ideal, expected: ideal, made: colours };
    const mixes = refined.map((c) => mixAt(table.combinations[c]!, at, c));
    const added = scatterOf(lab, table, judge, judge.hand, doubts, mixes);
    const squares = cost.map((error) => error * error + HAND_OF_THE_FAR);
    refined.forEach((c, n) => (squares[c] = cost[c]! * cost[c]! + added.hand[n]!));
    const tubes = new Float64Array(cost.length).fill(TUBES_OF_THE_FAR);
    refined.forEach((c, n) => (tubes[c] = added.tubes[n]!));
    const outcome = (share: number): Float64Array =>
      squares.map((square, c) => less(Math.sqrt(square + share * tubes[c]!)));
    const costs = squares.map(
      (square, c) => softened(Math.sqrt(square + TUBES_DECIDE * tubes[c]!), judge.nearEnough ?? 0) + beside[c]!,
    );
    const wishes = character.grain !== "free" || character.lifts || character.clear;
    const taste = tasted ? disliked.slice() : null;
    refined.forEach((c, n) => {
      const { combination, shares, load } = mixes[n]!;
      costs[c]! += heavyCost(load, areaCm2);
      if (wishes) costs[c]! += characterCost(character, ofMix(combination, manners), shares, load);
      if (taste) taste[c]! += dearCost(ofMix(combination, tastes), shares, load, areaCm2);
    });
    taste?.forEach((cost, c) => (costs[c]! += cost));
    return { costs, taste, ideal, inHand: outcome(0), expected: outcome(1), made: colours };
  };
}

/**
 * The error of the best mix of every combination for every target; see {@link weigherOf}.
 * @param onTarget told after each target, for progress
 */
export function mixCosts(
  targets: readonly PaletteTarget[],
  table: ReachTable,
  metric: number | MixMetric,
  onTarget: (done: number) => void = () => {},
): MixCosts {
  const weigh = weigherOf(table, metric);
  const rows = targets.map((target, i) => {
    const row = weigh(target);
    onTarget(i + 1);
    return row;
  });
  return costsOf(rows, table, targets);
}
