import { describe, expect, test } from "vitest";
import { quantile } from "../quantile";
import { learnOnBench, type LearntAfter } from "./learning";

// A small case of `npm run bench told`, the same in every run; seeds apart from those that the constants were set on.
const SEEDS = [1401, 1402, 1403, 1404];
const trials = { planner: [] as LearntAfter[][], random: [] as LearntAfter[][] };
for (const by of ["planner", "random"] as const)
  trials[by] = SEEDS.map((seed) => learnOnBench(seed, by, [0, 10, 20], 2));

const after = (by: "planner" | "random", swatches: number): LearntAfter[] =>
  trials[by].map((results) => results.find((one) => one.swatches === swatches)!);
const missed = (by: "planner" | "random", swatches: number): number =>
  quantile(
    after(by, swatches).flatMap(({ misses }) => misses),
    0.5,
  );
const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length;
const meanMiss = (by: "planner" | "random", swatches: number): number =>
  mean(after(by, swatches).flatMap(({ misses }) => misses));

describe("a book of swatches, on paints, a hand and a sheet that the program does not see", () => {
  test("a painting's mixes: from above ten to under four after twenty swatches that the planner asked for", () => {
    expect(meanMiss("planner", 0)).toBeGreaterThan(10);
    expect(meanMiss("planner", 20)).toBeLessThan(4);
    expect(missed("planner", 20)).toBeLessThan(missed("planner", 10));
  });
  test("half as many swatches, if they are chosen, do what as many at random do", () => {
    expect(meanMiss("planner", 10)).toBeLessThan(meanMiss("random", 20));
  });
  test("what is told of the mixes holds while the book grows: half nearer than the median, nine in ten than the 90 %", () => {
    const all = (["planner", "random"] as const).flatMap((by) =>
      [10, 20].flatMap((swatches) =>
        after(by, swatches).flatMap(({ misses, told }) => misses.map((miss, i) => ({ miss, told: told[i]! }))),
      ),
    );
    const share = (of: "median" | "p90") => all.filter(({ miss, told }) => miss < told[of]).length / all.length;
    expect(share("median")).toBeGreaterThan(0.4);
    expect(share("median")).toBeLessThan(0.6);
    expect(share("p90")).toBeGreaterThan(0.82);
    expect(share("p90")).toBeLessThan(0.96);
  });
});
