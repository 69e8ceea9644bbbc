import { expect, test } from "vitest";
import { describeColour } from "../colour/describe";
import { paintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { correctedBy, type Correction } from "./correction";

const [paper] = PAPERS;
const pigments = [{ pigmentId: "PB29", share: 1 }];
const label = [{ paint: paintModel("ultramarine", pigments), parts: 1 }];
const valueOf = (mix: typeof label, waterParts: number): number =>
  describeColour(predict(mix, loadOfWater(waterParts), paper).dry).value;

test("a tube that is weaker than its label is set right: painted again as corrected it dries to the value meant", () => {
  for (const strength of [0.6, 0.8, 1.5]) {
    const tube = [{ paint: paintModel("tube", pigments, strength), parts: 1 }];
    const mended = correctedBy(label, 6, valueOf(tube, 6), paper) as Correction;
    expect(mended.paint).toBeCloseTo(1 / strength, 1);
    expect(Math.abs(valueOf(tube, mended.waterParts!) - valueOf(label, 6))).toBeLessThan(0.1);
  }
});

test("what came out as meant asks for nothing; what no strength explains or mends is told", () => {
  expect(correctedBy(label, 6, valueOf(label, 6), paper)).toBeNull();
  expect(correctedBy(label, 6, 9.9, paper)).toBe("beyond");
  expect(correctedBy(label, 6, 0.3, paper)).toBe("beyond");
  // Laid neat already, and half a value too light: one puddle can't be stronger, a coat more can.
  const coat = correctedBy(label, 0, valueOf(label, 0) + 0.5, paper) as Correction;
  expect(coat.waterParts).toBeNull();
  expect(coat.paint).toBeGreaterThan(1);
  expect(coat.paint).toBeLessThan(3);
  expect(correctedBy(label, 0, valueOf(label, 0) + 6, paper)).toBe("beyond");
});
