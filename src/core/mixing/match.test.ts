import { differenceCiede2000 } from "culori";
import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import type { Lab } from "../colour/colour";
import { HANDBOOK } from "../pigments/handbook";
import { seededRandom } from "../numeric/random";
import { deltaE00Of } from "../colour/difference";
import { closestMixes } from "./closest";
import { combinationsOf, pigmentCount } from "./combinations";
import { DEFAULT_MATCH, match, matchOver, prepareMatch } from "./match";
import { paintModel, type PaintModel } from "./paint";
import { MAX_PARTS, partsNear, TOUCH } from "./parts";
import { predict } from "./predict";
import { buildReachTable } from "./reach-table";
import { jaccard } from "./ways";

const paper = PAPERS[0];
const paint = (id: string): PaintModel => paintModel(id, [{ pigmentId: id, share: 1 }]);
const PLAIN = { maxPaints: 3, maxPigments: 3 } as const;

describe("the optimum before rounding", () => {
  // A dense exhaustive search: six paints, all 41 combinations, shares by 1/30 (1/24 for three), 40 loads.
  const six = ["PY154", "PV19-rose", "PB29", "PB15-green-shade", "PBr7-burnt-sienna", "PR254"].map(paint);
  const table = buildReachTable(six, paper, PLAIN);
  const random = seededRandom(2024);
  const targets = Array.from({ length: 200 }, () => {
    const [a, b, c] = [random() ** 2 + 0.01, random() ** 2 + 0.01, random() ** 2 + 0.01];
    const pick = (): PaintModel => six[Math.floor(random() * six.length)]!;
    const [one, two, three] = [pick(), pick(), pick()];
    return predict(
      [
        { paint: one, parts: a },
        { paint: two, parts: b },
        { paint: three, parts: c },
      ],
      Math.exp(-3.9 * random()),
      paper,
    ).dry;
  });

  test("is no worse than a dense exhaustive search by more than 0.1 dE00 in the mean of 200 targets", () => {
    const dense: number[] = [];
    const { computer } = table;
    for (const [p0, p1 = p0, p2 = p0, ...none] of combinationsOf(six, PLAIN).map((c) => [...c])) {
      expect(none).toEqual([]);
      const count = new Set([p0, p1, p2]).size;
      const steps = count === 3 ? 24 : 30;
      for (let i = count === 1 ? steps : 1; i <= (count === 1 ? steps : steps - 1); i++) {
        for (let j = 1; j < (count === 3 ? steps - i : 2); j++) {
          const shares =
            count === 1
              ? [1, 0, 0]
              : count === 2
                ? [i / steps, 1 - i / steps, 0]
                : [i / steps, j / steps, 1 - (i + j) / steps];
          for (let load = 0; load < 40; load++)
            computer.put(load, p0!, p1!, p2!, shares[0]!, shares[1]!, shares[2]!, (1 / 81) ** (load / 39));
          dense.push(...computer.run(40));
        }
      }
    }
    expect(dense.length / 3).toBeGreaterThan(200_000);
    let excess = 0;
    let worst = 0;
    for (const target of targets) {
      let exhaustive = Infinity;
      for (let p = 0; p < dense.length; p += 3) {
        // Nothing further off in Lab than this can be nearer in dE00 than what is already found.
        if (Math.abs(dense[p]! - target.L) > 2.5 * exhaustive + 1) continue;
        exhaustive = Math.min(
          exhaustive,
          deltaE00Of(target.L, target.a, target.b, dense[p]!, dense[p + 1]!, dense[p + 2]!, 1),
        );
      }
      const ours = closestMixes(target, table, 1)[0]!.cost;
      excess += Math.max(0, ours - exhaustive);
      worst = Math.max(worst, ours - exhaustive);
    }
    expect(excess / targets.length).toBeLessThan(0.1);
    expect(worst).toBeLessThan(0.5);
  });
});

