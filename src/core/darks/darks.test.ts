import { describe, expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import { hueApart } from "../colour/lab";
import { lightnessOfValue } from "../colour/munsell-value";
import { paintModel, type PaintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { traitsOf } from "../palette/traits";
import { darkeningPath } from "./turning";
import { darkWays } from "./ways";

// Facts of the trade: common practice, no source. Each is checked on the handbook's own pigments.

const paper = PAPERS[0];
const paint = (id: string): PaintModel => paintModel(id, [{ pigmentId: id, share: 1 }]);
const tray = ["PB60", "PR179", "PB29", "PBr7-burnt-umber", "PBr7-burnt-sienna", "PG7", "PY3"].map(paint);
const black = { L: lightnessOfValue(1.5), a: 0, b: 0 };

describe("ways to a dark", () => {
  const ways = darkWays(tray, black, 20, paper);
  const of = (kind: string) => ways.find((way) => way.kind === kind)!;

  test("each kind stands once, the nearest first, and is what the prediction says", () => {
    expect(new Set(ways.map(({ kind }) => kind)).size).toBe(ways.length);
    expect(ways.map(({ difference }) => difference)).toEqual(
      ways.map(({ difference }) => difference).sort((a, b) => a - b),
    );
    for (const way of ways) {
      const mix = way.parts.map(({ paintId, parts }) => ({ paint: tray.find(({ id }) => id === paintId)!, parts }));
      const again = predict(mix, way.layers * loadOfWater(way.waterParts), paper).dry;
      expect(deltaE00(again, way.dry)).toBeLessThan(1e-9);
    }
  });

  test("a deep red with a green is a dark of opposites, and darker than a bright yellow could be part of", () => {
    const { parts, value } = of("opposites");
    expect(parts.map(({ paintId }) => paintId)).not.toContain("PY3");
    expect(value).toBeLessThan(3);
  });

  test("two primaries lie 60 to 130 degrees of hue apart, opposites farther", () => {
    const apart = (kind: string): number => {
      const [one, two] = traitsOf(
        of(kind).parts.map(({ paintId }) => tray.find(({ id }) => id === paintId)!),
        paper,
      );
      return hueApart(one!.hueDegrees, two!.hueDegrees);
    };
    expect(apart("opposites")).toBeGreaterThanOrEqual(130);
    const without = darkWays(["PB60", "PR179", "PV23"].map(paint), black, 20, paper);
    expect(without.map(({ kind }) => kind)).toContain("primaries");
    expect(without.map(({ kind }) => kind)).not.toContain("opposites");
    expect(apart("primaries")).toBeGreaterThanOrEqual(60);
    expect(apart("primaries")).toBeLessThan(130);
  });

  test("the most colour at its value: as dark, and no other way that is as dark keeps more", () => {
    for (const wanted of [2.5, 3.5]) {
      const all = darkWays(tray, { L: lightnessOfValue(wanted), a: 0, b: 0 }, 20, paper);
      const purest = all.find(({ kind }) => kind === "purest")!;
      expect(Math.abs(purest.value - wanted)).toBeLessThanOrEqual(0.2);
      for (const way of all)
        if (way.layers === 1 && Math.abs(way.value - wanted) <= 0.1)
          expect(way.chroma).toBeLessThanOrEqual(purest.chroma + 1);
    }
    const violet = darkWays(tray, { L: lightnessOfValue(2.5), a: 8, b: -8 }, 20, paper);
    const { a, b } = violet.find(({ kind }) => kind === "purest")!.dry;
    expect(Math.abs((((Math.atan2(b, a) * 180) / Math.PI + 45 + 540) % 360) - 180)).toBeLessThanOrEqual(45);
    expect(Math.hypot(a, b)).toBeGreaterThan(Math.hypot(8, 8));
  });

  test("the darkener is never more than a third", () => {
    const { parts } = of("darkener");
    const total = parts.reduce((sum, { parts: n }) => sum + n, 0);
    expect(parts[1]!.paintId).toMatch(/^PBr7-burnt/);
    expect(parts[1]!.parts / total).toBeLessThanOrEqual(1 / 3);
  });

  test("a small dark is darker than a large one can be in one layer, and two layers bring it down again", () => {
    const reached = (areaCm2: number, layers: number): number =>
      Math.min(...darkWays(tray, black, areaCm2, paper).flatMap((way) => (way.layers === layers ? [way.value] : [])));
    expect(reached(600, 1)).toBeGreaterThan(reached(20, 1) + 0.2);
    expect(reached(600, 2)).toBeLessThan(reached(600, 1) - 0.2);
  });

  test("a pale paint makes no dark, nor do none; a dark one comes from its tube", () => {
    expect(darkWays([paint("PY3")], black, 20, paper)).toEqual([]);
    expect(
      darkWays([paint("PB60")], black, 600, paper)
        .map(({ kind }) => kind)
        .sort(),
    ).toEqual(["layers", "tube"]);
    expect(darkWays([], black, 20, paper)).toEqual([]);
  });
});

describe("where a dark turns", () => {
  test("umber quietens a violet dark without lightening it; a yellow lightens it", () => {
    const umber = darkeningPath(paint("PV23"), paint("PBr7-burnt-umber"), 0.5, paper);
    expect(umber.lightens).toBe(false);
    expect(umber.at[8]!.chroma).toBeLessThan(umber.at[0]!.chroma);
    expect(darkeningPath(paint("PV23"), paint("PY35"), 0.5, paper).lightens).toBe(true);
  });

  test("a brown past about a third kills a blue", () => {
    const { dead } = darkeningPath(paint("PB29"), paint("PBr7-burnt-umber"), 0.5, paper);
    expect(dead).not.toBeNull();
    expect(dead!).toBeGreaterThan(0.15);
    expect(dead!).toBeLessThan(0.6);
  });

  test("more of a darkener in the end brings nothing", () => {
    const { noDarker, at } = darkeningPath(paint("PR254"), paint("PBk9"), 0.7, paper);
    expect(noDarker).toBeGreaterThan(0);
    expect(noDarker).toBeLessThan(1);
    const there = at.find(({ share }) => share === noDarker)!;
    expect(there.value - Math.min(...at.map(({ value }) => value))).toBeLessThanOrEqual(0.1);
  });
});
