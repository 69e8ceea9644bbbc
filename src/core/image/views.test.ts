import { converter } from "culori";
import Color from "colorjs.io";
import { describe, expect, test } from "vitest";
import type { Rgb } from "../colour/colour";
import { linearP3OfLinearSrgb, linearSrgbOfLinearP3, xyzOfLinearP3 } from "../colour/display-p3";
import { labOfXyz, lchOfLab } from "../colour/lab";
import { linearOfSrgb, xyzOfLinearSrgb } from "../colour/srgb";
import { comparePoints } from "./compare-points";
import { HUE_LIGHTNESS, seen, warmthLab, type ViewKind } from "./views";
import { stepGrey, stepLimits, stepOf, stepShares, stepValue } from "./value-steps";

const p3 = (r: number, g: number, b: number): Rgb => ({
  r: linearOfSrgb(r / 255),
  g: linearOfSrgb(g / 255),
  b: linearOfSrgb(b / 255),
});
const COLOURS = [
  p3(120, 110, 130),
  p3(60, 52, 40),
  p3(200, 190, 170),
  p3(150, 90, 60),
  p3(40, 60, 90),
  p3(90, 120, 80),
];
const oklch = converter("oklch");
const view = (kind: ViewKind, steps = 0) => ({ kind, steps });
const okOf = ({ r, g, b }: Rgb) => oklch({ mode: "lrgb", r, g, b });

describe("Display P3", () => {
  test.each([
    [240, 120, 20],
    [20, 200, 90],
    [128, 128, 128],
    [10, 20, 240],
    [255, 255, 255],
  ])("%i %i %i as colorjs.io has it", (r, g, b) => {
    const linear = linearSrgbOfLinearP3(p3(r, g, b));
    const [R, G, B] = new Color("p3", [r / 255, g / 255, b / 255]).to("srgb-linear").coords as [number, number, number];
    expect(linear.r).toBeCloseTo(R, 6);
    expect(linear.g).toBeCloseTo(G, 6);
    expect(linear.b).toBeCloseTo(B, 6);
    const back = linearP3OfLinearSrgb(linear);
    expect(back.g).toBeCloseTo(linearOfSrgb(g / 255), 9);
  });
});

describe("value steps", () => {
  test("lie at equal Munsell values: luminances as ASTM D1535 tabulates them for the perfect diffuser", () => {
    // Y of values 2, 4, 6, 8, percent, from the standard's polynomial (from memory: 3.05, 11.70, 29.30, 57.62).
    [3.05, 11.7, 29.3, 57.62].forEach((Y, i) => expect(100 * stepLimits(5)[i]!).toBeCloseTo(Y, 1));
    expect(stepValue(0, 5)).toBe(1);
    expect(stepValue(4, 5)).toBe(9);
    expect(100 * stepGrey(2, 5)).toBeCloseTo(19.27, 1);
  });

  test("photography's grey card of 18 percent is value 4.8: the third of five, the first of two", () => {
    expect(stepOf(0.18, 5)).toBe(2);
    expect(stepOf(0.18, 2)).toBe(0);
    expect(stepOf(0, 9)).toBe(0);
    expect(stepOf(1, 9)).toBe(8);
  });

  test("their shares sum to one, of the sheet alone", () => {
    const linear = new Float32Array(3 * 100);
    for (let i = 0; i < 100; i++) linear.fill(i < 25 ? 0.01 : i < 50 ? 0.2 : 0.9, 3 * i, 3 * i + 3);
    const image = { width: 10, height: 10, linear, oklab: new Float32Array(300) };
    expect(stepShares(image, new Uint8Array(100).fill(1), 5)).toEqual([0.25, 0, 0.25, 0, 0.5]);
    expect(
      stepShares(
        image,
        Uint8Array.from({ length: 100 }, (_, i) => (i < 50 ? 1 : 0)),
        5,
      ),
    ).toEqual([0.5, 0, 0.5, 0, 0]);
  });
});

