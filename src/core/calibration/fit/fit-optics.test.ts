import { describe, expect, test } from "vitest";
import { filmReflectance } from "../../optics/film";
import { PAPERS } from "../../optics/paper";
import { DRY_SURFACE } from "../../optics/surface";
import { textureOf } from "../../optics/texture";
import { pairFromSwatch } from "../../optics/swatch-inverse";
import { layerOverGround } from "../../optics/layer";
import { paintModel, type PaintModel } from "../../mixing/paint";
import type { Optics } from "../../pigments/optics";
import { WAVELENGTHS_NM, type Reflectance } from "../../colour/bands";
import { deltaE00 } from "../../colour/difference";
import { labOfXyz } from "../../colour/lab";
import { xyzOfReflectance } from "../../colour/xyz";
import { correctedOptics, CORRECTIONS } from "../../pigments/maker-variation";
import { fitOptics, type Ground, type Reading } from "./fit-optics";
import { likelyMiss } from "./likely-miss";

const paper = PAPERS[0];
const black = new Float64Array(36).fill(0.045);
const ground: Ground = { paper: paper.reflectance, black, roughness: paper.roughness };
const blackInside = black.map(
  (r) => (r - DRY_SURFACE.k1) / ((1 - DRY_SURFACE.k1) * (1 - DRY_SURFACE.k2) + DRY_SURFACE.k2 * (r - DRY_SURFACE.k1)),
);
const LOADS = [1, 0.4, 0.143, 0.048, 0.4];

const seen = ({ K, S }: Optics, load: number, granulation: number, over: "paper" | "black" = "paper"): Reflectance =>
  filmReflectance(
    K,
    S,
    load,
    over === "paper" ? paper.ground : blackInside,
    DRY_SURFACE,
    textureOf(paper.roughness, granulation),
    1,
    new Float64Array(36),
  );
const lab = (r: Reflectance) => labOfXyz(xyzOfReflectance(r));

/** A whole row of swatches of a paint whose optics are known. */
function readingsOf(optics: Optics, granulation: number, spectra: boolean, hand = [1, 1, 1, 1, 1]): Reading[] {
  const one = (puddle: number, over: "paper" | "black"): Reading => {
    const reflectance = seen(optics, LOADS[puddle]! * hand[puddle]!, granulation, over);
    return { puddle, meantLoad: LOADS[puddle]!, over, lab: lab(reflectance), ...(spectra ? { reflectance } : {}) };
  };
  return [0, 1, 2, 3, 4].map((puddle) => one(puddle, "paper")).concat(one(4, "black"));
}

/** Three bands (blue to 490, green to 580, red beyond) drawn into each other over 30 nm. */
const spread = ([r, g, b]: readonly number[]): Float64Array =>
  Float64Array.from(WAVELENGTHS_NM, (nm) => {
    const step = (at: number): number => 1 / (1 + Math.exp((nm - at) / 9));
    return b! * step(490) + g! * (1 - step(490)) * step(580) + r! * (1 - step(580));
  });

// K and S in red, green and blue of Curtis, Anderson, Seims, Fleischer and Salesin (1997),
// "Computer-generated watercolor", table of sample pigments, typed from memory; each with the
// handbook's pigment that a painter would take it for.
const CURTIS: readonly (readonly [name: string, pigment: string, K: readonly number[], S: readonly number[]])[] = [
  ["quinacridone rose", "PV19-rose", [0.22, 1.47, 0.57], [0.05, 0.003, 0.03]],
  ["Indian red", "PR101-light-red", [0.46, 1.07, 1.5], [1.28, 0.38, 0.21]],
  ["cadmium yellow", "PY35", [0.1, 0.36, 3.45], [0.97, 0.65, 0.007]],
  ["cerulean blue", "PB35", [1.52, 0.32, 0.25], [0.06, 0.26, 0.4]],
  ["burnt umber", "PBr7-burnt-umber", [0.74, 1.54, 2.1], [0.09, 0.09, 0.004]],
  ["phthalo green", "PG7", [1.55, 0.47, 0.63], [0.01, 0.05, 0.035]],
  ["French ultramarine", "PB29", [0.86, 0.86, 0.06], [0.005, 0.005, 0.09]],
];

describe("the fit on the K and S that Curtis et al. (1997) published as truth", () => {
  test.each(CURTIS)(
    "%s: unseen strengths are met from Lab and better from spectra, far nearer than by the handbook",
    (_, pigment, K, S) => {
      const truth: Optics = { K: spread(K), S: spread(S) };
      const base = paintModel(pigment, [{ pigmentId: pigment, share: 1 }]);
      const missOf = (optics: Optics): number =>
        Math.max(
          ...[0.7, 0.25, 0.09].map((load) =>
            deltaE00(lab(seen(optics, load, base.granulation)), lab(seen(truth, load, base.granulation))),
          ),
        );
      const fromLab = missOf(fitOptics(base, readingsOf(truth, base.granulation, false), ground).optics);
      const fromSpectra = missOf(fitOptics(base, readingsOf(truth, base.granulation, true), ground).optics);
      expect(fromLab).toBeLessThan(3);
      expect(fromSpectra).toBeLessThan(2);
      expect(fromLab).toBeLessThan(0.4 * missOf(base.optics));
    },
  );

  test("K in their three bands comes back from spectra, where the paint absorbs at all, to within a quarter", () => {
    for (const [, pigment, K, S] of CURTIS) {
      const base = paintModel(pigment, [{ pigmentId: pigment, share: 1 }]);
      const { optics } = fitOptics(base, readingsOf({ K: spread(K), S: spread(S) }, base.granulation, true), ground);
      [640, 530, 440].forEach((nm, c) => {
        const i = WAVELENGTHS_NM.indexOf(nm);
        if (K[c]! > 0.3) expect(Math.abs(Math.log(optics.K[i]! / K[c]!))).toBeLessThan(Math.log(1.35));
      });
    }
  });

  test("over ideal grounds the film gives the reflectances from which their own formula takes the pair back", () => {
    for (const [, , K, S] of CURTIS) {
      for (let c = 0; c < 3; c++) {
        const back = pairFromSwatch(layerOverGround(K[c]!, S[c]!, 1, 1 - 1e-12), layerOverGround(K[c]!, S[c]!, 1, 0));
        expect(back.K).toBeCloseTo(K[c]!, 1);
      }
    }
  });
});

