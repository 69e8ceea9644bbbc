import { describe, expect, test } from "vitest";
import { paintModel } from "../mixing/paint";
import { HANDS } from "../mixing/hand";
import { fullMetric } from "../mixing/metric";
import { drained } from "../numeric/in-turn";
import { seededRandom } from "../numeric/random";
import { PAPERS } from "../optics/paper";
import { HANDBOOK } from "../pigments/handbook";
import type { PaletteTarget } from "./mix-costs";
import { nearTargets } from "./near-targets";
import { posePalette, servedIn, servedPalette, solvePalette, type PaletteQuestion } from "./problem";
import { findingPromising } from "./promising";
import { isLarge, weighedOf, weighedTogether } from "./weighed";

const random = seededRandom(7);
const metric = { ...fullMetric(1.5), hand: HANDS.usual, nearEnough: 3 };
const targetsOf = (count: number): PaletteTarget[] =>
  Array.from({ length: count }, () => ({
    lab: { L: 25 + 65 * random(), a: -15 + 40 * random(), b: -20 + 55 * random() },
    weight: 1 + random(),
    areaCm2: 20 * random(),
  }));
const paintsOf = (count: number, step = 7) =>
  Array.from({ length: count }, (_, i) => {
    const { id } = HANDBOOK[(step * i) % HANDBOOK.length]!;
    return paintModel(id, [{ pigmentId: id, share: 1 }]);
  });
const questionOf = (paints: number, targets: readonly PaletteTarget[]): PaletteQuestion => ({
  paper: PAPERS[0],
  paints: paintsOf(paints),
  targets,
  metric,
  maxPaints: 3,
  maxPigments: 3,
});
const quiet = (): void => {};
const rules = { must: [], never: [], kinds: [], darkest: null, within: [] };

describe("targets that stand for others", () => {
  const apart = (one: PaletteTarget, other: PaletteTarget): number =>
    1.5 * Math.abs(one.lab.L - other.lab.L) + Math.hypot(one.lab.a - other.lab.a, one.lab.b - other.lab.b);

  test("few are left as they are; of many each is near its own, and no other that stands is plainly nearer", () => {
    const many = targetsOf(60);
    expect(nearTargets(many, metric, 60)).toMatchObject({ standing: many, farthest: 0 });
    const { standing, by, farthest } = nearTargets(many, metric, 20);
    expect(standing).toHaveLength(20);
    expect(new Set(by).size).toBe(20);
    expect(farthest).toBeGreaterThan(0);
    const nearest = many.map((target) => Math.min(...standing.map((other) => apart(target, other))));
    const own = many.map((target, t) => apart(target, standing[by[t]!]!));
    const sum = (of: readonly number[]): number => of.reduce((all, one) => all + one, 0);
    expect(sum(own)).toBeLessThan(1.4 * sum(nearest) + 1);
  });

  test("washes of another character are never taken for one, and weights decide nothing", () => {
    const smooth = { grain: "smooth", lifts: false, clear: false } as const;
    const pairs = targetsOf(4).flatMap((target) => [target, { ...target, character: smooth }]);
    const { standing, by } = nearTargets(pairs, metric, 2);
    expect(new Set(standing.map(({ character }) => character)).size).toBe(2);
    pairs.forEach(({ character }, t) => expect(standing[by[t]!]!.character).toEqual(character));
    const heavier = pairs.map((target, t) => ({ ...target, weight: 1 + t }));
    expect(nearTargets(heavier, metric, 2).by).toEqual(by);
  });
});

describe("paints that promise most", () => {
  const targets = targetsOf(8);
  const paints = paintsOf(26);
  const promising = (most: number, always: readonly number[] = [], never: readonly number[] = []): readonly number[] =>
    drained(findingPromising(paints, PAPERS[0], metric, 3, targets, most, always, never));

  test("with half of them palettes are as good as with all, but for a tenth", () => {
    const problem = posePalette(questionOf(26, targets), null, quiet);
    const among = promising(13);
    const never = [...paints.keys()].filter((p) => !among.includes(p));
    const all = solvePalette(problem, { ...rules, sizes: [3, 4, 5] }, quiet);
    const few = solvePalette(problem, { ...rules, never, sizes: [3, 4, 5] }, quiet);
    few.forEach(({ best }, i) => expect(best[0]!.error - all[i]!.best[0]!.error).toBeLessThan(0.1));
    // And the others are worth less: the best of them alone fall behind.
    const rest = solvePalette(problem, { ...rules, never: among, sizes: [4] }, quiet)[0]!;
    expect(rest.best[0]!.error).toBeGreaterThan(few[1]!.best[0]!.error + 0.5);
  });

  test("what must be mixed is among them, what may not be is not", () => {
    const least = [...paints.keys()].filter((p) => !promising(20).includes(p));
    expect(promising(13, least)).toEqual(expect.arrayContaining(least));
    expect(promising(13, least)).toHaveLength(13);
    const best = promising(4);
    const without = promising(13, [best[0]!], best);
    expect(without.filter((p) => best.includes(p))).toEqual([best[0]]);
    expect(without).toHaveLength(13);
  });
});

describe("a large question", () => {
  const targets = targetsOf(75);
  const question = questionOf(12, targets);
  const problem = posePalette(question, null, quiet);

  test("is one of very many targets, or of many paints on many of them", () => {
    expect([isLarge(28, 60), isLarge(80, 3), isLarge(40, 61), isLarge(80, 60)]).toEqual([false, false, true, true]);
    expect(weighedOf(questionOf(28, targets.slice(0, 20))).among).toBeNull();
    expect(weighedOf({ ...questionOf(80, targets), maxPaints: 2 }).among).toBeNull();
  });

  test("its palettes are told by the mixes of every target, as if each had been weighed by itself", () => {
    expect(problem.large).toBe(true);
    expect(new Set(problem.costs.costs).size).toBe(60);
    const each = posePalette(question, null, quiet, { standing: targets, by: [...targets.keys()], among: null });
    const choice = { ...rules, sizes: [5] };
    const [found, known] = [problem, each].map((one) => solvePalette(one, choice, quiet));
    found!.forEach(({ best: [best], proven, chosenFrom }, i) => {
      expect([proven, chosenFrom]).toEqual([false, 12]);
      const closely = servedPalette(each.costs, best!.paints);
      expect(Math.abs(best!.error - closely.error)).toBeLessThan(0.05);
      expect(Math.abs(best!.expected - closely.expected)).toBeLessThan(0.1);
      // The palette that was found for groups is as good for all of them.
      expect(closely.error - known![i]!.best[0]!.error).toBeLessThan(0.1);
      expect(servedIn(problem, best!.paints)).toEqual(best);
    });
  });

  test("several of them are weighed on the same paints", () => {
    const [one, two] = weighedTogether([questionOf(60, targets.slice(0, 40)), questionOf(60, targets.slice(40))]);
    expect(one!.among!.length).toBeLessThan(60);
    expect(two!.among).toEqual(one!.among);
    expect([one!.standing.length, two!.standing.length]).toEqual([40, 35]);
  });
});
