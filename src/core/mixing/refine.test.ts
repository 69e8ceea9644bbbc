import { describe, expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { gridColour, polishMixes, rankOnGrid } from "./closest";
import { fullMetric, judged, type MixMetric } from "./metric";
import { paintModel } from "./paint";
import { predict } from "./predict";
import { buildReachTable } from "./reach-table";
import { refineMixes } from "./refine";

const paper = PAPERS[0];
const paints = ["PY3", "PV19-rose", "PB15-green-shade", "PBr7-burnt-sienna", "PBk9"].map((id) =>
  paintModel(id, [{ pigmentId: id, share: 1 }]),
);
const table = buildReachTable(paints, paper, { maxPaints: 3, maxPigments: 3 });
const all = [...table.combinations.keys()];

/** Costs and colours after refining, and before. */
function refined(
  target: { L: number; a: number; b: number },
  metric: MixMetric,
  from = table,
): { cost: Float64Array; made: Float32Array; grid: Float64Array } {
  const ranking = rankOnGrid(target, from, metric);
  const grid = ranking.cost.map(Math.sqrt);
  const cost = new Float64Array(all.length).fill(Infinity);
  const made = gridColour(from, ranking);
  refineMixes(target, from, metric, ranking, all, cost, made);
  return { cost, made, grid };
}
const at = (...combination: number[]): number =>
  table.combinations.findIndex((one) => one.join() === combination.join());

describe("refining mixes by a few steps with the full film model", () => {
  test("a mix's own colour is found again by its paints, where the grid is far off", () => {
    const target = predict(
      [
        { paint: paints[0]!, parts: 9 },
        { paint: paints[1]!, parts: 2 },
        { paint: paints[2]!, parts: 0.3 },
      ],
      0.11,
      paper,
    ).dry;
    const { cost, grid } = refined(target, fullMetric(1.5));
    expect(grid[at(0, 1, 2)]).toBeGreaterThan(1.5);
    expect(cost[at(0, 1, 2)]).toBeLessThan(0.5);
  });

  test("comes as near as the downhill simplex in the median of all combinations that come near at all", () => {
    for (const target of [
      { L: 62, a: 18, b: 22 },
      { L: 40, a: 2, b: -14 },
      { L: 24, a: 6, b: 8 },
      { L: 78, a: -4, b: 40 },
    ]) {
      const metric = fullMetric(1.5);
      const { cost } = refined(target, metric);
      const simplex = polishMixes(target, table, metric, rankOnGrid(target, table, metric), all.length);
      const behind = simplex
        .filter(({ cost: best }) => best < 8)
        .map(({ index, cost: best }) => cost[index]! - best)
        .sort((a, b) => a - b);
      expect(behind.length).toBeGreaterThan(2);
      expect(behind[Math.floor(0.5 * behind.length)]).toBeLessThan(0.3);
    }
  });

  test("the colour told is the one judged; loads stay within what a paint may be laid at", () => {
    const dark = { L: 20, a: 0, b: 0 };
    const { cost, made } = refined(dark, fullMetric(1.5));
    for (const c of all)
      expect(judged(dark, made[3 * c]!, made[3 * c + 1]!, made[3 * c + 2]!, fullMetric(1.5))).toBeCloseTo(cost[c]!, 2);
    const thin = paints.map((paint) => (paint.id === "PBk9" ? { ...paint, strongest: 0.2 } : paint));
    const limited = refined(dark, fullMetric(1.5), { ...table, paints: thin }).cost;
    expect(limited[at(4)]).toBeCloseTo(judged(dark, ...labOf(4, 0.2), fullMetric(1.5)), 1);
    expect(limited[at(4)]).toBeGreaterThan(cost[at(4)]! + 10);
  });

  test("with hues free a green's value and chroma are met by blue and brown", () => {
    const { cost } = refined({ L: 50, a: -12, b: -2 }, { ...fullMetric(1.5), freeHue: true });
    expect(cost[at(2, 3)]).toBeLessThan(1.5);
  });
});

function labOf(paint: number, load: number): [number, number, number] {
  const { dry } = predict([{ paint: paints[paint]!, parts: 1 }], load, paper);
  return [dry.L, dry.a, dry.b];
}
