import { expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import { labOfXyz } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import { PAPERS } from "../optics/paper";
import { paintModel } from "../mixing/paint";
import { madeUpSwatches } from "../simulation/made-up-swatches";
import { fitPatches, patchOfSpectrum, type MeasuredPatch } from "./patches";
import { tinted } from "./tinted";

const { reflectance } = PAPERS[0];
const colour = (r: typeof reflectance) => labOfXyz(xyzOfReflectance(r));

test("a sheet gets the colour that was measured of it, in all three numbers, and stays smooth", () => {
  for (const lab of [
    { L: 93, a: 0.5, b: 9 },
    { L: 96, a: -0.5, b: -3 },
    { L: 88, a: 2, b: 14 },
  ]) {
    const cream = tinted(reflectance, lab);
    expect(deltaE00(colour(cream), lab)).toBeLessThan(1e-6);
    cream.slice(1).forEach((r, i) => expect(Math.abs(r - cream[i]!)).toBeLessThan(0.06));
  }
  expect(tinted(reflectance, { L: 60, a: 90, b: 60 })).toBe(reflectance);
});

test("typed colours of a paint on a cream sheet are fitted better when the bare sheet was typed too", () => {
  const base = paintModel("PB29", [{ pigmentId: "PB29", share: 1 }]);
  const swatches = madeUpSwatches([{ pigmentId: "PB29", share: 1 }], 3);
  const typed = (what: "wash" | "bare paper", swatch: number, water: number): MeasuredPatch => {
    const { reflectance: seen, ...patch } = patchOfSpectrum(what, swatch, water, swatches(what, swatch, water));
    // The sheet is of cream stock: a filter over all that is seen.
    const filter = tinted(
      Float64Array.from(seen!, () => 1),
      { L: 97, a: 0, b: 8 },
    );
    return { ...patch, lab: colour(Float64Array.from(seen!, (r, i) => r * filter[i]!)) };
  };
  const washes = [0, 6, 20].map((water, swatch) => typed("wash", swatch, water));
  const rmsOf = (patches: MeasuredPatch[]): number => {
    const fit = fitPatches(base, patches, PAPERS[0]);
    return "refused" in fit ? Infinity : fit.rms;
  };
  expect(rmsOf([...washes, typed("bare paper", 9, 0)])).toBeLessThan(0.6 * rmsOf(washes));
});
