import { ANY_CHARACTER } from "./character";
import { describe, expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import { effortOf, HANDS } from "./hand";
import { DEFAULT_MATCH, matchOver, prepareMatch } from "./match";
import { fullMetric } from "./metric";
import { paintModel } from "./paint";
import { predict } from "./predict";
import { predictGlaze } from "./glaze";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { mixCosts } from "../palette/mix-costs";
import { heavyCost, layersOf, workableLoad } from "./workable";

const [paper] = PAPERS;
const paints = ["PB29", "PBr7-burnt-umber", "PY43", "PBk9"].map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));

describe("what can be laid at a size", () => {
  test("small darks may be neat, a postcard takes about 1 : 1, half a sheet about 1 : 3 (from memory)", () => {
    expect(workableLoad(0)).toBe(1);
    expect(workableLoad(20)).toBe(1);
    expect(workableLoad(150)).toBeCloseTo(loadOfWater(1), 1);
    expect(workableLoad(1000)).toBeCloseTo(loadOfWater(3), 1);
  });

  test("it costs nothing up to there, rises without a step, and a hundred layers cost no more than three", () => {
    const most = workableLoad(400);
    expect(heavyCost(0.9 * most, 400)).toBe(0);
    expect(heavyCost(1.01 * most, 400)).toBeLessThan(0.05);
    expect(heavyCost(2 * most, 400)).toBeGreaterThan(heavyCost(1.5 * most, 400));
    expect(heavyCost(1, 1e6)).toBe(heavyCost(1, 1e5));
    expect(heavyCost(1, 10)).toBe(0);
  });

  test("layers of one mix make the colour that one heavy film of it makes, and each can be laid", () => {
    for (const paint of paints) {
      const mix = [{ paint, parts: 1 }];
      const { layers, waterParts } = layersOf(0.7, 300);
      expect(layers).toBe(2);
      expect(loadOfWater(waterParts)).toBeLessThan(1.1 * workableLoad(300));
      const film = { mix, load: loadOfWater(waterParts) };
      expect(deltaE00(predictGlaze([film, film], paper), predict(mix, 0.7, paper).dry)).toBeLessThan(2);
    }
  });
});

describe("judged by what can be laid", () => {
  const dark = { L: 26, a: 1, b: 2 };
  const table = prepareMatch(paints, paper, DEFAULT_MATCH);
  const metric = { ...fullMetric(1.5), hand: HANDS.usual };

  test("a heavy mix costs a palette more over much of the sheet, a light one is the same at any size", () => {
    const costOf = (lab: typeof dark, areaCm2: number) =>
      mixCosts([{ lab, weight: 1, areaCm2 }], table, metric).costs[0]!;
    const [small, large] = [costOf(dark, 10), costOf(dark, 900)];
    const [best] = [...small.keys()].sort((a, b) => small[a]! - small[b]!);
    expect(large[best!]!).toBeGreaterThan(small[best!]! + 1);
    const pale = { L: 88, a: -2, b: -4 };
    const nearest = Math.min(...costOf(pale, 10));
    expect(Math.min(...costOf(pale, 900))).toBeCloseTo(nearest, 6);
    expect(nearest).toBeGreaterThanOrEqual(effortOf(1));
  });

  test("the way that comes first over a large wash is no heavier than over a small one", () => {
    const first = (areaCm2: number) => matchOver(dark, table, DEFAULT_MATCH, { areaCm2, character: ANY_CHARACTER })[0]!;
    expect(first(900).load).toBeLessThanOrEqual(first(10).load);
  });
});
