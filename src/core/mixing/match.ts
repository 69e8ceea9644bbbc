import type { Lab } from "../colour/colour";
import { compareColours, type Difference } from "../colour/compare";
import { loadOfWater, type Load, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";
import { ANYHOW, characterCost, mannerOf, type Laying } from "./character";
import { closestMixes } from "./closest";
import { comesOut, type ComesOut } from "./comes-out";
import type { CombinationRules } from "./combinations";
import { effortOf, HANDS, type Hand } from "./hand";
import { tubeDoubt } from "./likely-error";
import { strongestOf, type PaintModel } from "./paint";
import { roundMix } from "./parts";
import { scatterOf, TUBES_DECIDE } from "./scatter";
import { predict } from "./predict";
import { buildReachTable, type ReachTable } from "./reach-table";
import { heavyCost } from "./workable";
import { pickWays, type Way, type WayKind } from "./ways";

export interface MatchOptions extends CombinationRules {
  /** How much a difference in value counts against one in hue or chroma; 1 is plain CIEDE2000. */
  readonly valueWeight: number;
  /** The hand that mixes: what comes out in it is what ways are judged by. */
  readonly hand: Hand;
  /** How much the effort of mixing counts when the calmest way is chosen; 1 is usual. */
  readonly effort: number;
  /** How unwillingly a paint is taken, dE00, by its id: what the approach says of black and grey tubes. */
  readonly reluctance?: Readonly<Record<string, number>>;
  /** Most ways to return. */
  readonly ways: number;
}

/** The painter's default: value first, three paints, three pigments, five ways. */
export const DEFAULT_MATCH: MatchOptions = {
  maxPaints: 3,
  maxPigments: 3,
  valueWeight: 1.5,
  hand: HANDS.usual,
  effort: 1,
  ways: 5,
};

/** One paint of a recipe; `parts` is whole, or a quarter for a touch. */
interface RecipePart {
  readonly paintId: string;
  readonly parts: number;
}

/** One way to mix a target. */
export interface Recipe {
  readonly kind: WayKind;
  /** Largest part first. */
  readonly parts: readonly RecipePart[];
  readonly waterParts: WaterParts;
  readonly load: Load;
  readonly dry: Lab;
  readonly wet: Lab;
  /** Predicted dry colour against the target. */
  readonly difference: Difference;
  /** What it comes out off by in the hand that was asked for. */
  readonly comesOut: ComesOut;
  /** What rounding to countable parts and water costs, dE00 with the value weight; 0 or more. */
  readonly roundingCost: number;
  readonly pigmentCount: number;
}

/** How many of the polished mixes are rounded and weighed against each other. */
const ROUNDED = 18;

/**
 * Table of everything these paints can make on this paper; pass it to {@link matchOver} for each target.
 * @param before an earlier table, whose unchanged part is taken over
 */
export function prepareMatch(
  paints: readonly PaintModel[],
  paper: Paper,
  options: MatchOptions = DEFAULT_MATCH,
  before?: ReachTable,
): ReachTable {
  return buildReachTable(paints, paper, options, before);
}

/**
 * Best different ways to mix `target` from the table's paints, closest first. Empty when there are no paints.
 * @param laying size and character of the wash, so that the calmest way is one that can be laid so
 */
export function matchOver(
  target: Lab,
  table: ReachTable,
  options: MatchOptions = DEFAULT_MATCH,
  { areaCm2, character }: Laying = ANYHOW,
): readonly Recipe[] {
  const { paper } = table;
  const mixes = closestMixes(target, table, options.valueWeight);
  const smallBest = [1, 2].flatMap((size) => mixes.filter((mix) => mix.combination.length === size).slice(0, 4));
  const worthRounding = [...new Set([...mixes.slice(0, ROUNDED), ...smallBest])];
  const rounding = worthRounding.map((mix) => {
    const strongest = strongestOf(mix.combination.map((p) => table.paints[p]!));
    return roundMix(target, table.computer, mix, 1 / options.valueWeight, strongest);
  });
  const laid = worthRounding.map(({ combination }, i) => {
    const total = rounding[i]!.parts.reduce((sum, part) => sum + part, 0);
    const shares = rounding[i]!.parts.map((part) => part / total);
    return { combination, shares, load: loadOfWater(rounding[i]!.waterParts) };
  });
  const doubts = table.paints.map((paint) => tubeDoubt(paint, paper));
  const { valueWeight, hand } = options;
  const weighed = scatterOf(target, table, { valueWeight, freeHue: false }, hand, doubts, laid);
  const candidates = worthRounding.map((mix, i) => {
    const paints = mix.combination.map((index) => table.paints[index]!);
    const rounded = rounding[i]!;
    const way: Way = {
      paintIds: paints.map(({ id }) => id),
      pigmentIds: [...new Set(paints.flatMap(({ pigmentIds }) => pigmentIds))],
      cost: rounded.cost,
      inHand:
        Math.sqrt(rounded.cost ** 2 + weighed.hand[i]! + TUBES_DECIDE * weighed.tubes[i]!) +
        options.effort * effortOf(paints.length) +
        paints.reduce((sum, { id }) => sum + (options.reluctance?.[id] ?? 0), 0) +
        heavyCost(laid[i]!.load, areaCm2) +
        characterCost(character, paints.map(mannerOf), laid[i]!.shares, laid[i]!.load),
    };
    return { ...way, paints, rounded, exactCost: mix.cost };
  });
  return pickWays(candidates, options.ways).map(({ way, kind }) => {
    const { paints, rounded, exactCost, pigmentIds } = way;
    const mix = paints.map((paint, i) => ({ paint, parts: rounded.parts[i]! }));
    const load = loadOfWater(rounded.waterParts);
    const { dry, wet } = predict(mix, load, paper);
    const difference = compareColours(target, dry);
    return {
      kind,
      parts: mix.map(({ paint, parts }) => ({ paintId: paint.id, parts })).sort((a, b) => b.parts - a.parts),
      waterParts: rounded.waterParts,
      load,
      dry,
      wet,
      difference,
      comesOut: comesOut(target, mix, load, paper, hand),
      roundingCost: Math.max(0, rounded.cost - exactCost),
      pigmentCount: pigmentIds.length,
    };
  });
}

/** Best different ways to mix one target from paints on a paper; see {@link matchOver} for many targets. */
export function match(
  target: Lab,
  paints: readonly PaintModel[],
  paper: Paper,
  options: MatchOptions = DEFAULT_MATCH,
): readonly Recipe[] {
  return matchOver(target, prepareMatch(paints, paper, options), options);
}
