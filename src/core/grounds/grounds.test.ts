import { describe, expect, test } from "vitest";
import { describeColour } from "../colour/describe";
import { deltaE00 } from "../colour/difference";
import { lightnessOfValue } from "../colour/munsell-value";
import { paintModel, type PaintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { GROUND_TONES, groundsFor, liftOf, standsOut } from "./grounds";

const paper = PAPERS[0];
const paint = (id: string): PaintModel => paintModel(id, [{ pigmentId: id, share: 1 }]);
const tray = ["PB29", "PB35", "PG18", "PO49", "PR255", "PBr7-burnt-sienna"].map(paint);
/** A warm, clear orange of middle value. */
const subject = { L: lightnessOfValue(5), a: 30, b: 40 };
const grounds = groundsFor(subject, tray, 1, paper);

describe("by what a ground lifts", () => {
  // Common practice, no source: a warm subject stands out on a cool ground of the same value.
  test("a warm subject stands out on a cool ground of its own value, and not on its like", () => {
    const cool = { L: subject.L, a: -10, b: -25 };
    expect(standsOut(liftOf(subject, cool))).toBeGreaterThan(0.3);
    expect(standsOut(liftOf(subject, subject))).toBe(0);
    expect(liftOf(subject, cool)).toMatchObject({ hue: "opposite" });
    expect(liftOf(subject, subject).hue).toBe("related");
    expect(liftOf(subject, { L: 50, a: 1, b: 1 }).hue).toBe("none");
  });

  test("more of a difference never stands out less; a purer ground takes away", () => {
    const at = (value: number, b: number) => standsOut(liftOf(subject, { L: lightnessOfValue(value), a: 0, b }));
    expect(at(7, 0)).toBeGreaterThan(at(6, 0));
    expect(at(6, 0)).toBeGreaterThan(at(5.2, 0));
    const dull = { L: subject.L, a: 0, b: 0 };
    expect(standsOut(liftOf(dull, { ...dull, a: 40 }))).toBeLessThanOrEqual(
      standsOut(liftOf({ ...dull, a: 40 }, dull)),
    );
  });
});

describe("grounds of a palette", () => {
  test("light, middle and dark ones, up to three each, the best first and unlike each other", () => {
    for (const [tone, value] of [
      ["light", 8],
      ["middle", 6],
      ["dark", 3.5],
    ] as const) {
      const of = grounds.filter((ground) => ground.tone === tone);
      expect(of.length, tone).toBeGreaterThan(0);
      expect(of.length).toBeLessThanOrEqual(3);
      expect(of.map(({ score }) => score)).toEqual(of.map(({ score }) => score).sort((a, b) => b - a));
      of.forEach((one, i) => {
        expect(Math.abs(one.value - value)).toBeLessThanOrEqual(0.2);
        for (const other of of.slice(i + 1)) expect(deltaE00(one.dry, other.dry)).toBeGreaterThanOrEqual(8);
      });
    }
  });

  test("each is what is predicted again, of two paints at most; the best middle one is cool behind a warm subject", () => {
    for (const { mix, waterParts, dry } of grounds) {
      expect(mix.length).toBeLessThanOrEqual(2);
      expect(deltaE00(predict(mix, loadOfWater(waterParts), paper).dry, dry)).toBeLessThan(1e-9);
    }
    expect(describeColour(grounds.find(({ tone }) => tone === "middle")!.dry).temperature).toBeLessThan(0);
  });

  test("a warm ground behind a cooler subject is told to come forward", () => {
    const behind = groundsFor({ L: lightnessOfValue(6), a: -5, b: -25 }, ["PO49", "PR255"].map(paint), 1, paper);
    expect(behind.length).toBeGreaterThan(0);
    expect(behind.filter(({ temperature }) => temperature >= 12).every(({ comesForward }) => comesForward)).toBe(true);
    expect(groundsFor(subject, [], 1, paper)).toEqual([]);
    expect(GROUND_TONES).toHaveLength(3);
  });
});
