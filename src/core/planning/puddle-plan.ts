import { COUNTABLE_WATER, loadOfWater } from "../optics/load";
import type { Paper } from "../optics/paper";
import { characterCost, mannerOf } from "../mixing/character";
import { effortOf, type Hand } from "../mixing/hand";
import { scatterOf } from "../mixing/scatter";
import type { PaintModel } from "../mixing/paint";
import { addsOnePaint } from "../mixing/puddles";
import { heavyCost } from "../mixing/workable";
import { candidatesOf } from "./puddle-candidates";
import { onOwnGrounds, type PuddleServing } from "./puddle-grounds";
import { suitsOf, type PuddleTarget } from "./puddle-suits";
import { locateFacilities, nearestFirst } from "./facility-location";

/** A mix in one well and the colours got from it. */
interface PlannedPuddle {
  readonly parts: readonly (readonly [paint: number, parts: number])[];
  readonly servings: readonly PuddleServing[];
}

/** So few puddles, and what they come to. */
export interface PuddlePlan {
  readonly puddles: readonly PlannedPuddle[];
  /** Weighted mean of what comes out in the hand, dE00. */
  readonly inHand: number;
  /** Whether no other choice of the mixes considered costs less. */
  readonly proven: boolean;
}

/**
 * What a well more, and adding a paint to what is left in one, are worth being spared, dE00 over a colour of usual
 * weight. From memory.
 */
const ADDING = 1;
/** Further off than this by every strength is as far as can be, dE00. */
const FAR = 18;
/**
 * Nodes searched for each price of a well, fewer where each takes longer: an answer at once is worth more than the last
 * proof. Measured on 180 colours: what is found with 5 is off by 0.1 dE00 more at most than with 40.
 */
const nodesFor = (targets: number): number => Math.min(40, Math.max(4, Math.round(900 / targets)));
/** Costs of a well tried to trace the curve of few to many puddles, dE00. */
const WELL_COSTS = [0.15, 0.3, 0.5, 0.8, 1.2, 1.8, 2.6, 3.8, 5.5, 8, 12] as const;

/** A puddle that stands already, however few others are mixed: paints by their places, and parts. */
export type StandingPuddle = readonly (readonly [paint: number, parts: number])[];

/**
 * The puddles of a palette, from many to few: for each price of a well the mixes, each at several strengths or with one
 * paint added, that serve all colours at the least expected error in the hand plus effort (a facility location problem,
 * solved exactly over the mixes at countable ratios that are near any colour). One plan for each number of puddles,
 * fewest first.
 * @param paints of the palette; none: no plan
 * @param standing puddles that cost no well, since they are mixed in any case; each is in every plan
 */
