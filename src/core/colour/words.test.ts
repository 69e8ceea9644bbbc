import { describe, expect, test } from "vitest";
import { washStrengthOf, waterOfLoad, loadOfWater, waterWords } from "../optics/load";
import { compareColours } from "./compare";
import { describeColour, temperatureOf } from "./describe";

describe("a painter's words for a colour", () => {
  test.each([
    [{ L: 55, a: 60, b: 45 }, "red", "warm"],
    [{ L: 70, a: 25, b: 65 }, "orange", "warm"],
    [{ L: 88, a: -2, b: 80 }, "yellow", "warm"],
    [{ L: 55, a: -45, b: 20 }, "green", "cool"],
    [{ L: 50, a: -8, b: -40 }, "blue", "cool"],
    [{ L: 35, a: 35, b: -35 }, "violet", "cool"],
  ] as const)("%o is a %s and %s", (lab, hue, warmth) => {
    const words = describeColour(lab);
    expect(words.hueName).toContain(hue);
    expect(words.warmth).toBe(warmth);
  });

  test("greys are greys, leaning warm or cool", () => {
    expect(describeColour({ L: 50, a: 0, b: 0 }).hueName).toBe("neutral grey");
    expect(describeColour({ L: 50, a: 2, b: 3.5 }).hueName).toBe("warm grey");
    expect(describeColour({ L: 50, a: -2, b: -3.5 }).hueName).toBe("cool grey");
    expect(describeColour({ L: 50, a: 0, b: 0 }).value).toBeCloseTo(4.95, 1);
  });

  test("orange is warmest, blue coldest, and opposite colours have opposite temperatures", () => {
    expect(temperatureOf({ L: 60, a: 30, b: 43 })).toBeGreaterThan(temperatureOf({ L: 60, a: 52, b: 5 }));
    expect(temperatureOf({ L: 60, a: 20, b: 30 })).toBeCloseTo(-temperatureOf({ L: 60, a: -20, b: -30 }), 9);
  });
});

describe("how one colour differs from another", () => {
  const base = { L: 50, a: 20, b: 20 };
  test.each([
    [{ L: 58, a: 20, b: 20 }, "lighter"],
    [{ L: 35, a: 20, b: 20 }, "much darker"],
    [{ L: 50, a: 12, b: 12 }, "greyer"],
    [{ L: 50, a: 30, b: 30 }, "purer"],
    [{ L: 50, a: 12, b: 27 }, "leaning to"],
  ] as const)("%o: %s", (other, word) => {
    expect(compareColours(base, other).words.join(", ")).toContain(word);
  });

  test("what can't be seen has no words", () => {
    expect(compareColours(base, { L: 50.3, a: 20.2, b: 20 }).words).toEqual([]);
  });
});

describe("water", () => {
  test("ratios as a painter says them", () => {
    expect(waterWords(0)).toBe("no water");
    expect(waterWords(0.5)).toBe("2 paint : 1 water");
    expect(waterWords(0.75)).toBe("4 paint : 3 water");
    expect(waterWords(1.5)).toBe("2 paint : 3 water");
    expect(waterWords(12)).toBe("1 paint : 12 water");
  });

  test("the ladder goes from neat to a breath, and load and water are each other's inverse", () => {
    expect([0, 1.5, 6, 25, 70].map((w) => washStrengthOf(w).word)).toEqual([
      "neat",
      "strong",
      "half",
      "pale",
      "breath",
    ]);
    expect(waterOfLoad(loadOfWater(7))).toBeCloseTo(7, 12);
    expect(waterOfLoad(1.4)).toBe(0);
  });
});
