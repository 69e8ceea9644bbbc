import { drained } from "../numeric/in-turn";
import { xyzOfLab } from "../colour/lab";
import { valueOfLuminance } from "../colour/munsell-value";
import { choosingPrepared, prepareChoice } from "./choose";
import { closeUp, type CloseUp } from "./close-up";
import { eachRow, type MixCosts } from "./mix-costs";
import {
  boundCosts,
  searchOf,
  servedPalette,
  type PaletteChoice,
  type PaletteProblem,
  type ServedPalette,
} from "./problem";

/** In what a palette may be better than the one that serves best over all. */
export const CHARACTERS = ["closest", "calmest", "simplest", "textured", "darkest"] as const;
export type Character = (typeof CHARACTERS)[number];

/** A palette and its figure in each character. */
export interface OtherPalette {
  readonly palette: ServedPalette;
  /** What it is better in, most plainly first. */
  readonly betterIn: readonly Character[];
  readonly figures: Readonly<Record<Character, number>>;
}

/** What a palette of another character may lose of the best one's mean error, dE00. From memory. */
const MAY_LOSE = 2;
/** So much better in its own figure is worth a place; figures as of {@link figuresOf}. From memory. */
const PLAINLY: Readonly<Record<Character, number>> = {
  closest: 0.4,
  calmest: 0.4,
  simplest: 0.3,
  textured: 0.12,
  darkest: 0.3,
};
/** How hard each character is pulled at, hardest first, until what is lost is bearable. */
const PULLS = [1, 0.5, 0.25] as const;
/**
 * What each is pulled by, in the judge's dE00: one of exact difference, one of the hand's; a further paint in a mix;
 * granulation from none to all; a step of lightness of the darkest mix. From memory.
 */
const PULL = { reach: 3, spread: 2, paint: 1.5, grain: 6, lightness: 0.25 } as const;

/** Lightness of each combination's darkest mix on the grid. */
function darkestOfEach({ table: { combinations, firstPoint, L } }: CloseUp): Float64Array {
  return Float64Array.from(combinations, (_, c) => {
    let darkest = 100;
    for (let p = firstPoint[c]!; p < firstPoint[c + 1]!; p++) darkest = Math.min(darkest, L[p]!);
    return darkest;
  });
}

/** What the hand adds to each mix over its exact difference. */
const spreadOf = (inHand: number, ideal: number): number => Math.sqrt(Math.max(0, inHand * inHand - ideal * ideal));

/** The costs that a character would judge by: the painter's own, pulled towards what it is best in. */
function pulled(problem: PaletteProblem, costs: MixCosts, towards: Character, pull: number): MixCosts {
  const { ideal = costs.costs, inHand = costs.costs, combinations } = costs;
  const granulation = problem.table.paints.map((paint) => paint.granulation);
  const each = (change: (cost: number, t: number, c: number) => number): MixCosts => ({
    ...costs,
    costs: eachRow(costs.costs, (row, t) => row.map((cost, c) => change(cost, t, c))),
  });
  switch (towards) {
    case "closest":
      return each((cost, t, c) => cost + pull * PULL.reach * ideal[t]![c]!);
    case "calmest":
      return each((cost, t, c) => cost + pull * PULL.spread * spreadOf(inHand[t]![c]!, ideal[t]![c]!));
    case "simplest":
      return each((cost, _, c) => cost + pull * PULL.paint * (combinations[c]!.length - 1));
    case "textured":
      return each((cost, _, c) => {
        const own = combinations[c]!;
        return cost + pull * PULL.grain * (1 - own.reduce((sum, p) => sum + granulation[p]!, 0) / own.length);
      });
    case "darkest": {
      const total = costs.weights.reduce((sum, weight) => sum + weight, 0);
      const dark = darkestOfEach(problem).map((L) => pull * PULL.lightness * L);
      return { ...costs, costs: [...costs.costs, dark], weights: [...costs.weights, total] };
    }
  }
}

/**
 * A palette's figure in each character: mean dE00 of exact mixes, and what the hand adds to it; paints in the mean mix;
 * granulation of the mixes' paints, 0 to 1; Munsell value of its darkest mix.
 */
export function figuresOf(problem: PaletteProblem, palette: ServedPalette): Readonly<Record<Character, number>> {
  const { weights } = problem.costs;
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const mean = (of: (target: ServedPalette["served"][number]) => number): number =>
    palette.served.reduce((sum, target, t) => sum + weights[t]! * of(target), 0) / total;
  const own = new Set(palette.paints);
  const near = closeUp(problem, palette.paints);
  const dark = darkestOfEach(near);
  const darkest = near.table.combinations.reduce(
    (least, paints, c) => (dark[c]! < least && paints.every((p) => own.has(p)) ? dark[c]! : least),
    100,
  );
  return {
    closest: palette.ideal,
    calmest: mean(({ error, ideal }) => spreadOf(error, ideal)),
    simplest:
      palette.served.reduce((sum, { combination }) => sum + combination.length, 0) / Math.max(1, palette.served.length),
    textured: mean(
      ({ combination }) =>
        combination.reduce((sum, p) => sum + problem.table.paints[p]!.granulation, 0) / combination.length,
    ),
    darkest: valueOfLuminance(xyzOfLab({ L: darkest, a: 0, b: 0 }).Y),
  };
}

/** In all but texture the smaller figure is the better one. */
const gainIn = (character: Character, own: number, best: number): number =>
  character === "textured" ? own - best : best - own;

/**
 * Palettes of the best one's size that are plainly better than it in something, each the best of all by costs pulled
 * that way, and bearably behind it over all. Twice the same palette is told once.
 */
export const otherPalettes = (...of: Parameters<typeof findingOthers>): OtherPalette[] => drained(findingOthers(...of));

/** {@link otherPalettes} step by step: it can be left between two of them. */
export function* findingOthers(
  problem: PaletteProblem,
  choice: PaletteChoice,
  best: ServedPalette,
): Generator<void, OtherPalette[]> {
  const costs = boundCosts(problem, choice);
  const before = figuresOf(problem, best);
  const found = new Map<string, OtherPalette & { readonly betterIn: Character[] }>();
  for (const character of CHARACTERS) {
    for (const pull of PULLS) {
      const ready = prepareChoice(pulled(problem, costs, character, pull));
      yield;
      const { rules, mostNodes } = searchOf(problem, choice);
      const [size] = yield* choosingPrepared(ready, [best.paints.length], rules, 1, [best.paints], mostNodes);
      const paints = size?.best[0]?.paints;
      if (!paints) break;
      const palette = servedPalette(boundCosts(closeUp(problem, paints), choice), paints);
      if (palette.error > best.error + MAY_LOSE) continue;
      const figures = figuresOf(problem, palette);
      if (gainIn(character, figures[character], before[character]) < PLAINLY[character]) break;
      const key = paints.join();
      const known = found.get(key) ?? { palette, figures, betterIn: [] };
      known.betterIn.push(character);
      found.set(key, known);
      break;
    }
  }
  return [...found.values()].sort((one, two) => one.palette.error - two.palette.error);
}