describe("ways of seeing", () => {
  test("values: a grey of the same luminance, or the grey of its step", () => {
    for (const colour of COLOURS) {
      const grey = seen(colour, view("values"));
      expect(grey.r).toBe(grey.b);
      expect(xyzOfLinearSrgb(grey).Y).toBeCloseTo(xyzOfLinearP3(colour).Y, 9);
      expect([0, 1, 2, 3, 4].map((step) => stepGrey(step, 5))).toContain(seen(colour, view("values", 5)).g);
    }
  });

  test("heightened: purer by the culori library's OKLCh, hue and lightness kept, and on the screen", () => {
    for (const colour of COLOURS) {
      const before = okOf(linearSrgbOfLinearP3(colour));
      const shown = seen(colour, view("heightened"));
      const after = okOf(shown);
      expect(after.l).toBeCloseTo(before.l, 3);
      expect(Math.abs(((after.h! - before.h! + 540) % 360) - 180)).toBeLessThan(0.5);
      expect(after.c / before.c).toBeGreaterThan(1.25);
      for (const channel of [shown.r, shown.g, shown.b]) expect(channel).toBeGreaterThan(-0.001);
      for (const channel of [shown.r, shown.g, shown.b]) expect(channel).toBeLessThan(1.001);
    }
  });

  test("warm and cool: orange shows warm, blue cool, grey neither, each at its own lightness", () => {
    const [warm, cool, grey] = [p3(190, 120, 60), p3(70, 100, 160), p3(128, 128, 128)].map((c) =>
      seen(c, view("temperature")),
    );
    expect(lchOfLab(labOfXyz(xyzOfLinearSrgb(warm!))).h).toBeLessThan(80);
    expect(lchOfLab(labOfXyz(xyzOfLinearSrgb(cool!))).h).toBeGreaterThan(180);
    expect(Math.abs(grey!.r - grey!.b)).toBeLessThan(1e-3);
    expect(okOf(warm!).l).toBeCloseTo(okOf(linearSrgbOfLinearP3(p3(190, 120, 60))).l, 3);
  });

  test("hue alone: one lightness for all, and grey where there is no hue", () => {
    for (const colour of [...COLOURS, p3(128, 128, 128)])
      expect(okOf(seen(colour, view("hue"))).l).toBeCloseTo(HUE_LIGHTNESS, 3);
    expect(okOf(seen(p3(128, 128, 128), view("hue"))).c).toBeLessThan(0.001);
    const dark = okOf(seen(p3(40, 60, 90), view("hue")));
    expect(dark.h!).toBeCloseTo(okOf(linearSrgbOfLinearP3(p3(40, 60, 90))).h!, 0);
  });
});

test("two points: lighter in value steps, warmer, purer", () => {
  const wall = labOfXyz(xyzOfLinearP3(p3(190, 110, 70)));
  const sky = labOfXyz(xyzOfLinearP3(p3(130, 150, 190)));
  const { lighter, warmer, purer } = comparePoints(wall, sky);
  expect(lighter).toBeLessThan(0);
  expect(warmer).toBeGreaterThan(40);
  expect(purer).toBeGreaterThan(10);
  expect(comparePoints(sky, wall).lighter).toBeCloseTo(-lighter, 12);
  // Greys of Munsell 7 and 4 are three value steps apart by definition.
  const greys = [0.7 * 10, 0.4 * 10].map((value) => labOfXyz({ X: 0, Y: stepGrey(0, 5 / value), Z: 0 }));
  expect(comparePoints(greys[0]!, greys[1]!).lighter).toBeCloseTo(3, 6);
});

test("a shape's warmth is shown as the temperature view shows a photo of that colour", () => {
  for (const light of COLOURS) {
    const inPhoto = labOfXyz(xyzOfLinearSrgb(seen(light, view("temperature"))));
    const ofShape = warmthLab(labOfXyz(xyzOfLinearP3(light)));
    expect(ofShape.L).toBeCloseTo(inPhoto.L, 3);
    expect(ofShape.a).toBeCloseTo(inPhoto.a, 3);
    expect(ofShape.b).toBeCloseTo(inPhoto.b, 3);
  }
});
