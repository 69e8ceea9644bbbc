import Color from "colorjs.io";
import { converter, differenceCiede2000 } from "culori";
import { describe, expect, test } from "vitest";
import { seededRandom } from "../numeric/random";
import { deltaE00 } from "./difference";
import { screenColourOfLab } from "./gamut";
import { labOfXyz, xyzOfLab } from "./lab";
import { linearSrgbOfOklab, oklabOfLinearSrgb } from "./oklab";
import { linearOfSrgb, linearSrgbOfXyz, srgbOfLinear, xyzOfLinearSrgb } from "./srgb";

const random = seededRandom(11);
const COLOURS = Array.from({ length: 300 }, () => ({ r: random(), g: random(), b: random() }));
const linear = (c: { r: number; g: number; b: number }) => ({
  r: linearOfSrgb(c.r),
  g: linearOfSrgb(c.g),
  b: linearOfSrgb(c.b),
});

describe("conversions on random colours", () => {
  test("Lab (D65) as culori's lab65 and colorjs.io's lab-d65", () => {
    const toLab = converter("lab65");
    for (const colour of COLOURS) {
      const ours = labOfXyz(xyzOfLinearSrgb(linear(colour)));
      const culori = toLab({ mode: "rgb", ...colour });
      const [L, a, b] = new Color("srgb", [colour.r, colour.g, colour.b]).to("lab-d65").coords as [
        number,
        number,
        number,
      ];
      // Our white is the sum of the 10 nm tables, scaled so that sRGB white is white: Lab agrees to a few thousandths.
      for (const [x, y] of [
        [ours.L, culori.l],
        [ours.a, culori.a],
        [ours.b, culori.b],
        [ours.L, L],
        [ours.a, a],
        [ours.b, b],
      ])
        expect(Math.abs(x! - y!)).toBeLessThan(0.02);
    }
  });

  test("OKLab as culori, and back", () => {
    const toOklab = converter("oklab");
    for (const colour of COLOURS) {
      const ours = oklabOfLinearSrgb(linear(colour));
      const theirs = toOklab({ mode: "rgb", ...colour });
      expect(ours.L).toBeCloseTo(theirs.l, 6);
      expect(ours.a).toBeCloseTo(theirs.a, 6);
      expect(ours.b).toBeCloseTo(theirs.b, 6);
      const back = linearSrgbOfOklab(ours);
      expect(back.r).toBeCloseTo(linearOfSrgb(colour.r), 5);
      expect(back.b).toBeCloseTo(linearOfSrgb(colour.b), 5);
    }
  });

  test("CIEDE2000 as culori's", () => {
    const theirs = differenceCiede2000();
    for (let i = 1; i < COLOURS.length; i++) {
      const one = labOfXyz(xyzOfLinearSrgb(linear(COLOURS[i - 1]!)));
      const two = labOfXyz(xyzOfLinearSrgb(linear(COLOURS[i]!)));
      const expected = theirs(
        { mode: "lab65", l: one.L, a: one.a, b: one.b },
        { mode: "lab65", l: two.L, a: two.a, b: two.b },
      );
      expect(deltaE00(one, two)).toBeCloseTo(expected, 6);
    }
  });

  test("there and back: sRGB curve, XYZ, Lab", () => {
    for (const colour of COLOURS) {
      expect(srgbOfLinear(linearOfSrgb(colour.r))).toBeCloseTo(colour.r, 9);
      const xyz = xyzOfLinearSrgb(linear(colour));
      expect(xyzOfLab(labOfXyz(xyz)).Z).toBeCloseTo(xyz.Z, 9);
      expect(linearSrgbOfXyz(xyz).g).toBeCloseTo(linearOfSrgb(colour.g), 6);
    }
    expect(labOfXyz(xyzOfLinearSrgb({ r: 1, g: 1, b: 1 }))).toMatchObject({
      L: expect.closeTo(100, 6),
      a: expect.closeTo(0, 6),
      b: expect.closeTo(0, 6),
    });
  });
});

describe("colours for the screen", () => {
  test("a colour inside sRGB is shown as it is", () => {
    for (const colour of COLOURS) {
      const shown = screenColourOfLab(labOfXyz(xyzOfLinearSrgb(linear(colour))));
      expect(shown.mapped).toBe(false);
      expect(shown.rgb.r).toBeCloseTo(colour.r, 4);
    }
  });

  test("a colour outside is marked and keeps its hue and lightness, as colorjs.io's CSS mapping does", () => {
    for (const lab of [
      { L: 60, a: 90, b: 90 },
      { L: 30, a: 40, b: -95 },
      { L: 85, a: -90, b: 60 },
      { L: 78, a: 25, b: 100 },
    ]) {
      const shown = screenColourOfLab(lab);
      expect(shown.mapped).toBe(true);
      const theirs = new Color("lab-d65", [lab.L, lab.a, lab.b]).toGamut({ space: "srgb", method: "css" }).to("srgb");
      const ours = new Color("srgb", [shown.rgb.r, shown.rgb.g, shown.rgb.b]);
      expect(ours.deltaE(theirs, "OK")).toBeLessThan(0.03);
      const wanted = oklabOfLinearSrgb(linearSrgbOfXyz(xyzOfLab(lab)));
      const got = oklabOfLinearSrgb(linear(shown.rgb));
      const hue = (c: { a: number; b: number }): number => Math.atan2(c.b, c.a) * (180 / Math.PI);
      expect(Math.abs(hue(got) - hue(wanted))).toBeLessThan(12);
      expect(Math.abs(got.L - wanted.L)).toBeLessThan(0.03);
    }
  });
});
