import { describe, expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import { lchOfLab, xyzOfLab } from "../colour/lab";
import { valueOfLuminance } from "../colour/munsell-value";
import { paintModel, type PaintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { goes, keepsHue, neighboursOf, SHIFTS, shiftsOf, warmAndCool } from "./choose";
import { laidMix, variationsOf } from "./variations";

const paper = PAPERS[0];
const paint = (id: string): PaintModel => paintModel(id, [{ pigmentId: id, share: 1 }]);
const [blue, sienna, ochre, green, rose] = ["PB29", "PBr7-burnt-sienna", "PY43", "PG18", "PV19-rose"].map(paint) as [
  PaintModel,
  PaintModel,
  PaintModel,
  PaintModel,
  PaintModel,
];
const tray = [blue, sienna, ochre, green, rose];
const grey = [
  { paint: blue, parts: 2 },
  { paint: sienna, parts: 1 },
];
const from = laidMix(grey, 4, paper);
const all = variationsOf(grey, 4, tray, 1, paper);

describe("variations of one value", () => {
  test("each is within 0.2 of the value by ASTM D1535, is what is predicted again, and differs visibly", () => {
    expect(all.length).toBeGreaterThan(8);
    const value = valueOfLuminance(xyzOfLab(from.dry).Y);
    for (const { mix, waterParts, dry, difference } of all) {
      const again = predict(mix, loadOfWater(waterParts), paper).dry;
      expect(deltaE00(again, dry)).toBeLessThan(1e-9);
      expect(Math.abs(valueOfLuminance(xyzOfLab(again).Y) - value)).toBeLessThanOrEqual(0.2);
      expect(difference).toBeCloseTo(deltaE00(from.dry, dry), 9);
      expect(difference).toBeGreaterThanOrEqual(1.5);
    }
  });

  test("no ratio stands twice, none has more than three paints or twelve parts, each has more or less of its paint", () => {
    const keys = all.map(({ mix }) => {
      const total = mix.reduce((sum, { parts }) => sum + parts, 0);
      return mix.map(({ paint: { id }, parts }) => `${id} ${(parts / total).toFixed(4)}`).join();
    });
    expect(new Set(keys).size).toBe(keys.length);
    for (const { mix, paint: more, added } of all) {
      const total = mix.reduce((sum, { parts }) => sum + parts, 0);
      expect(mix.length).toBeLessThanOrEqual(3);
      expect(total).toBeLessThanOrEqual(12);
      expect(mix.every(({ parts }) => parts === 0.25 || Number.isInteger(parts))).toBe(true);
      const share = (mix.find(({ paint: { id } }) => id === more.id)?.parts ?? 0) / total;
      const before = (grey.find(({ paint: { id } }) => id === more.id)?.parts ?? 0) / 3;
      expect(Math.sign(share - before)).toBe(Math.sign(added));
    }
  });

  test("of a mix of three each paint can be more, less or gone: there is a way to each side", () => {
    const three = laidMix([...grey, { paint: ochre, parts: 1 }], 4, paper);
    const ways = variationsOf(three.mix, 4, tray, 1, paper);
    expect(ways.some(({ added }) => added < 0)).toBe(true);
    expect(ways.some(({ mix }) => mix.length === 2)).toBe(true);
    for (const shift of SHIFTS) expect(shiftsOf(three, ways, shift).length, shift).toBeGreaterThan(0);
    expect(neighboursOf(three, ways).every(({ added }) => added > 0)).toBe(true);
  });

  test("a mix of three gets no fourth paint; one paint alone is varied by others, not by itself", () => {
    const three = [...grey, { paint: ochre, parts: 1 }];
    expect(new Set(variationsOf(three, 4, tray, 1, paper).map(({ paint: { id } }) => id))).not.toContain("PG18");
    const alone = variationsOf([{ paint: blue, parts: 1 }], 4, tray, 1, paper);
    expect(alone.length).toBeGreaterThan(0);
    expect(alone.every(({ paint: { id } }) => id !== "PB29")).toBe(true);
  });

  test("what can be laid at the size bounds the strength, but not below what is laid already", () => {
    for (const { waterParts } of variationsOf(grey, 8, tray, 1 / 6, paper))
      expect(waterParts).toBeGreaterThanOrEqual(5);
    expect(variationsOf(grey, 4, tray, 0.01, paper).length).toBeGreaterThan(0);
    expect(variationsOf(grey, 4, [], 1, paper)).toEqual([]);
  });
});

describe("what is chosen of them", () => {
  test("neighbours keep the hue, are told apart, and go from warm to cool", () => {
    const cloudy = laidMix(
      [
        { paint: green, parts: 2 },
        { paint: blue, parts: 1 },
      ],
      4,
      paper,
    );
    const near = neighboursOf(cloudy, variationsOf(cloudy.mix, 4, tray, 1, paper));
    expect(near.length).toBeGreaterThanOrEqual(2);
    expect(near.length).toBeLessThanOrEqual(5);
    near.forEach((one, i) => {
      expect(keepsHue(cloudy, one)).toBe(true);
      const turned = Math.abs(((lchOfLab(one.dry).h - lchOfLab(cloudy.dry).h + 540) % 360) - 180);
      expect(turned).toBeLessThanOrEqual(25);
      expect(deltaE00(cloudy.dry, one.dry)).toBeLessThanOrEqual(12);
      for (const other of near.slice(i + 1)) expect(deltaE00(one.dry, other.dry)).toBeGreaterThanOrEqual(3);
      if (i > 0) expect(one.temperature).toBeLessThanOrEqual(near[i - 1]!.temperature);
    });
  });

  test.each(SHIFTS)("each way to %s does what it says, by another paint each, the smallest first", (shift) => {
    const ways = shiftsOf(from, all, shift);
    expect(ways.length).toBeGreaterThan(0);
    expect(new Set(ways.map(({ paint: { id } }) => id)).size).toBe(ways.length);
    for (const way of ways) {
      expect(goes(shift, from, way)).toBeGreaterThanOrEqual(4);
      const smaller = all.filter(({ paint: { id }, difference }) => id === way.paint.id && difference < way.difference);
      expect(smaller.every((one) => goes(shift, from, one) < 4)).toBe(true);
    }
    expect(ways.map(({ difference }) => difference)).toEqual(
      ways.map(({ difference }) => difference).sort((a, b) => a - b),
    );
    expect(shiftsOf(from, all, shift, 200)).toEqual([]);
  });

  // Common practice, no source: the grey of a blue and a burnt earth is warmed by the earth and cooled by the blue.
  test("a grey of ultramarine and burnt sienna: sienna warms it, ultramarine cools it", () => {
    expect(shiftsOf(from, all, "warmer").map(({ paint: { id } }) => id)).toContain("PBr7-burnt-sienna");
    expect(shiftsOf(from, all, "cooler").map(({ paint: { id } }) => id)).toContain("PB29");
    expect(shiftsOf(from, all, "cooler").map(({ paint: { id } }) => id)).not.toContain("PY43");
  });

  // Common practice, no source: a large dark is not one colour; it is let run from a warm to a cool end.
  test("one dark, warm and cool: both as dark as it is, plainly apart, still one shape", () => {
    const dark = variationsOf(grey, 0.5, tray, 1, paper);
    const { warm, cool } = warmAndCool(dark)!;
    const value = laidMix(grey, 0.5, paper).value;
    expect(Math.abs(warm.value - value)).toBeLessThanOrEqual(0.2);
    expect(Math.abs(cool.value - value)).toBeLessThanOrEqual(0.2);
    expect(warm.temperature - cool.temperature).toBeGreaterThanOrEqual(8);
    expect(Math.max(warm.difference, cool.difference)).toBeLessThanOrEqual(14);
    expect(warmAndCool([])).toBeNull();
    expect(warmAndCool([warm])).toBeNull();
  });
});