describe("what a fit makes of its readings", () => {
  const base = paintModel("PB29", [{ pigmentId: "PB29", share: 1 }]);
  /** Another maker's: stronger, its window moved, more scattering. */
  const other = (): Optics => {
    const weights = new Float64Array(CORRECTIONS);
    weights.set([0.2, -0.15, 0.1, 0.12]);
    weights[CORRECTIONS - 2] = 0.5;
    return correctedOptics(base.optics, weights);
  };

  test("the handbook's own paint stays the handbook's", () => {
    const { optics, rms } = fitOptics(base, readingsOf(base.optics, base.granulation, false), ground);
    expect(rms).toBeLessThan(0.2);
    for (const load of [0.8, 0.2, 0.05])
      expect(
        deltaE00(lab(seen(optics, load, base.granulation)), lab(seen(base.optics, load, base.granulation))),
      ).toBeLessThan(0.3);
  });

  test("a puddle mixed half as strong again is found out, and hardly moves the paint", () => {
    const truth = other();
    const { optics, loads } = fitOptics(base, readingsOf(truth, base.granulation, false, [1, 1.5, 1, 1, 1]), ground);
    expect(loads.get(1)! / LOADS[1]!).toBeGreaterThan(1.25);
    for (const puddle of [0, 2, 3]) expect(Math.abs(Math.log(loads.get(puddle)! / LOADS[puddle]!))).toBeLessThan(0.15);
    expect(deltaE00(lab(seen(optics, 0.2, base.granulation)), lab(seen(truth, 0.2, base.granulation)))).toBeLessThan(2);
  });

  test("scattering comes from the black line: without it opacity stays as unknown as it was", () => {
    const truth = other();
    const all = readingsOf(truth, base.granulation, false);
    const overBlack = (optics: Optics): number =>
      deltaE00(lab(seen(optics, 0.7, base.granulation, "black")), lab(seen(truth, 0.7, base.granulation, "black")));
    const withLine = overBlack(fitOptics(base, all, ground).optics);
    const without = overBlack(fitOptics(base, all.slice(0, 5), { ...ground, black: null }).optics);
    expect(withLine).toBeLessThan(0.5);
    expect(without).toBeGreaterThan(2 * withLine);
  });

  test("a channel that the photo cut off is not taken for measured", () => {
    const green = paintModel("PG7", [{ pigmentId: "PG7", share: 1 }]);
    const readings = readingsOf(green.optics, green.granulation, false);
    // Red cut off at nothing: the colour is read lighter and less green than it is.
    const spoiled = readings.map((reading, i): Reading =>
      i < 2 ? { ...reading, lab: { ...reading.lab, L: reading.lab.L + 3, a: reading.lab.a + 18 } } : reading,
    );
    const missOf = (list: Reading[]): number =>
      deltaE00(
        lab(seen(fitOptics(green, list, ground).optics, 0.6, green.granulation)),
        lab(seen(green.optics, 0.6, green.granulation)),
      );
    const believed = missOf(spoiled);
    const knowing = missOf(
      spoiled.map((reading, i): Reading => (i < 2 ? { ...reading, cutOff: [true, false, false] } : reading)),
    );
    expect(knowing).toBeLessThan(0.7 * believed);
  });

  test("more swatches make surer, and less light from one wash", () => {
    const all = readingsOf(other(), base.granulation, false);
    const missWith = (list: Reading[]): number => likelyMiss(base, fitOptics(base, list, ground), ground);
    const [one, two, whole] = [missWith([all[1]!]), missWith([all[0]!, all[2]!]), missWith(all)];
    expect(one).toBeGreaterThan(two);
    expect(two).toBeGreaterThan(whole);
    expect(whole).toBeGreaterThan(0.5);
    expect(whole).toBeLessThan(2);
  });

  test("nothing read is nothing to fit; a swatch over black needs the bare black", () => {
    expect(() => fitOptics(base, [], ground)).toThrow(RangeError);
    expect(() => fitOptics(base, readingsOf(base.optics, base.granulation, false), { ...ground, black: null })).toThrow(
      /black/,
    );
  });
});

test("corrections of nothing leave the handbook's optics, all but a trace", () => {
  const model: PaintModel = paintModel("PY154", [{ pigmentId: "PY154", share: 1 }]);
  const { K } = correctedOptics(model.optics, new Float64Array(CORRECTIONS));
  K.forEach((k, i) => expect(k - model.optics.K[i]!).toBeLessThan(0.007 * Math.max(...model.optics.K)));
});
