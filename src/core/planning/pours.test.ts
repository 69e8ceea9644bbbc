import { expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import { predictGlaze } from "../mixing/glaze";
import { paintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { choosePours, type PouredArea } from "./pours";

const [paper] = PAPERS;
const paint = (id: string) => paintModel(id, [{ pigmentId: id, share: 1 }]);
const [yellow, blue, rose] = [paint("PY150"), paint("PB29"), paint("PV19-rose")];
const area = (id: string, lab: PouredArea["lab"], share = 0.25): PouredArea => ({ id, lab, share });

test("a sheet that is one pale wash all over is found as that pour, at its strength, and nothing is left of the way", () => {
  const mist = predict([{ paint: blue, parts: 1 }], loadOfWater(20), paper).dry;
  const found = choosePours([area("mist", mist)], [yellow, blue, rose], paper)!;
  expect(found.pours.map(({ paint: { id }, waterParts }) => [id, waterParts])).toEqual([["PB29", 20]]);
  expect(found.done).toBeGreaterThan(0.95);
  expect(found).toMatchObject({ lights: [], shows: ["mist"] });
});

test("two pours over each other are found as the stack that they are", () => {
  const both = predictGlaze(
    [yellow, rose].map((one) => ({ mix: [{ paint: one, parts: 1 }], load: loadOfWater(20) })),
    paper,
  );
  const { pours } = choosePours([area("glow", both)], [yellow, blue, rose], paper, 2)!;
  expect(deltaE00(pours[1]!.dry, both)).toBeLessThan(1);
  expect(new Set(pours.map(({ paint: { id } }) => id))).toEqual(new Set(["PY150", "PV19-rose"]));
});

test("lights that a pour would drown are told, and keep it pale; asked for three, three are given", () => {
  const white = predict([{ paint: blue, parts: 1 }], 0, paper).dry;
  const dusk = predict([{ paint: blue, parts: 1 }], loadOfWater(6), paper).dry;
  const dark = choosePours([area("dusk", dusk, 0.9), area("window", white, 0.02)], [blue], paper)!;
  expect(dark.lights.map(({ id }) => id)).toEqual(["window"]);
  const light = choosePours([area("dusk", dusk, 0.4), area("cloud", white, 0.6)], [blue], paper)!;
  expect(light.pours.length === 0 || light.pours[0]!.dry.L > dark.pours[0]!.dry.L).toBe(true);
  expect(choosePours([area("dusk", dusk)], [yellow, blue, rose], paper, 3)!.pours).toHaveLength(3);
});

test("nothing to pour on, or nothing to pour with, is no pour", () => {
  expect(choosePours([], [blue], paper)).toBeNull();
  expect(choosePours([area("a", { L: 50, a: 0, b: 0 })], [], paper)).toBeNull();
});
