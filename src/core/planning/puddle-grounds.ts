import { deltaE00Of } from "../colour/difference";
import { filmComputer } from "../optics/kernel/film-kernel";
import { COUNTABLE_WATER, loadOfWater, type WaterParts } from "../optics/load";
import type { Paper } from "../optics/paper";
import { paperUnder } from "../mixing/glaze";
import type { Hand } from "../mixing/hand";
import { strongestOf, type PaintModel } from "../mixing/paint";
import { scatterOf } from "../mixing/scatter";
import { heavyCost } from "../mixing/workable";
import { layerOf, type PuddleTarget } from "./puddle-suits";

/** One colour served from a puddle. */
export interface PuddleServing {
  /** Which of the targets. */
  readonly target: number;
  /** The puddle's own parts, or those with one paint added: indices into the paints, and parts. */
  readonly parts: readonly (readonly [paint: number, parts: number])[];
  readonly waterParts: WaterParts;
  /** What comes out in the hand, root mean square, dE00. */
  readonly inHand: number;
}

const LOADS = COUNTABLE_WATER.map(loadOfWater);

/**
 * The servings of a plan with what is laid over other targets thinned for what really lies there: the plan looks at it
 * over the mix that suits its first wash best, and may serve that one from another.
 * @param servings one for each target, in their order
 */
export function onOwnGrounds(
  servings: readonly PuddleServing[],
  targets: readonly PuddleTarget[],
  paints: readonly PaintModel[],
  paper: Paper,
  valueWeight: number,
  hand: Hand,
): readonly PuddleServing[] {
  const doubts = new Float64Array(paints.length);
  return servings.map((serving, t) => {
    const { over, lab, areaCm2 } = targets[t]!;
    if (typeof over !== "number") return serving;
    const below = servings[over]!;
    const wash = { paints: below.parts.map(([p]) => p), parts: below.parts.map(([, parts]) => parts) };
    const computer = filmComputer(paints, paperUnder(layerOf(wash, loadOfWater(below.waterParts), paints), paper));
    const total = serving.parts.reduce((sum, [, parts]) => sum + parts, 0);
    const combination = serving.parts.map(([p]) => p);
    const shares = serving.parts.map(([, parts]) => parts / total);
    const [p0, p1 = p0, p2 = p0] = combination;
    LOADS.forEach((load, l) => computer.put(l, p0!, p1!, p2!, shares[0]!, shares[1] ?? 0, shares[2] ?? 0, load));
    const made = computer.run(LOADS.length).slice(0, 3 * LOADS.length);
    const off = LOADS.map((_, l) =>
      deltaE00Of(lab.L, lab.a, lab.b, made[3 * l]!, made[3 * l + 1]!, made[3 * l + 2]!, 1 / valueWeight),
    );
    const strongest = strongestOf(combination.map((p) => paints[p]!));
    const costs = off.map((from, l) =>
      LOADS[l]! > strongest + 1e-9 ? Infinity : from + heavyCost(LOADS[l]!, areaCm2),
    );
    const best = costs.indexOf(Math.min(...costs));
    const mix = { combination, shares, load: LOADS[best]! };
    const [added] = scatterOf(lab, { computer }, { valueWeight, freeHue: false }, hand, doubts, [mix]).hand;
    return { ...serving, waterParts: COUNTABLE_WATER[best]!, inHand: Math.sqrt(off[best]! ** 2 + added!) };
  });
}
