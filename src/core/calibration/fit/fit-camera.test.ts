import { describe, expect, test } from "vitest";
import { PAPERS } from "../../optics/paper";
import { paintModel } from "../../mixing/paint";
import { madeUpSwatches } from "../../simulation/made-up-swatches";
import { deltaE00 } from "../../colour/difference";
import { labOfXyz, xyzOfLab } from "../../colour/lab";
import { linearSrgbOfXyz, xyzOfLinearSrgb } from "../../colour/srgb";
import { xyzOfReflectance } from "../../colour/xyz";
import type { Lab } from "../../colour/colour";
import { patchOfSpectrum, withoutCamera, type MeasuredPatch, type PatchKind } from "../patches";
import { CARD_WATER } from "../washes";
import { TRUE_CAMERA, withoutCameraOf, type CameraResponse } from "./fit-camera";

const paper = PAPERS[0];
const white = linearSrgbOfXyz(xyzOfReflectance(paper.reflectance));
/** A camera that reads greens too red and blues too green, and makes all purer. */
const PHONE: CameraResponse = [0.01, 0, 0.03, 0, 0.01, 0.01, 0.16];
/** The same written out once more, channel by channel. */
const seenBy = (camera: CameraResponse, lab: Lab): Lab => {
  const { r, g, b } = linearSrgbOfXyz(xyzOfLab(lab));
  const [R, G, B] = [r / white.r, g / white.g, b / white.b];
  const mixed = [
    R + camera[0]! * (G - R) + camera[1]! * (B - R),
    G + camera[2]! * (R - G) + camera[3]! * (B - G),
    B + camera[4]! * (R - B) + camera[5]! * (G - B),
  ];
  const luminance = 0.2126 * mixed[0]! + 0.7152 * mixed[1]! + 0.0722 * mixed[2]!;
  const seen = mixed.map((x) => x + camera[6]! * (x - luminance));
  return labOfXyz(xyzOfLinearSrgb({ r: white.r * seen[0]!, g: white.g * seen[1]!, b: white.b * seen[2]! }));
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
      CARD_WATER[swatch]!,
      swatches(what, swatch, CARD_WATER[swatch]!),
    );
    return patch;
  });
  return { base: paintModel(pigmentId, [{ pigmentId, share: 1 }]), truth };
});
const missOf = (patches: readonly (readonly MeasuredPatch[])[]): number => {
  const misses = patches.flatMap((row, i) =>
    row.slice(0, 5).map(({ lab }, k) => deltaE00(lab, card[i]!.truth[k]!.lab)),
  );
  return misses.reduce((sum, miss) => sum + miss, 0) / misses.length;
};
const photographed = (camera: CameraResponse) =>
  card.map(({ base, truth }) => ({
    base,
    patches: truth.map((patch) => ({ ...patch, lab: seenBy(camera, patch.lab) })),
  }));

describe("what a camera makes of its colours", () => {
  test("is undone exactly when it is known, and leaves paper as it is", () => {
    for (const { truth } of card)
      for (const { lab } of truth)
        expect(deltaE00(withoutCameraOf(seenBy(PHONE, lab), PHONE, paper.reflectance), lab)).toBeLessThan(1e-6);
    const bare = labOfXyz(xyzOfReflectance(paper.reflectance));
    expect(deltaE00(withoutCameraOf(bare, PHONE, paper.reflectance), bare)).toBeLessThan(1e-6);
  });

  test("is told from four paints of one card well enough to take a quarter of its error away", () => {
    const shot = photographed(PHONE);
    expect(missOf(withoutCamera(shot, paper))).toBeLessThan(0.75 * missOf(shot.map(({ patches }) => patches)));
  });

  test("a true camera is hardly touched", () => {
    expect(missOf(withoutCamera(photographed(TRUE_CAMERA), paper))).toBeLessThan(0.8);
  });

  test("nothing to go by, nothing changed", () => {
    expect(withoutCamera([], paper)).toEqual([]);
    const only = photographed(PHONE)[0]!;
    const out = only.patches.map((patch) => ({ ...patch, leftOut: true }));
    withoutCamera([{ ...only, patches: out }], paper)[0]!.forEach((patch, i) =>
      expect(deltaE00(patch.lab, out[i]!.lab)).toBeLessThan(1e-6),
    );
  });
});
