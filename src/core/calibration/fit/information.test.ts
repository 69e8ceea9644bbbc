import { describe, expect, test } from "vitest";
import { paintModel } from "../../mixing/paint";
import { deviationOf } from "../../numeric/least-squares";
import { solveLinear } from "../../numeric/solve";
import { loadOfWater } from "../../optics/load";
import { PAPERS } from "../../optics/paper";
import { CORRECTIONS, LIKELY } from "../../pigments/maker-variation";
import { madeUpSwatches } from "../../simulation/made-up-swatches";
import { labOfXyz } from "../../colour/lab";
import { xyzOfReflectance } from "../../colour/xyz";
import { informationOfPatches } from "../patches";
import { fitOptics, type Reading } from "./fit-optics";
import { informationOf } from "./information";

const paint = paintModel("PB29", [{ pigmentId: "PB29", share: 1 }]);
const ground = { paper: PAPERS[0].reflectance, black: null, roughness: PAPERS[0].roughness };
const swatches = madeUpSwatches([{ pigmentId: "PB29", share: 1 }], 4);
const readings = [0, 1.5, 4, 10].map((water, i): Reading => ({
  puddle: i,
  meantLoad: loadOfWater(water),
  over: "paper",
  lab: labOfXyz(xyzOfReflectance(swatches("wash", i, water))),
}));
// As a fit that meets its readings just as was expected: then nothing is scaled.
const fit = { ...fitOptics(paint, readings, ground), reducedChiSquare: 1 };
const { precision, pull } = informationOf(fit);
const withPrior = Array.from({ length: CORRECTIONS }, (_, i) =>
  Array.from({ length: CORRECTIONS }, (_c, j) => precision[i * CORRECTIONS + j]! + (i === j ? 1 / LIKELY[i]! ** 2 : 0)),
);

describe("what a card's readings say beside the prior of its fit", () => {
  test("with that prior put back they give the fit's own best point", () => {
    solveLinear(withPrior, [...pull])!.forEach((value, i) => expect(value).toBeCloseTo(fit.solution.at[i]!, 5));
  });

  test("and its own uncertainty, the loads left open", () => {
    for (const i of [0, 1, 5, CORRECTIONS - 1]) {
      const unit = Array.from({ length: CORRECTIONS }, (_, j) => Number(i === j));
      const variance = solveLinear(withPrior, unit)![i]!;
      const whole = Float64Array.from({ length: fit.solution.at.length }, (_, j) => Number(i === j));
      expect(Math.sqrt(variance)).toBeCloseTo(deviationOf(fit.solution.slopes, whole), 5);
    }
  });

  test("a fit that meets its readings badly says less", () => {
    const { precision: loose } = informationOf({ ...fit, reducedChiSquare: 4 });
    expect(loose[0]! / precision[0]!).toBeLessThan(0.2);
  });

  test("one wash, or other pigments, say nothing", () => {
    const patches = readings.map(({ lab, puddle }) => ({
      what: "wash" as const,
      swatch: puddle,
      waterParts: [0, 1.5, 4, 10][puddle]!,
      lab,
    }));
    expect(informationOfPatches(paint, patches, PAPERS[0])).not.toBeNull();
    expect(informationOfPatches(paint, patches.slice(0, 1), PAPERS[0])).toBeNull();
    const red = paintModel("PR254", [{ pigmentId: "PR254", share: 1 }]);
    expect(informationOfPatches(red, patches, PAPERS[0])).toBeNull();
  });
});
