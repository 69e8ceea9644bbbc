import { deltaE00Of } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { filmComputer, type FilmComputer } from "../optics/kernel/film-kernel";
import { COUNTABLE_WATER, loadOfWater, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";
import { characterCost, mannerOf, type WashCharacter } from "../mixing/character";
import { effortOf, type Hand } from "../mixing/hand";
import { scatterOf } from "../mixing/scatter";
import type { PaintModel } from "../mixing/paint";
import { addsOnePaint } from "../mixing/puddles";
import { heavyCost } from "../mixing/workable";
import { locateFacilities } from "./facility-location";

/** A colour that puddles are to serve. */
export interface PuddleTarget {
  readonly lab: Lab;
  readonly weight: number;
  readonly areaCm2: number;
  /** What is wished of its wash beside the colour. */
  readonly character: WashCharacter;
}

/** One colour served from a puddle. */
interface PuddleServing {
  /** Which of the targets. */
  readonly target: number;
  /** The puddle's own parts, or those with one paint added: indices into the paints, and parts. */
  readonly parts: readonly (readonly [paint: number, parts: number])[];
  readonly waterParts: WaterParts;
  /** What comes out in the hand, root mean square, dE00. */
  readonly inHand: number;
}

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

/** Ratios of two and three paints that puddles are mixed at: what a painter would count for a well. */
const PAIRS = [
  [1, 1],
  [2, 1],
  [3, 1],
  [5, 1],
  [8, 1],
] as const;
const TRIPLES = [
  [1, 1, 1],
  [2, 1, 1],
  [2, 2, 1],
  [3, 1, 1],
  [3, 2, 1],
  [4, 2, 1],
  [5, 3, 1],
  [6, 1, 1],
] as const;

/** Each way of giving the ratio's numbers to the paints, once. */
function ordered(ratio: readonly number[]): readonly (readonly number[])[] {
  if (ratio.length === 1) return [ratio];
  const seen = new Map<string, readonly number[]>();
  ratio.forEach((first, i) => {
    for (const rest of ordered(ratio.filter((_, k) => k !== i))) seen.set([first, ...rest].join(), [first, ...rest]);
  });
  return [...seen.values()];
}

interface Candidate {
  readonly paints: readonly number[];
  readonly parts: readonly number[];
}

/** All mixes of up to three of so many paints at the ratios of a well. */
function candidatesOf(paints: number, maxPaints: number): readonly Candidate[] {
  const all = [...Array(paints).keys()];
  const pairs = all.flatMap((a) => all.filter((b) => b > a).map((b): [number, number] => [a, b]));
  const triples = pairs.flatMap(([a, b]) => all.filter((c) => c > b).map((c) => [a, b, c]));
  const at = (groups: readonly number[][], ratios: readonly (readonly number[])[]): Candidate[] =>
    groups.flatMap((group) => ratios.flatMap(ordered).map((parts) => ({ paints: group, parts })));
  return [
    ...all.map((a) => ({ paints: [a], parts: [1] })),
    ...(maxPaints > 1 ? at(pairs, PAIRS) : []),
    ...(maxPaints > 2 ? at(triples, TRIPLES) : []),
  ];
}

/**
 * What a well more, and adding a paint to what is left in one, are worth being spared, dE00 over a colour of usual
 * weight. From memory.
 */
const ADDING = 1;
/** Further off than this by every strength is as far as can be, dE00. */
const FAR = 18;
/** Mixes that are looked at: of each colour so many of the nearest, and every single paint. */
const NEAREST = 40;
/** Nodes searched for each price of a well: an answer at once is worth more than the last proof. */
const MOST_NODES = 40;
/** Costs of a well tried to trace the curve of few to many puddles, dE00. */
const WELL_COSTS = [0.15, 0.3, 0.5, 0.8, 1.2, 1.8, 2.6, 3.8, 5.5, 8, 12] as const;

/** A puddle that stands already, however few others are mixed: paints by their places, and parts. */
export type StandingPuddle = readonly (readonly [paint: number, parts: number])[];

/**
 * Of each candidate for each target the strength that suits it best and how far off it is there, and which are near
 * any.
 */
function lookedAt(
  all: readonly Candidate[],
  targets: readonly PuddleTarget[],
  computer: FilmComputer,
  loads: readonly number[],
  valueWeight: number,
  standing: number,
): { readonly water: readonly Uint8Array[]; readonly off: readonly Float64Array[]; readonly kept: readonly number[] } {
  const perRun = Math.floor(computer.capacity / loads.length);
  const colours = new Float64Array(3 * loads.length * all.length);
  for (let from = 0; from < all.length; from += perRun) {
    const chunk = all.slice(from, from + perRun);
    chunk.forEach(({ paints: [p0, p1 = p0, p2 = p0], parts: [a, b = 0, c = 0] }, i) => {
      const total = a! + b + c;
      loads.forEach((load, l) =>
        computer.put(loads.length * i + l, p0!, p1!, p2!, a! / total, b / total, c / total, load),
      );
    });
    const count = chunk.length * loads.length;
    colours.set(computer.run(count).subarray(0, 3 * count), 3 * loads.length * from);
  }
  const kept = new Set(
    all.flatMap(({ paints: { length } }, c) => (length === 1 || c >= all.length - standing ? [c] : [])),
  );
  const [water, off]: [Uint8Array[], Float64Array[]] = [[], []];
  for (const { lab, areaCm2 } of targets) {
    const heavy = loads.map((load) => heavyCost(load, areaCm2));
    const [best, exact] = [new Float64Array(all.length).fill(Infinity), new Float64Array(all.length)];
    const at = new Uint8Array(all.length);
    for (let c = 0; c < all.length; c++) {
      for (let l = 0; l < loads.length; l++) {
        const p = 3 * (loads.length * c + l);
        // Lightness alone rules most strengths out (S_L of CIEDE2000 is 1.75 at most), and is cheap.
        if (heavy[l]! + 0.57 * valueWeight * Math.abs(colours[p]! - lab.L) >= best[c]!) continue;
        const from = deltaE00Of(lab.L, lab.a, lab.b, colours[p]!, colours[p + 1]!, colours[p + 2]!, 1 / valueWeight);
        if (from + heavy[l]! < best[c]!) [best[c], exact[c], at[c]] = [from + heavy[l]!, from, l];
      }
    }
    [...best.keys()]
      .sort((one, two) => best[one]! - best[two]!)
      .slice(0, NEAREST)
      .forEach((c) => kept.add(c));
    water.push(at);
    off.push(exact);
  }
  return { water, off, kept: [...kept].sort((one, two) => one - two) };
}

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
  const computer = filmComputer(paints, paper);
  const loads = COUNTABLE_WATER.map(loadOfWater);
  const all = [
    ...candidatesOf(paints.length, Math.min(3, maxPaints)),
    ...standing.map((parts) => ({ paints: parts.map(([paint]) => paint), parts: parts.map(([, part]) => part) })),
  ];
  const looked = lookedAt(all, targets, computer, loads, valueWeight, standing.length);
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
    const added = scatterOf(lab, { computer }, metric, hand, doubts, mixes);
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
      const missed = characterCost(character, mixed.map((p) => manners[p]!), shares, load);
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
  const plans = new Map<number, PuddlePlan>();
  for (const well of WELL_COSTS) {
    const opening = Float64Array.from(candidates, ({ paints: mixed }, c) =>
      stands[c] ? 0 : well * (1 + 0.5 * effortOf(mixed.length)),
    );
    const { open, servedBy, cost, bound } = locateFacilities({ serving, opening }, MOST_NODES);
    const error =
      targets.reduce((sum, { weight }, t) => sum + weight * inHand[t]![from[t]![servedBy[t]!]!]!, 0) /
      (mean * targets.length);
    const mixed = [...candidates.keys()].filter((c) => stands[c] || open.includes(c));
    if (plans.has(mixed.length) && plans.get(mixed.length)!.inHand <= error) continue;
    plans.set(mixed.length, {
      puddles: mixed.map((c) => ({
        parts: partsOf(c),
        servings: targets.flatMap((_, t) => {
          if (servedBy[t]! !== c) return [];
          const mix = from[t]![c]!;
          return [
            { target: t, parts: partsOf(mix), waterParts: COUNTABLE_WATER[water[t]![mix]!]!, inHand: inHand[t]![mix]! },
          ];
        }),
      })),
      inHand: error,
      proven: bound >= cost - 1e-9,
    });
  }
  return [...plans.values()].sort((a, b) => a.puddles.length - b.puddles.length);
}
