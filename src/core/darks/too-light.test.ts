import { describe, expect, test } from "vitest";
import { describeColour } from "../colour/describe";
import { paintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { BRUSHES } from "../planning/brushes";
import { cameOut, SQUEEZED, waterWith } from "./too-light";

const paper = PAPERS[0];
const paint = (id: string) => paintModel(id, [{ pigmentId: id, share: 1 }]);
const mix = [
  { paint: paint("PB29"), parts: 2 },
  { paint: paint("PBr7-burnt-umber"), parts: 1 },
];
const planned = predict(mix, loadOfWater(1), paper);
const value = describeColour(planned.dry).value;
const [, brush] = BRUSHES;
const [, pea, bean] = SQUEEZED;
const of = (slip: string, brushMl: number = brush.ml, paintMl: number = pea.ml) =>
  cameOut(mix, 1, brushMl, paintMl, paper).find((one) => one.slip === slip)!;

describe("water that comes in", () => {
  test("volume and pigment are conserved", () => {
    // 0.2 ml of paint in 0.4 ml of water, and 0.3 ml more: 0.7 ml of water to 0.2 of paint.
    expect(waterWith(2, 0.2, 0.3)).toBeCloseTo(3.5, 12);
    // Half of the 0.2 ml was water: 0.1 ml of paint in 0.4 + 0.1 ml.
    expect(waterWith(2, 0.2, 0, 0.5)).toBeCloseTo(5, 12);
    expect(waterWith(2, 0.2, 0)).toBe(2);
    // Paint for two thirds of the shape, topped up to all of it: two thirds of the load.
    expect(loadOfWater(of("topped up").waterParts)).toBeCloseTo((2 / 3) * loadOfWater(1), 12);
  });

  test("a larger brush brings more, a larger puddle minds less", () => {
    expect(of("wet brush", BRUSHES[2].ml).value).toBeGreaterThan(of("wet brush").value);
    expect(of("wet brush", brush.ml, bean.ml).value).toBeLessThan(of("wet brush").value);
  });
});

describe("what comes out", () => {
  test("every slip makes it lighter than it was meant, and each is what is predicted at its strength", () => {
    const all = cameOut(mix, 1, brush.ml, pea.ml, paper);
    expect(new Set(all.map(({ slip }) => slip)).size).toBe(7);
    for (const { value: got, waterParts, dry } of all) {
      expect(got).toBeGreaterThan(value);
      expect(predict(mix, loadOfWater(waterParts), paper).dry).toEqual(dry);
    }
    expect(all.map((one) => one.value)).toEqual(all.map((one) => one.value).sort((a, b) => b - a));
  });

  // Common practice, no source: dabbed paint looks darker than drawn-out paint, and wet paint than dry.
  test("taken for right as a dab, wet or in the well, it looked there as it was meant to dry", () => {
    const looks = {
      dabbed: predict(mix, 2 * loadOfWater(of("dabbed").waterParts), paper).dry,
      wet: predict(mix, loadOfWater(of("wet").waterParts), paper).wet,
      "in the well": predict(mix, 4 * loadOfWater(of("in the well").waterParts), paper).wet,
    };
    for (const [slip, look] of Object.entries(looks)) expect(describeColour(look).value, slip).toBeCloseTo(value, 2);
    expect(of("in the well").value).toBeGreaterThan(of("dabbed").value);
    expect(of("dabbed").value).toBeGreaterThan(of("wet").value);
  });
});
