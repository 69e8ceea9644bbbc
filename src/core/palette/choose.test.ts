import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { HANDBOOK, pigmentById } from "../pigments/handbook";
import { DEFAULT_MATCH, prepareMatch } from "../mixing/match";
import { paintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { valueRange } from "../mixing/range";
import { seededRandom } from "../numeric/random";
import { MAX_PAINTS } from "./search/paint-set";
import { choosePalettes, choosePrepared, choosingPrepared, prepareChoice, type SizeChoice } from "./choose";
import { HARDLY_HELPS, recommendedSize, servedBy, whatOneMoreBuys } from "./gain";
import { withinDemand } from "./demands";
import { mixCosts, type MixCosts } from "./mix-costs";

/** Made-up costs of all mixes of up to three paints: more paints usually come nearer, as with real ones. */
function madeUp(paints: number, targets: number, seed: number, most = 3): MixCosts {
  const random = seededRandom(seed);
  const combinations: number[][] = [];
  for (let a = 0; a < paints; a++) {
    combinations.push([a]);
    for (let b = a + 1; b < paints; b++) {
      combinations.push([a, b]);
      for (let c = b + 1; most > 2 && c < paints; c++) combinations.push([a, b, c]);
    }
  }
  return {
    paints,
    combinations,
    weights: Array.from({ length: targets }, () => [0.5, 1, 2, 4][Math.floor(4 * random())]!),
    costs: Array.from({ length: targets }, () =>
      Float64Array.from(combinations, ({ length }) => Math.max(0, (40 * random() * random()) / length - 0.5)),
    ),
  };
}

const subsets = (n: number, k: number, from = 0): number[][] =>
  k === 0
    ? [[]]
    : Array.from({ length: Math.max(0, n - from) }, (_, i) =>
        subsets(n, k - 1, from + i + 1).map((rest) => [from + i, ...rest]),
      ).flat();

/** Every palette of a size, tried. */
function bruteForce(
  costs: MixCosts,
  size: number,
  most: number,
  allowed: (palette: readonly number[]) => boolean = () => true,
): { paints: number[]; error: number }[] {
  const total = costs.weights.reduce((sum, weight) => sum + weight, 0);
  return subsets(costs.paints, size)
    .filter(allowed)
    .map((paints) => ({
      paints,
      error: servedBy(costs, paints).reduce((sum, { error }, t) => sum + costs.weights[t]! * error, 0) / total,
    }))
    .sort((a, b) => a.error - b.error)
    .slice(0, most);
}

describe("the best palettes of all, against trying every one", () => {
  test.each([
    [9, 5, 1],
    [11, 7, 2],
    [12, 4, 3],
    [10, 12, 4],
  ])("%i paints, %i targets: the best five of every size", (paints, targets, seed) => {
    const costs = madeUp(paints, targets, seed);
    let compared = 0;
    for (const { size, best, outOf } of choosePalettes(costs, [1, 2, 3, 4, 5, 6, 7])) {
      const all = bruteForce(costs, size, 5);
      expect(best.map(({ error }) => error)).toEqual(all.map(({ error }) => expect.closeTo(error, 9)));
      expect(outOf).toBe(subsets(paints, size).length);
      // Where no other is as good, they are the same palettes.
      const near = bruteForce(costs, size, 6);
      const unlike = all.filter((one) => near.filter(({ error }) => Math.abs(error - one.error) < 1e-9).length === 1);
      for (const { paints: own } of unlike) expect(best.map((one) => one.paints)).toContainEqual(own);
      compared += unlike.length;
    }
    expect(compared).toBeGreaterThan(5);
  });

  test("under rules: paints that must be in it, paints that must not", () => {
    const costs = madeUp(11, 6, 8);
    const rules = { must: [2, 7], never: [0, 5] };
    for (const { size, best } of choosePalettes(costs, [1, 2, 3, 4, 5], rules, 3)) {
      const all = bruteForce(
        costs,
        size,
        3,
        (palette) => rules.must.every((p) => palette.includes(p)) && !rules.never.some((p) => palette.includes(p)),
      );
      expect(best.map(({ error }) => error)).toEqual(all.map(({ error }) => expect.closeTo(error, 9)));
    }
    expect(choosePalettes(costs, [1], rules)).toEqual([]);
    expect(choosePalettes(costs, [12])).toEqual([]);
  });

  test("at least and at most so many of a kind, alone and together, and how many palettes that leaves", () => {
    const costs = madeUp(11, 6, 9);
    const kinds = [
      { paints: [0, 3, 4, 8], least: 2, most: 3 },
      { paints: [1, 4, 6], least: 0, most: 1 },
      { paints: [9, 10], least: 1, most: 2 },
    ];
    const keeps = (palette: readonly number[]): boolean =>
      kinds.every(({ paints, least, most }) => {
        const has = palette.filter((p) => paints.includes(p)).length;
        return has >= least && has <= most;
      });
    for (const must of [[], [6]]) {
      const allowed = (palette: readonly number[]): boolean => must.every((p) => palette.includes(p)) && keeps(palette);
      for (const { size, best, outOf } of choosePalettes(costs, [2, 3, 4, 5, 6, 8], { must, never: [], kinds }, 4)) {
        const all = bruteForce(costs, size, 4, allowed);
        expect(best.map(({ error }) => error)).toEqual(all.map(({ error }) => expect.closeTo(error, 9)));
        expect(outOf).toBe(subsets(11, size).filter(allowed).length);
      }
    }
  });

  test("what must be reached: only palettes that do it, and none where none does", () => {
    const costs = madeUp(10, 5, 12);
    const demands = [withinDemand(costs, 1, 3), withinDemand(costs, 3, 4)];
    for (const { size, best } of choosePalettes({ ...costs, demands }, [1, 2, 3, 4], undefined, 5)) {
      const all = bruteForce(costs, size, 5, (palette) =>
        [
          [1, 2.5],
          [3, 3.5],
        ].every(([t, most]) => servedBy(costs, palette)[t!]!.error <= most!),
      );
      expect(best.map(({ error }) => error)).toEqual(all.map(({ error }) => expect.closeTo(error, 9)));
    }
  });

  test("more than 64 paints are chosen from as well", () => {
    const costs = madeUp(70, 3, 5, 2);
    const [choice] = choosePalettes(costs, [2], undefined, 4);
    expect(choice!.best.map(({ error }) => error)).toEqual(
      bruteForce(costs, 2, 4).map(({ error }) => expect.closeTo(error, 9)),
    );
    expect(() => choosePalettes(madeUp(3, 1, 1), [1], undefined, 1)).not.toThrow();
    expect(() => choosePalettes({ ...costs, paints: MAX_PAINTS + 1 }, [1])).toThrow(RangeError);
  });

  test("can be left at every step, and taken step by step finds the same", () => {
    const prepared = prepareChoice(madeUp(30, 12, 6));
    const steps = choosingPrepared(prepared, [3, 4, 5, 6]);
    let count = 0;
    for (let step = steps.next(); ; step = steps.next()) {
      if (step.done) {
        expect(step.value).toEqual(choosePrepared(prepared, [3, 4, 5, 6]));
        break;
      }
      count++;
    }
    expect(count).toBeGreaterThan(5);
  });

  test("more paints never make the best error worse, and the recommended size is where one more hardly helps", () => {
    const choices = choosePalettes(madeUp(14, 8, 11), [1, 2, 3, 4, 5, 6, 7, 8]);
    choices
      .slice(1)
      .forEach(({ best }, i) => expect(best[0]!.error).toBeLessThanOrEqual(choices[i]!.best[0]!.error + 1e-9));
    const size = recommendedSize(choices);
    const errorOf = (n: number): number => choices.find((choice) => choice.size === n)!.best[0]!.error;
    expect(errorOf(size - 1) - errorOf(size)).toBeGreaterThan(HARDLY_HELPS);
    expect(errorOf(size) - errorOf(size + 1)).toBeLessThan(0.4);
  });
});

describe("a recommended size", () => {
  const choice = (size: number, error: number | null): SizeChoice => ({
    size,
    outOf: 1,
    nodes: 1,
    proven: true,
    best: error === null ? [] : [{ paints: [], error }],
  });
  const sizes = [choice(1, 9), choice(2, 4), choice(3, 1.2), choice(4, 1.1), choice(5, 1.05), choice(6, 1.04)];
  test.each([
    [1, Infinity, 3],
    [4, 9, 4],
    [1, 2, 2],
    [7, 9, 6],
  ])("between %d and %d: %d", (from, to, expected) => expect(recommendedSize(sizes, from, to)).toBe(expected));
  test("sizes that can't do what must be reached don't count; nothing found, nothing recommended", () => {
    expect(recommendedSize([choice(1, null), choice(2, null), ...sizes.slice(2)])).toBe(3);
    expect(recommendedSize([choice(1, null)])).toBe(0);
  });
});

describe("larger choices, where only the search's own bounds help", () => {
  test.each([
    [16, 6, 21],
    [18, 3, 22],
  ])("%i paints, %i targets: fours and fives like every palette tried", (paints, targets, seed) => {
    const costs = madeUp(paints, targets, seed);
    for (const { size, best, nodes } of choosePalettes(costs, [4, 5])) {
      expect(best.map(({ error }) => error)).toEqual(
        bruteForce(costs, size, 5).map(({ error }) => expect.closeTo(error, 9)),
      );
      expect(nodes).toBeLessThan(subsets(paints, size).length);
    }
  });
  test("a size on its own is the same as one after the others, and beginning from anything changes nothing", () => {
    const prepared = prepareChoice(madeUp(15, 8, 31));
    const [, , , five] = choosePrepared(prepared, [2, 3, 4, 5]);
    const [alone] = choosePrepared(prepared, [5]);
    const [begun] = choosePrepared(prepared, [5], undefined, 5, [[14, 13, 12], [0]]);
    for (const other of [alone, begun])
      expect(other!.best.map(({ error }) => error)).toEqual(five!.best.map(({ error }) => expect.closeTo(error, 9)));
  });
  test("many palettes that do equally well: five of them, each once", () => {
    const costs = madeUp(12, 2, 3);
    costs.costs.forEach((row) => row.fill(0));
    const { best } = choosePalettes(costs, [4])[0]!;
    expect(best.map(({ error }) => error)).toEqual([0, 0, 0, 0, 0]);
    expect(new Set(best.map(({ paints }) => paints.join())).size).toBe(5);
  });
});

describe("trade facts on real pigments (common practice, no source)", () => {
  const ids = [
    "PY3",
    "PY154",
    "PY43",
    "PBr7-burnt-sienna",
    "PBr7-burnt-umber",
    "PR101-light-red",
    "PB29",
    "PB15-green-shade",
    "PV19-rose",
    "PO73",
    "PG7",
  ];
  const paints = ids.map((id) => paintModel(id, [{ pigmentId: pigmentById(id).id, share: 1 }], 1));
  const table = prepareMatch(paints, PAPERS[0], DEFAULT_MATCH);
  const error = (lab: { L: number; a: number; b: number }, names: readonly string[]): number =>
    servedBy(
      mixCosts([{ lab, weight: 1 }], table, 1.5),
      names.map((name) => ids.indexOf(name)),
    )[0]!.error;
  /** An orange-red poppy in the sun: what a strong wash of such a paint looks like. */
  const flower = predict([{ paint: paints[ids.indexOf("PO73")]!, parts: 1 }], 0.6, PAPERS[0]).dry;
  const earthTriad = ["PY43", "PBr7-burnt-sienna", "PB29"];

  test("the handbook still has these pigments", () =>
    expect(ids.every((id) => HANDBOOK.some((pigment) => pigment.id === id))).toBe(true));

  test("a bright orange-red flower needs its own tube", () => {
    expect(error(flower, ["PY154", "PV19-rose", "PB29"])).toBeGreaterThan(error(flower, ["PO73"]) + 2);
    const [three] = choosePalettes(
      mixCosts(
        [
          { lab: flower, weight: 4 },
          { lab: { L: 55, a: 2, b: -20 }, weight: 1 },
        ],
        table,
        1.5,
      ),
      [3],
    );
    expect(three!.best[0]!.paints.map((p) => ids[p])).toContain("PO73");
  });

  test("an earth triad suits rock and wet ground and fails on fresh green", () => {
    expect(error({ L: 52, a: 6, b: 18 }, earthTriad)).toBeLessThan(1.5);
    expect(error({ L: 36, a: 7, b: 12 }, earthTriad)).toBeLessThan(2.5);
    expect(error({ L: 65, a: -38, b: 52 }, earthTriad)).toBeGreaterThan(10);
  });

  test("one blue and one brown still reach a near-black", () => {
    const pair = ["PB29", "PBr7-burnt-umber"].map((id) => paints[ids.indexOf(id)]!);
    expect(valueRange(pair, PAPERS[0]).darkest).toBeLessThan(2.9);
  });

  test("what one more paint buys is told by target", () => {
    const targets = [
      { lab: flower, weight: 1 },
      { lab: { L: 60, a: 0, b: -25 }, weight: 1 },
    ];
    const costs = mixCosts(targets, table, 1.5);
    const { come, go, gains } = whatOneMoreBuys(
      costs,
      [ids.indexOf("PB29")],
      [ids.indexOf("PB29"), ids.indexOf("PO73")],
    );
    expect([come.map((p) => ids[p]), go]).toEqual([["PO73"], []]);
    expect(gains[0]!.target).toBe(0);
    expect(gains[0]!.gain).toBeGreaterThan(20);
  });
});
