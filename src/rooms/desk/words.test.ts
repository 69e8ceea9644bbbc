import { describe, expect, test } from "vitest";
import { suggestedName } from "./area-edits";
import { shapesAt } from "./areas-step/propose";
import { comparisonWords } from "./photo-step/compare";
import { spreadTicks } from "./photo/value-rail";

describe("words for what was measured", () => {
  test("a name says where an area lies and what colour it has, and is never given twice", () => {
    const dark = { mean: { L: 22, a: 6, b: 10 } };
    expect(suggestedName({ x: 0.1, y: 0.9 }, dark, new Set())).toMatch(/^Lower left dark /);
    const name = suggestedName({ x: 0.5, y: 0.5 }, { mean: { L: 60, a: 0, b: -30 } }, new Set());
    expect(name).toBe("Clear blue");
    expect(suggestedName({ x: 0.5, y: 0.5 }, { mean: { L: 60, a: 0, b: -30 } }, new Set([name, `${name} 2`]))).toBe(
      `${name} 3`,
    );
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
    sorted.slice(1).forEach((top, i) => expect(top - sorted[i]).toBeGreaterThanOrEqual(8 - 1e-9));
    expect(sorted[4]).toBeLessThanOrEqual(92);
  });
});
