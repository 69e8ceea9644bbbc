import { describe, expect, test } from "vitest";
import { loadOfWater } from "../optics/load";
import { PAPERS } from "../optics/paper";
import { paintModel, type PaintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { madeUpSwatches } from "../simulation/made-up-swatches";
import { deltaE00 } from "../colour/difference";
import { labOfXyz } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import { paintChange } from "./change";
import { fitPatches, patchOfSpectrum, type MeasuredPatch, type PaintFit, type PatchKind } from "./patches";
import { CARD_WATER } from "./washes";

const paper = PAPERS[0];
const base = paintModel("rose", [{ pigmentId: "PV19-rose", share: 1 }]);
const swatches = madeUpSwatches([{ pigmentId: "PV19-rose", share: 1 }], 6);
const PLACES: readonly (readonly [PatchKind, number])[] = [
  ["bare paper", 0],
  ["wash", 0],
  ["wash", 1],
  ["wash", 2],
  ["wash", 3],
  ["across on paper", 4],
  ["across on line", 4],
  ["bare line", 4],
];
const spectra = PLACES.map(([what, swatch]) =>
  patchOfSpectrum(what, swatch, CARD_WATER[swatch]!, swatches(what, swatch, CARD_WATER[swatch]!)),
);
const typed = spectra.map(({ reflectance: _reflectance, ...patch }): MeasuredPatch => patch);
const fitOf = (patches: readonly MeasuredPatch[], model: PaintModel = base): PaintFit => {
  const fit = fitPatches(model, patches, paper);
  if ("refused" in fit) throw new Error(fit.refused.code);
  return fit;
};
const truthAt = (water: number): ReturnType<typeof labOfXyz> => labOfXyz(xyzOfReflectance(swatches("wash", 7, water)));
const missAt = (fit: Pick<PaintFit, "optics"> | PaintModel, water: number): number =>
  deltaE00(
    predict([{ paint: { ...base, optics: fit.optics }, parts: 1 }], loadOfWater(water), paper).dry,
    truthAt(water),
  );

describe("a paint fitted to patches of any way in", () => {
  test("typed colours and spectra alike meet an unseen strength better than the handbook", () => {
    for (const patches of [typed, spectra])
      for (const water of [3, 10])
        expect(missAt(fitOf(patches), water)).toBeLessThan(Math.max(1.5, 0.5 * missAt(base, water)));
  });

  test("every wash has its fitted colour and load; the grounds have none", () => {
    const { fitted, loads } = fitOf(spectra);
    expect(fitted.map((one) => one === null)).toEqual(PLACES.map(([what]) => what.startsWith("bare")));
    expect(fitted[5]!.load).toBe(fitted[6]!.load);
    expect(loads[0]).toBeLessThan(0.07);
    expect(loads[1]).toBeGreaterThan(0.7);
  });

  test("what is left out doesn't count, and what is left in goes on without it", () => {
    const wrong = typed.map((patch, i): MeasuredPatch =>
      i === 2 ? { ...patch, lab: { L: 60, a: -40, b: 30 } } : patch,
    );
    const out = fitOf(wrong.map((patch, i) => (i === 2 ? { ...patch, leftOut: true } : patch)));
    expect(out.fitted[2]).toBeNull();
    expect(missAt(out, 3)).toBeLessThan(2);
    const without = fitOf(typed.map((patch) => (patch.what === "bare line" ? { ...patch, leftOut: true } : patch)));
    expect(without.fitted[6]).toBeNull();
  });

  test("the sheet's own colour is what everything stands on", () => {
    const darker = typed.map((patch): MeasuredPatch =>
      patch.what === "bare paper" ? { ...patch, lab: { ...patch.lab, L: patch.lab.L - 6 } } : patch,
    );
    const pale = (fit: PaintFit): number => fit.optics.K.reduce((sum, k) => sum + k, 0);
    expect(pale(fitOf(darker))).toBeLessThan(pale(fitOf(typed)));
  });

  test("one wash is too little; a line too pale to be black is not used", () => {
    expect(fitPatches(base, typed.slice(0, 2), paper)).toMatchObject({ refused: { code: "too few washes" } });
    const grey = typed.map((patch): MeasuredPatch =>
      patch.what === "bare line" ? { ...patch, lab: { L: 60, a: 0, b: 0 } } : patch,
    );
    expect(fitOf(grey).fitted[6]).toBeNull();
  });

  test.each(["PG7", "PY154", "PB15-green-shade"])(
    "another paint altogether (%s) is doubted or refused",
    (pigmentId) => {
      const fit = fitPatches(paintModel(pigmentId, [{ pigmentId, share: 1 }]), typed, paper);
      expect("refused" in fit ? fit.refused.code : fit.doubted).toSatisfy(
        (told: unknown) => told === true || told === "other pigments",
      );
    },
  );

  test("the right paint of any of twenty makers is neither", () => {
    for (let maker = 30; maker < 50; maker++) {
      const own = madeUpSwatches([{ pigmentId: "PV19-rose", share: 1 }], maker);
      const fit = fitOf(
        PLACES.map(([what, swatch]): MeasuredPatch => {
          const { reflectance: _reflectance, ...patch } = patchOfSpectrum(
            what,
            swatch,
            CARD_WATER[swatch]!,
            own(what, swatch, CARD_WATER[swatch]!),
          );
          return patch;
        }),
      );
      expect(fit.doubted).toBe(false);
    }
  });
});

describe("two measurements of a paint", () => {
  const measured = (fit: PaintFit, on: string): PaintModel =>
    paintModel(`rose ${on}`, [{ pigmentId: "PV19-rose", share: 1 }], 1, {
      K: [...fit.optics.K],
      S: [...fit.optics.S],
      miss: fit.miss,
      loads: fit.loads,
      on,
      way: "photo",
    });
  const fit = fitOf(spectra);
  const spring = measured(fit, "2026-04-12");
  const scaled = (share: number): PaintFit => ({
    ...fit,
    optics: { K: fit.optics.K.map((k) => share * k), S: fit.optics.S },
  });

  test("of the same swatches are the same", () => {
    const change = paintChange(spring, measured(fit, "2026-10-03"), paper);
    expect(change.verdict).toBe("the same");
    expect(change.dE00).toBeLessThan(1e-6);
  });
  test("with colour gone from the washes: faded", () => {
    const change = paintChange(spring, measured(scaled(0.45), "2026-10-03"), paper);
    expect(change.verdict).toBe("faded");
    expect(change.at[1]!.words.join()).toMatch(/lighter/);
  });
  test("stronger than before: another formula or batch, no fading", () => {
    expect(paintChange(spring, measured(scaled(1.8), "2026-10-03"), paper).verdict).toBe("changed");
  });
  test("within what both may miss nothing is claimed", () => {
    expect(paintChange(spring, measured(scaled(0.97), "2026-10-03"), paper).verdict).toBe("the same");
  });
});
