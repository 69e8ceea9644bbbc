import { describe, expect, test } from "vitest";
import { seededRandom } from "../../numeric/random";
import {
  satisfiesConstraints,
  countPalettes,
  couldBe,
  propagate,
  type CardinalityConstraint,
} from "./cardinality-constraints";
import { codeOf, lacking, NONE, OPEN, statesOf, TAKEN } from "./paint-set";

describe("paints of a combination in one number", () => {
  test("how many it lacks, and whether it can be had at all", () => {
    const states = statesOf([1, 200], [2, 3]);
    expect([[1], [1, 200], [1, 2], [1, 2, 3], [2, 3, 200]].map((paints) => lacking(codeOf(paints), states))).toEqual([
      0, 0, 1, 2, 2,
    ]);
    expect(lacking(codeOf([1, 2, 9]), states)).toBeGreaterThanOrEqual(8);
    expect([states[1], states[2], states[NONE]]).toEqual([TAKEN, OPEN, TAKEN]);
  });
});

describe("rules on kinds", () => {
  const reds: CardinalityConstraint = { paints: [0, 1, 2], least: 1, most: 2 };
  const earths: CardinalityConstraint = { paints: [2, 3], least: 0, most: 1 };

  test("a full kind closes its other paints, a kind that needs every well closes all others", () => {
    const closed: number[] = [];
    expect(propagate([reds], statesOf([0, 1], [2, 4]), 2, 5, (p) => closed.push(p))).toBe(true);
    expect(closed.splice(0)).toEqual([2]);
    expect(propagate([{ ...reds, least: 2 }], statesOf([0], [1, 3, 4]), 1, 5, (p) => closed.push(p))).toBe(true);
    expect(closed).toEqual([3, 4]);
  });
  test("what can't be kept any more is said", () => {
    expect(propagate([reds], statesOf([0, 1, 2], [4]), 1, 5, () => {})).toBe(false);
    expect(propagate([reds], statesOf([3], [4]), 1, 5, () => {})).toBe(false);
    expect(couldBe([reds, earths], [3], [0, 2, 4], 1, 5)).toBe(true);
    expect(couldBe([reds, earths], [2, 3], [0, 4], 1, 5)).toBe(false);
    expect(couldBe([], [2, 3], [], 0, 5)).toBe(true);
  });
  test("how many palettes keep them is what counting every one says", () => {
    const random = seededRandom(4);
    const subsets = (n: number, k: number, from = 0): number[][] =>
      k === 0
        ? [[]]
        : Array.from({ length: Math.max(0, n - from) }, (_, i) =>
            subsets(n, k - 1, from + i + 1).map((rest) => [from + i, ...rest]),
          ).flat();
    for (let round = 0; round < 12; round++) {
      const kinds = [0, 1, 2].map((): CardinalityConstraint => ({
        paints: Array.from({ length: 9 }, (_, p) => p).filter(() => random() < 0.4),
        least: Math.floor(2 * random()),
        most: 1 + Math.floor(3 * random()),
      }));
      const must = round % 2 === 0 ? [] : [4];
      const free = [0, 1, 2, 3, 5, 6, 7, 8].concat(round % 2 === 0 ? [4] : []);
      for (const size of [1, 3, 5]) {
        const counted = subsets(9, size).filter(
          (palette) => must.every((p) => palette.includes(p)) && satisfiesConstraints(kinds)(palette),
        ).length;
        expect(countPalettes(must, free, size, kinds)).toBe(counted);
      }
    }
  });
});
