import { expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { PAPERS } from "../optics/paper";
import { comesOut } from "./comes-out";
import { HANDS } from "./hand";
import { paintModel, type PaintModel } from "./paint";
import { predict } from "./predict";

const paper = PAPERS[0];
const paint = (id: string): PaintModel => paintModel(id, [{ pigmentId: id, share: 1 }]);
const measured = (id: string): PaintModel => ({
  ...paint(id),
  measured: { miss: 1.2, loads: [0.05, 1], on: "2026-11-26", way: "card" },
});
const green = [
  { paint: paint("PY43"), parts: 6 },
  { paint: paint("PB15-green-shade"), parts: 0.5 },
];
const { dry } = predict(green, 0.2, paper);

test("its three sources add up as squares; a mix that is right at once still has hand and paints", () => {
  const off: Lab = { ...dry, L: dry.L + 6 };
  for (const target of [dry, off]) {
    const { rms, median, p90, from } = comesOut(target, green, 0.2, paper, HANDS.usual);
    expect(rms).toBeCloseTo(Math.hypot(from.reach, from.hand, from.paints), 9);
    expect(from.reach).toBeCloseTo(deltaE00(target, dry), 9);
    expect([from.hand, from.paints].every((part) => part > 1)).toBe(true);
    expect(p90).toBeGreaterThan(median);
  }
});

test("a careful hand and measured paints each take away their own part", () => {
  const of = (mix: typeof green, hand: (typeof HANDS)[keyof typeof HANDS]) => comesOut(dry, mix, 0.2, paper, hand).from;
  const known = green.map((part) => ({ ...part, paint: measured(part.paint.id) }));
  expect(of(green, HANDS.careful).hand).toBeLessThan(0.7 * of(green, HANDS.loose).hand);
  expect(of(green, HANDS.careful).paints).toBe(of(green, HANDS.loose).paints);
  expect(of(known, HANDS.usual).paints).toBeLessThan(0.4 * of(green, HANDS.usual).paints);
  expect(of(known, HANDS.usual).hand).toBeCloseTo(of(green, HANDS.usual).hand, 9);
  expect(comesOut(dry, known, 0.2, paper, HANDS.usual).basis).toBe("measured");
});

test("the phthalo in an ochre is the part to mind, and more of it does what it is said to (common practice, no source)", () => {
  const { delicate } = comesOut(dry, green, 0.2, paper, HANDS.usual);
  expect(delicate?.paintId).toBe("PB15-green-shade");
  expect(delicate?.words.join()).toMatch(/darker|cooler|leaning to/);
  const more = green.map((part, i) => ({ ...part, parts: part.parts * (i === 1 ? 1.4 : 1) }));
  expect(predict(more, 0.2, paper).dry.b).toBeLessThan(dry.b);
});

test("of one paint alone the water is all that a hand can miss; a thin wash has no part to mind", () => {
  const alone = [{ paint: paint("PB29"), parts: 1 }];
  const at = (load: number) => comesOut(predict(alone, load, paper).dry, alone, load, paper, HANDS.loose);
  expect(at(0.3).delicate).toMatchObject({ paintId: null });
  expect(at(0.3).delicate?.words.join()).toContain("darker");
  expect(comesOut(predict(alone, 0.02, paper).dry, alone, 0.02, paper, HANDS.careful).delicate).toBeNull();
});
