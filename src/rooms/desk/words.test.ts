import { describe, expect, test } from "vitest";
import { suggestedName } from "./area-names";
import { shapesAt } from "./areas-step/propose";
import { comparisonWords } from "./photo-step/compare";
import { numberedTicks, spreadTicks } from "./photo/value-rail";

describe("words for what was measured", () => {
  test("a name says where an area lies and what colour it has in at most four words, and is never given twice", () => {
    const taken = new Set<string>();
    const give = (x: number, y: number, L: number, a: number, b: number): string => {
      const name = suggestedName({ x, y }, { L, a, b }, taken);
      expect(taken.has(name)).toBe(false);
      expect(name.split(" ").length).toBeLessThanOrEqual(4);
      taken.add(name);
      return name;
    };
    expect(give(0.1, 0.9, 22, 6, 10)).toBe("Dark brown");
    expect(give(0.1, 0.9, 24, 6, 10)).toBe("Dark brown bottom");
    expect(give(0.9, 0.9, 24, 6, 10)).toBe("Dark brown bottom right");
    expect(give(0.5, 0.1, 80, -4, -20)).toBe("Light blue");
    expect(give(0.5, 0.5, 60, -30, 30)).toBe("Green");
    // Sixteen of one colour in one place are still told apart.
    for (let i = 0; i < 16; i++) give(0.5, 0.5, 55, 4, 30);
  });

  test("two points: which is darker, warmer, purer, or that they are alike", () => {
    expect(comparisonWords({ L: 40, a: 20, b: 30 }, { L: 70, a: -2, b: -10 })).toEqual([
      expect.stringMatching(/^a is darker, by 3\.0 value steps$/),
      expect.stringMatching(/^a is warmer, by 4\d$/),
      expect.stringMatching(/^a is purer, by 2\d chroma$/),
    ]);
    expect(comparisonWords({ L: 50, a: 5, b: 5 }, { L: 50, a: 5, b: 5 })).toEqual([
      "a and b are equally dark",
      "equally warm",
      "equally pure",
    ]);
  });

  test("the slider goes from two shapes to sixty, finer among the few", () => {
    expect(shapesAt(0)).toBe(2);
    expect(shapesAt(1)).toBe(60);
    expect(shapesAt(0.5)).toBe(11);
  });

  test("ticks on the rail are pushed apart within it", () => {
    const placed = spreadTicks([10, 11, 12, 90, 91], 8, 100);
    const sorted = [...placed].sort((a, b) => a - b);
    sorted.slice(1).forEach((top, i) => expect(top - sorted[i]!).toBeGreaterThanOrEqual(8 - 1e-9));
    expect(sorted[4]).toBeLessThanOrEqual(92);
  });

  test("of more ticks than can be read those are numbered that can, the chosen one first", () => {
    expect([...numberedTicks([0, 3, 8, 9, 30], 8, -1)]).toEqual([0, 2, 4]);
    expect(numberedTicks([0, 3, 8, 9, 30], 8, 1)).toEqual(new Set([1, 4]));
  });
});