export function planPuddles(
  targets: readonly PuddleTarget[],
  paints: readonly PaintModel[],
  paper: Paper,
  {
    valueWeight,
    hand,
    maxPaints,
    standing,
  }: {
    readonly valueWeight: number;
    readonly hand: Hand;
    readonly maxPaints: number;
    readonly standing: readonly StandingPuddle[];
  },
): readonly PuddlePlan[] {
  if (targets.length === 0 || paints.length === 0) return [];
  const loads = COUNTABLE_WATER.map(loadOfWater);
  const all = [
    ...candidatesOf(paints.length, Math.min(3, maxPaints)),
    ...standing.map((parts) => ({ paints: parts.map(([paint]) => paint), parts: parts.map(([, part]) => part) })),
  ];
  const looked = suitsOf(all, targets, paints, paper, loads, valueWeight, standing.length);
  const stands = looked.kept.map((c) => c >= all.length - standing.length);
  const candidates = looked.kept.map((c) => all[c]!);
  const mean = targets.reduce((sum, { weight }) => sum + weight, 0) / targets.length || 1;
  const metric = { valueWeight, freeHue: false };
  // All plans mix from the same tubes: how sure those are decides nothing here.
  const doubts = new Float64Array(paints.length);
  const water = targets.map((_, t) => looked.kept.map((c) => looked.water[t]![c]));
  const inHand = targets.map(({ lab }, t) => {
    const errors = new Float64Array(candidates.length).fill(FAR);
    const near = [...candidates.keys()].filter((c) => looked.off[t]![looked.kept[c]!]! < FAR);
    const mixes = near.map((c) => {
      const total = candidates[c]!.parts.reduce((sum, part) => sum + part, 0);
      return {
        combination: candidates[c]!.paints,
        shares: candidates[c]!.parts.map((part) => part / total),
        load: loads[water[t]![c]!]!,
      };
    });
    const added = scatterOf(lab, { computer: looked.computers[t]! }, metric, hand, doubts, mixes);
    near.forEach((c, n) => (errors[c] = Math.sqrt(looked.off[t]![looked.kept[c]!]! ** 2 + added.hand[n]!)));
    return errors;
  });
  const manners = paints.map(mannerOf);
  const own = targets.map(({ weight, areaCm2, character }, t) =>
    inHand[t]!.map((error, c) => {
      const { paints: mixed, parts } = candidates[c]!;
      const total = parts.reduce((sum, part) => sum + part, 0);
      const load = loads[water[t]![c]!]!;
      const shares = parts.map((part) => part / total);
      const missed = characterCost(
        character,
        mixed.map((p) => manners[p]!),
        shares,
        load,
      );
      return (weight / mean) * (error + heavyCost(load, areaCm2) + missed);
    }),
  );
  const children = candidates.map((parent) =>
    candidates.flatMap((child, c) => (addsOnePaint(child, parent) ? [c] : [])),
  );
  // What serves a target from a puddle: the mix itself, or the best of those that one paint more makes of it.
  const from = targets.map(() => new Int32Array(candidates.length));
  const serving = own.map((costs, t) =>
    costs.map((cost, c) => {
      from[t]![c] = c;
      let best = cost;
      for (const child of children[c]!)
        if (costs[child]! + ADDING < best) [best, from[t]![c]] = [costs[child]! + ADDING, child];
      return best;
    }),
  );
  const partsOf = (c: number) =>
    candidates[c]!.paints.map((paint, i) => [paint, candidates[c]!.parts[i]!] as const).sort(
      (one, two) => two[1] - one[1],
    );
  const order = nearestFirst({ serving });
  const plans = new Map<number, PuddlePlan>();
  const seen = new Set<string>();
  for (const well of WELL_COSTS) {
    const opening = Float64Array.from(candidates, ({ paints: mixed }, c) =>
      stands[c] ? 0 : well * (1 + 0.5 * effortOf(mixed.length)),
    );
    const { open, servedBy, cost, bound } = locateFacilities({ serving, opening }, nodesFor(targets.length), order);
    const mixed = [...candidates.keys()].filter((c) => stands[c] || open.includes(c));
    const key = `${open.join()} ${servedBy.join()}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const servings = onOwnGrounds(
      targets.map((_, target): PuddleServing => {
        const mix = from[target]![servedBy[target]!]!;
        return {
          target,
          parts: partsOf(mix),
          waterParts: COUNTABLE_WATER[water[target]![mix]!]!,
          inHand: inHand[target]![mix]!,
        };
      }),
      targets,
      paints,
      paper,
      valueWeight,
      hand,
    );
    const error =
      targets.reduce((sum, { weight }, t) => sum + weight * servings[t]!.inHand, 0) / (mean * targets.length);
    if (plans.has(mixed.length) && plans.get(mixed.length)!.inHand <= error) continue;
    plans.set(mixed.length, {
      puddles: mixed.map((c) => ({
        parts: partsOf(c),
        servings: servings.filter(({ target }) => servedBy[target] === c),
      })),
      inHand: error,
      proven: bound >= cost - 1e-9,
    });
  }
  // More wells that bring nothing nearer are no choice.
  let nearest = Infinity;
  return [...plans.values()]
    .sort((a, b) => a.puddles.length - b.puddles.length)
    .filter(({ inHand: off }) => {
      const nearer = off < nearest;
      nearest = Math.min(nearest, off);
      return nearer;
    });
}
