import { describe, expect, test } from "vitest";
import { PAPERS } from "../../optics/paper";
import { paintModel } from "../../mixing/paint";
import { madeUpSwatches } from "../../simulation/made-up-swatches";
import { deltaE00 } from "../../colour/difference";
import { labOfXyz, xyzOfLab } from "../../colour/lab";
import { linearSrgbOfXyz, xyzOfLinearSrgb } from "../../colour/srgb";
import { xyzOfReflectance } from "../../colour/xyz";
import type { Lab } from "../../colour/colour";
import { patchOfSpectrum, withoutCrosstalk, type MeasuredPatch, type PatchKind } from "../patches";
import { CARD_WATER } from "../washes";
import { withoutCrosstalkOf, type Crosstalk } from "./fit-crosstalk";

const paper = PAPERS[0];
const white = linearSrgbOfXyz(xyzOfReflectance(paper.reflectance));
/** A camera that reads greens too red and blues too green: a matrix made for ordinary colours. */
const MIX: Crosstalk = [0.01, 0, 0.05, 0, 0.01, 0.02];
const seenBy = (mix: Crosstalk, lab: Lab): Lab => {
  const { r, g, b } = linearSrgbOfXyz(xyzOfLab(lab));
  const [R, G, B] = [r / white.r, g / white.g, b / white.b];
  return labOfXyz(
    xyzOfLinearSrgb({
      r: white.r * (R + mix[0] * (G - R) + mix[1] * (B - R)),
      g: white.g * (G + mix[2] * (R - G) + mix[3] * (B - G)),
      b: white.b * (B + mix[4] * (R - B) + mix[5] * (G - B)),
    }),
  );
};

const PLACES: readonly (readonly [PatchKind, number])[] = [
  ["wash", 0],
  ["wash", 1],
  ["wash", 2],
  ["wash", 3],
  ["across on paper", 4],
  ["across on line", 4],
  ["bare line", 4],
];
const card = ["PBr7-burnt-sienna", "PB28", "PV19-rose", "PG18"].map((pigmentId, i) => {
  const swatches = madeUpSwatches([{ pigmentId, share: 1 }], 60 + i);
  const truth = PLACES.map(([what, swatch]): MeasuredPatch => {
    const { reflectance: _reflectance, ...patch } = patchOfSpectrum(
      what,
      swatch,
      CARD_WATER[swatch],
      swatches(what, swatch, CARD_WATER[swatch]),
    );
    return patch;
  });
  return { base: paintModel(pigmentId, [{ pigmentId, share: 1 }]), truth };
});
const missOf = (patches: readonly (readonly MeasuredPatch[])[]): number => {
  const misses = patches.flatMap((row, i) => row.slice(0, 5).map(({ lab }, k) => deltaE00(lab, card[i].truth[k].lab)));
  return misses.reduce((sum, miss) => sum + miss, 0) / misses.length;
};
const photographed = (mix: Crosstalk) =>
  card.map(({ base, truth }) => ({ base, patches: truth.map((patch) => ({ ...patch, lab: seenBy(mix, patch.lab) })) }));

describe("what a camera mixes of its channels", () => {
  test("is undone exactly when it is known, and leaves paper as it is", () => {
    for (const { truth } of card)
      for (const { lab } of truth)
        expect(deltaE00(withoutCrosstalkOf(seenBy(MIX, lab), MIX, paper.reflectance), lab)).toBeLessThan(1e-6);
    const bare = labOfXyz(xyzOfReflectance(paper.reflectance));
    expect(deltaE00(withoutCrosstalkOf(bare, MIX, paper.reflectance), bare)).toBeLessThan(1e-6);
  });

  test("is told from four paints of one card well enough to take a quarter of its error away", () => {
    const shot = photographed(MIX);
    expect(missOf(withoutCrosstalk(shot, paper))).toBeLessThan(0.75 * missOf(shot.map(({ patches }) => patches)));
  });

  test("a true camera is hardly touched", () => {
    expect(missOf(withoutCrosstalk(photographed([0, 0, 0, 0, 0, 0]), paper))).toBeLessThan(0.8);
  });

  test("nothing to go by, nothing changed", () => {
    expect(withoutCrosstalk([], paper)).toEqual([]);
    const [only] = photographed(MIX);
    const out = only.patches.map((patch) => ({ ...patch, leftOut: true }));
    withoutCrosstalk([{ ...only, patches: out }], paper)[0].forEach((patch, i) =>
      expect(deltaE00(patch.lab, out[i].lab)).toBeLessThan(1e-6),
    );
  });
});
