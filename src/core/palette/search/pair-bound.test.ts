import { pairOf } from "../../numeric/tuples";
import { describe, expect, test } from "vitest";
import { seededRandom } from "../../numeric/random";
import type { MixCosts } from "../mix-costs";
import { NONE, statesOf } from "./paint-set";
import { emptySplit, PairBound, splitRankings } from "./pair-bound";
import { errorOf, rankAll } from "./ranking";

const [PAINTS, TARGETS] = [9, 4];
/** Made-up costs of all mixes of up to three of the paints. */
function madeUp(seed: number): MixCosts {
  const random = seededRandom(seed);
  const combinations: number[][] = [];
  for (let a = 0; a < PAINTS; a++) {
    combinations.push([a]);
    for (let b = a + 1; b < PAINTS; b++) {
      combinations.push([a, b]);
      for (let c = b + 1; c < PAINTS; c++) combinations.push([a, b, c]);
    }
  }
  return {
    paints: PAINTS,
    combinations,
    weights: Array.from({ length: TARGETS }, () => 1 + Math.floor(3 * random())),
    costs: Array.from({ length: TARGETS }, () => Float64Array.from(combinations, () => 40 * random() * random())),
  };
}

describe("all pairs for the last two wells at once", () => {
  test.each([1, 2, 3])(
    "every pair under the limit is told with its very error, and none above it (seed %i)",
    (seed) => {
      const ranked = rankAll(madeUp(seed));
      const taken = [1, 4];
      const open = [0, 2, 3, 5, 6, 8];
      const states = statesOf(taken, open);
      const split = emptySplit(ranked.map(({ length }) => length));
      splitRankings(ranked, states, split);
      const tried = open.flatMap((p, i) =>
        open.slice(i + 1).map((q) => ({ p, q, error: errorOf(ranked, statesOf([...taken, p, q])) })),
      );
      const middle = tried.map(({ error }) => error).sort((a, b) => a - b)[Math.floor(tried.length / 2)]!;
      // A hair off any error: equal ones may fall to either side of it.
      for (const limit of [Infinity, middle - 1e-6, 0]) {
        const found: { p: number; q: number; error: number }[] = [];
        new PairBound(PAINTS, TARGETS).run(split, NONE, states, open, limit, (p, q, error) => {
          found.push({ p, q, error });
          return limit;
        });
        const wanted = tried.filter(({ error }) => error < limit);
        expect(found.map(({ p, q }) => [p, q]).sort()).toEqual(wanted.map(({ p, q }) => [p, q]).sort());
        for (const { p, q, error } of found)
          expect(error).toBeCloseTo(tried.find((one) => one.p === p && one.q === q)!.error, 9);
      }
    },
  );

  test("a paint taken since the split counts as taken", () => {
    const ranked = rankAll(madeUp(4));
    const open = [0, 2, 3, 5, 6, 8];
    const split = emptySplit(ranked.map(({ length }) => length));
    splitRankings(ranked, statesOf([1], open), split);
    const just = 3;
    const rest = open.filter((p) => p !== just);
    const found = new Map<string, number>();
    new PairBound(PAINTS, TARGETS).run(split, just, statesOf([1, just], rest), rest, Infinity, (p, q, error) => {
      found.set(`${p} ${q}`, error);
      return Infinity;
    });
    expect(found.size).toBe((rest.length * (rest.length - 1)) / 2);
    for (const [pair, error] of found) {
      const [p, q] = pairOf(pair.split(" ").map(Number));
      expect(error, pair).toBeCloseTo(errorOf(ranked, statesOf([1, just, p, q])), 9);
    }
  });

  test("what hears of a pair may lower the limit for those that come after", () => {
    const ranked = rankAll(madeUp(5));
    const open = [0, 2, 3, 5, 6, 8];
    const states = statesOf([1], open);
    const split = emptySplit(ranked.map(({ length }) => length));
    splitRankings(ranked, states, split);
    const errors: number[] = [];
    new PairBound(PAINTS, TARGETS).run(split, NONE, states, open, Infinity, (_p, _q, error) => {
      errors.push(error);
      return error;
    });
    expect(errors).toEqual([...errors].sort((a, b) => b - a));
    const all = open.flatMap((p, i) => open.slice(i + 1).map((q) => errorOf(ranked, statesOf([1, p, q]))));
    expect(errors.at(-1)).toBeCloseTo(Math.min(...all), 9);
  });
});
