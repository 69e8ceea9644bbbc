import { describe, expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import { ANY_CHARACTER } from "../mixing/character";
import { HANDS } from "../mixing/hand";
import { paintModel } from "../mixing/paint";
import { predictGlaze } from "../mixing/glaze";
import { predict } from "../mixing/predict";
import { addsOnePaint, puddlesOf } from "../mixing/puddles";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { planPuddles } from "./puddle-plan";
import type { PuddleTarget } from "./puddle-suits";

const [paper] = PAPERS;
const ids = ["PB29", "PBr7-burnt-sienna", "PY43", "PV19-rose"];
const paints = ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const how = { valueWeight: 1.5, hand: HANDS.usual, maxPaints: 3, standing: [] };
const laid = (parts: readonly (readonly [number, number])[], waterParts: number) =>
  predict(
    parts.map(([p, amount]) => ({ paint: paints[p]!, parts: amount })),
    loadOfWater(waterParts),
    paper,
  ).dry;
const target = (parts: readonly (readonly [number, number])[], waterParts: number, areaCm2 = 20): PuddleTarget => ({
  lab: laid(parts, waterParts),
  weight: 1,
  areaCm2,
  character: ANY_CHARACTER,
});
const grey = [
  [0, 2],
  [1, 1],
] as const;
const many = [
  target(grey, 3),
  target(grey, 8),
  target(grey, 20),
  target([[2, 1]], 5),
  target([...grey, [3, 1]], 4),
  target([[0, 1]], 15),
  target(
    [
      [2, 3],
      [1, 1],
    ],
    2,
  ),
];

describe("few puddles", () => {
  const plans = planPuddles(many, paints, paper, how);

  test("plans run from few to many, each serving every colour once; more puddles come out nearer", () => {
    expect(plans.length).toBeGreaterThan(1);
    plans.forEach(({ puddles, inHand, proven }, i) => {
      expect(proven).toBe(true);
      expect(puddles.flatMap(({ servings }) => servings.map((one) => one.target)).sort((a, b) => a - b)).toEqual([
        ...many.keys(),
      ]);
      if (i === 0) return;
      expect(puddles.length).toBeGreaterThan(plans[i - 1]!.puddles.length);
      expect(inHand).toBeLessThan(plans[i - 1]!.inHand);
    });
    // At most 60 % as many puddles as colours, at hardly more than many puddles come to.
    const few = plans.find(({ puddles }) => puddles.length <= 0.6 * many.length)!;
    expect(few.inHand).toBeLessThan(plans.at(-1)!.inHand + 2);
  });

  test("one grey at three strengths is one puddle thinned twice, and with one paint added a fourth colour", () => {
    const four = planPuddles([many[0]!, many[1]!, many[2]!, many[4]!], paints, paper, how)[0]!;
    expect(four.puddles).toHaveLength(1);
    const { parts, servings } = four.puddles[0]!;
    const water = servings.map(({ waterParts }) => waterParts);
    expect(water[0]!).toBeLessThan(water[1]!);
    expect(water[1]!).toBeLessThan(water[2]!);
    for (const { parts: used } of servings) {
      const mix = (list: typeof used) => ({ paints: list.map(([p]) => p), parts: list.map(([, amount]) => amount) });
      if (used.length !== parts.length) expect(addsOnePaint(mix(used), mix(parts))).toBe(true);
    }
  });

  test("a paint is added to a puddle where that betters a colour plainly, not where it hardly does", () => {
    const servedWith = (ochre: number): number => {
      const other = target([...grey, [2, ochre]], 4);
      const { puddles } = planPuddles([target(grey, 4), other], paints, paper, how)[0]!;
      expect(puddles).toHaveLength(1);
      return puddles[0]!.servings[1]!.parts.length;
    };
    expect([0.5, 2].map(servedWith)).toEqual([2, 3]);
  });

  test("what is told of a serving is no less than its own difference", () => {
    for (const { puddles } of plans)
      for (const { servings } of puddles)
        for (const { target: t, parts, waterParts, inHand } of servings)
          expect(inHand).toBeGreaterThan(deltaE00(many[t]!.lab, laid(parts, waterParts)) / 1.6 - 0.3);
  });

  test("nothing to serve or to mix from is no plan", () => {
    expect(planPuddles([], paints, paper, how)).toEqual([]);
    expect(planPuddles(many, [], paper, how)).toEqual([]);
  });
});

test("a puddle that is another with a paint added follows it in the list; the well is counted once", () => {
  const use = (id: string, parts: readonly [string, number][], areaCm2: number) => ({
    id,
    waterParts: 4,
    areaCm2,
    parts: parts.map(([paintId, amount]) => ({ paintId, parts: amount })),
  });
  const list = puddlesOf([
    use("rose", [["rose", 1]], 300),
    use(
      "grey",
      [
        ["blue", 2],
        ["brown", 1],
      ],
      200,
    ),
    use(
      "violet grey",
      [
        ["brown", 2],
        ["rose", 1],
        ["blue", 4],
      ],
      90,
    ),
    use(
      "green",
      [
        ["blue", 1],
        ["ochre", 3],
      ],
      20,
    ),
  ]);
  expect(list.map(({ uses, from }) => [uses[0]!.id, from])).toEqual([
    ["rose", null],
    ["grey", null],
    ["violet grey", 1],
    ["green", null],
  ]);
  // Two mixes of three with blue and brown two to one in common begin from that, though nothing is painted with it.
  const shared = puddlesOf([
    use(
      "roof",
      [
        ["blue", 2],
        ["brown", 1],
        ["rose", 1],
      ],
      10,
    ),
    use(
      "bank",
      [
        ["blue", 4],
        ["brown", 2],
        ["ochre", 1],
      ],
      30,
    ),
    use("sky", [["blue", 1]], 20),
  ]);
  expect(shared.map(({ uses, from }) => [uses[0]?.id ?? "base", from])).toEqual([
    ["base", null],
    ["bank", 0],
    ["roof", 0],
    ["sky", null],
  ]);
  expect(new Set(shared[0]!.parts.map(({ paintId }) => paintId))).toEqual(new Set(["blue", "brown"]));
});

test("as many wells are shown as were asked for, or fewer", () => {
  for (const { puddles } of planPuddles(many, paints, paper, how)) {
    const shown = puddlesOf(
      puddles.flatMap(({ servings }) =>
        servings.map(({ target: t, parts, waterParts }) => ({
          id: String(t),
          waterParts,
          areaCm2: 20,
          parts: parts.map(([p, amount]) => ({ paintId: ids[p]!, parts: amount })),
        })),
      ),
    );
    expect(shown.filter(({ from }) => from === null).length).toBeLessThanOrEqual(puddles.length);
    expect(shown.flatMap(({ uses }) => uses)).toHaveLength(many.length);
  }
});

test("a puddle that is mixed in any case costs no well: it is in every plan, and serves what it can", () => {
  const plans = planPuddles(many, paints, paper, { ...how, standing: [grey] });
  const key = (parts: readonly (readonly [number, number])[]): string => JSON.stringify([...parts].sort());
  for (const { puddles, inHand } of plans) {
    expect(puddles.some(({ parts }) => key(parts) === key(grey))).toBe(true);
    const without = planPuddles(many, paints, paper, how).filter((plan) => plan.puddles.length < puddles.length);
    // One well more than the best plan with fewer: it is never further off than that one by more than a price's step.
    for (const plan of without) expect(inHand).toBeLessThan(plan.inHand + 0.6);
  }
  const fewest = plans[0]!;
  expect(fewest.puddles.find(({ parts }) => key(parts) === key(grey))!.servings.length).toBeGreaterThan(0);
});

test("what is laid over a first wash is served from shared puddles too, thinned for what lies there", () => {
  // A roof: ochre first, then the grey of the wall over it; the same grey stands alone elsewhere.
  const ochre = { mix: [{ paint: paints[2]!, parts: 1 }], load: loadOfWater(12) };
  const greyOver = { mix: grey.map(([p, parts]) => ({ paint: paints[p]!, parts })), load: loadOfWater(5) };
  const over: PuddleTarget = { ...target(grey, 5), lab: predictGlaze([ochre, greyOver], paper), over: 1 };
  const three = [target(grey, 3), target([[2, 1]], 12), over];
  for (const { puddles } of planPuddles(three, paints, paper, how)) {
    const servings = puddles.flatMap((puddle) => puddle.servings);
    expect(servings.map((one) => one.target).sort()).toEqual([0, 1, 2]);
    const [below, above] = [1, 2].map((t) => servings.find((one) => one.target === t)!);
    const made = predictGlaze(
      [below!, above!].map(({ parts, waterParts }) => ({
        mix: parts.map(([p, amount]) => ({ paint: paints[p]!, parts: amount })),
        load: loadOfWater(waterParts),
      })),
      paper,
    );
    // What is told is what comes of the two washes as the plan lays them.
    expect(above!.inHand).toBeGreaterThan(deltaE00(over.lab, made) / 1.6 - 0.3);
    expect(above!.inHand).toBeLessThan(Math.hypot(1.6 * deltaE00(over.lab, made), 10));
  }
  // Two wells do: the grey serves the wall and the roof's second wash.
  const plans = planPuddles(three, paints, paper, how);
  const two = plans.find(({ puddles }) => puddles.length === 2)!;
  const shared = two.puddles.find(({ servings }) => servings.length === 2)!;
  expect(shared.servings.map((one) => one.target).sort()).toEqual([0, 2]);
  expect(two.inHand).toBeLessThan(plans.at(-1)!.inHand + 0.5);
  // A wash that stands already is laid over as it is.
  const standing = planPuddles([{ ...over, over: ochre }], paints, paper, how)[0]!;
  const onPaper = planPuddles([{ ...over, over: null }], paints, paper, { ...how, maxPaints: 1 })[0]!;
  expect(onPaper.inHand).toBeGreaterThan(standing.inHand);
});