describe("recipes", () => {
  const paints = HANDBOOK.filter((_, i) => i % 4 === 0)
    .slice(0, 24)
    .map(({ id }) => paint(id));
  const table = prepareMatch(paints, paper);
  const random = seededRandom(7);
  const targets = Array.from({ length: 12 }, () => ({
    L: 25 + 65 * random(),
    a: -30 + 70 * random(),
    b: -35 + 80 * random(),
  }));
  const answers = targets.map((target) => matchOver(target, table));

  test("are in parts that can be counted, with a touch at the least", () => {
    for (const recipe of answers.flat()) {
      const parts = recipe.parts.map((part) => part.parts);
      expect(parts.every((part) => part === TOUCH || (Number.isInteger(part) && part >= 1))).toBe(true);
      expect(parts.filter((part) => part !== TOUCH).reduce((a, b) => a + b, 0)).toBeLessThanOrEqual(MAX_PARTS);
      expect([...parts].sort((a, b) => b - a)).toEqual(parts);
    }
  });

  test("say the colour of their rounded parts and water, and its distance as culori measures it", () => {
    const byId = new Map(paints.map((p) => [p.id, p]));
    const ciede2000 = differenceCiede2000();
    const lab = (colour: Lab) => ({ mode: "lab65", l: colour.L, a: colour.a, b: colour.b }) as const;
    for (const [recipe, target] of answers.flatMap((recipes, i) => recipes.map((one) => [one, targets[i]] as const))) {
      const { dry } = predict(
        recipe.parts.map((part) => ({ paint: byId.get(part.paintId)!, parts: part.parts })),
        recipe.load,
        paper,
      );
      expect([dry.L, dry.a, dry.b]).toEqual(
        [recipe.dry.L, recipe.dry.a, recipe.dry.b].map((x) => expect.closeTo(x, 9)),
      );
      expect(recipe.difference.dE00).toBeCloseTo(ciede2000(lab(target!), lab(dry)), 2);
    }
  });

  test("differ from each other: no two share half of their pigments, but for the simplest", () => {
    for (const recipes of answers) {
      expect(recipes.length).toBeGreaterThan(1);
      const ways = recipes.map((r) => ({
        kind: r.kind,
        paintIds: [],
        cost: 0,
        inHand: 0,
        pigmentIds: r.parts.map((p) => p.paintId),
      }));
      ways.forEach((one, i) =>
        ways.slice(i + 1).forEach((two) => {
          if (two.kind === "another") expect(jaccard(one, two)).toBeLessThan(0.5);
        }),
      );
    }
  });

  test("the closest is among the first two, the calmest before it where it is another; no limit of pigments is broken", () => {
    for (const recipes of answers) {
      const closest = recipes.findIndex(({ kind }) => kind === "closest");
      expect(closest).toBe(recipes[0]!.kind === "calmest" ? 1 : 0);
      for (const { comesOut } of recipes) expect(comesOut.median).toBeLessThan(comesOut.p90);
      recipes.forEach((recipe) => expect(recipe.pigmentCount).toBeLessThanOrEqual(3));
    }
  });

  test("value first: with a higher value weight the value is missed by less", () => {
    const outOfReach = { L: 50, a: 90, b: -75 };
    const [byValue] = matchOver(outOfReach, table, { ...DEFAULT_MATCH, valueWeight: 4 });
    const [byHue] = matchOver(outOfReach, table, { ...DEFAULT_MATCH, valueWeight: 0.5 });
    expect(Math.abs(byValue!.dry.L - 50)).toBeLessThanOrEqual(Math.abs(byHue!.dry.L - 50));
    expect(byValue!.difference.dE00).toBeGreaterThan(3);
  });

  test("no paints, no recipes; one paint is still a recipe", () => {
    expect(match(targets[0]!, [], paper)).toEqual([]);
    expect(match(targets[0]!, [paint("PB29")], paper)).toHaveLength(1);
  });
});

describe("counting pigments, not tubes", () => {
  const green = paintModel("sap", [
    { pigmentId: "PG36", share: 0.5 },
    { pigmentId: "PY150", share: 0.5 },
  ]);

  test("a convenience mix brings all of its own, and a shared pigment counts once", () => {
    expect(pigmentCount([green, paint("PB29")])).toBe(3);
    expect(pigmentCount([green, paint("PY150")])).toBe(2);
    const found = combinationsOf([green, paint("PB29"), paint("PR254")], PLAIN);
    expect(found).toContainEqual([0, 1]);
    expect(found).not.toContainEqual([0, 1, 2]);
  });
});

test("parts near some shares include the nearest countable ones, reduced", () => {
  expect(partsNear([0.5, 0.5])).toContainEqual([1, 1]);
  expect(partsNear([0.5, 0.5])).not.toContainEqual([2, 2]);
  expect(partsNear([0.98, 0.02]).some(([big, touch]) => touch === TOUCH && big! >= 8)).toBe(true);
});
