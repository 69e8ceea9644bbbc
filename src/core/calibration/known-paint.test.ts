import { expect, test } from "vitest";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { paintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { missOfKnown } from "./known-paint";
import type { MeasuredPatch } from "./patches";

const [paper] = PAPERS;
const typical = (id: string) => paintModel(id, [{ pigmentId: id, share: 1 }]);
const [blue, red] = [typical("PB29"), typical("PR101-light-red")];
/** Two washes of a paint, mixed stronger or weaker than meant. */
const washes = (hand: number, change: Partial<MeasuredPatch> = {}): MeasuredPatch[] =>
  [0, 6].map((waterParts, swatch) => ({
    what: "wash",
    swatch,
    waterParts,
    lab: predict([{ paint: blue, parts: 1 }], hand * loadOfWater(waterParts), paper).dry,
    ...change,
  }));

test("a known paint is met whatever the hand, another one or a tinted photo is not, and nothing tells nothing", () => {
  for (const hand of [0.7, 1, 1.4]) expect(missOfKnown(blue, washes(hand), paper)).toBeLessThan(0.6);
  expect(missOfKnown(red, washes(1), paper)).toBeGreaterThan(10);
  const tinted = washes(1).map((wash) => ({ ...wash, lab: { ...wash.lab, b: wash.lab.b + 10 } }));
  expect(missOfKnown(blue, tinted, paper)).toBeGreaterThan(2);
  expect(missOfKnown(blue, washes(1, { leftOut: true }), paper)).toBeNull();
});
