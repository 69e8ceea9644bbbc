import { tripleOf } from "../numeric/tuples";
import { describe, expect, test } from "vitest";
import type { Lab, Rgb, Xyz } from "../colour/colour";
import { deltaE00 } from "../colour/difference";
import { linearP3OfXyz, xyzOfLinearP3 } from "../colour/display-p3";
import { labOfXyz } from "../colour/lab";
import { srgbOfLinear } from "../colour/srgb";
import { seededRandom } from "../numeric/random";
import type { PixelArray } from "./pixels";
import { samplePhoto } from "./sample";
import { AS_IT_IS, bradford, rewhiten, whiteMatrix } from "./white";

const D50: Xyz = { X: 0.96422, Y: 1, Z: 0.82521 };
const D65: Xyz = { X: 0.95047, Y: 1, Z: 1.08883 };

describe("the Bradford transform, against published worked values", () => {
  test("D50 to D65 and D65 to D50, as Lindbloom tabulates them (brucelindbloom.com, chromatic adaptation; from memory)", () => {
    const toD65 = [0.9555766, -0.0230393, 0.0631636, -0.0282895, 1.0099416, 0.0210077, 0.0122982, -0.020483, 1.3299098];
    const toD50 = [1.0478112, 0.0228866, -0.050127, 0.0295424, 0.9904844, -0.0170491, -0.0092345, 0.0150436, 0.7521316];
    bradford(D50, D65).forEach((x, i) => expect(x).toBeCloseTo(toD65[i]!, 5));
    bradford(D65, D50).forEach((x, i) => expect(x).toBeCloseTo(toD50[i]!, 5));
  });

  test("a white without light is no white", () => {
    expect(() => bradford({ X: 0, Y: 0, Z: 0 }, D65)).toThrow(RangeError);
    expect(whiteMatrix({ r: 0.0001, g: 0.0001, b: 0.0001 })).toBeNull();
    expect(whiteMatrix({ r: 0.9, g: 0.02, b: 0.01 })).toBeNull();
  });
});

/**
 * Lab (D50) of the 24 patches of a ColorChecker chart: argyll-ref's ColorChecker.cie, measured by its author; row by
 * row.
 */
const CHECKER: readonly (readonly [number, number, number])[] = [
  [37.99, 13.56, 14.06],
  [65.71, 18.13, 17.81],
  [49.93, -4.88, -21.93],
  [43.14, -13.1, 21.91],
  [55.11, 8.84, -25.4],
  [70.72, -33.4, -0.2],
  [62.66, 36.07, 57.1],
  [40.02, 10.41, -45.96],
  [51.12, 48.24, 16.25],
  [30.33, 22.98, -21.59],
  [72.53, -23.71, 57.26],
  [71.94, 19.36, 67.86],
  [28.78, 14.18, -50.3],
  [55.26, -38.34, 31.37],
  [42.1, 53.38, 28.19],
  [81.73, 4.04, 79.82],
  [51.94, 49.99, -14.57],
  [51.04, -28.63, -28.64],
  [96.54, -0.43, 1.19],
  [81.26, -0.64, -0.34],
  [66.77, -0.73, -0.5],
  [50.87, -0.15, -0.27],
  [35.66, -0.42, -1.23],
  [20.46, -0.08, -0.97],
];
const NEUTRAL = 21;

/** Tristimulus values under D65 of a Lab colour under D50, by the published D50 to D65 matrix. */
function underD65([L, a, b]: readonly [number, number, number]): Xyz {
  const f = (t: number): number => (t > 6 / 29 ? t ** 3 : 3 * (6 / 29) ** 2 * (t - 4 / 29));
  const fy = (L + 16) / 116;
  const [X, Y, Z] = [D50.X * f(fy + a / 500), f(fy), D50.Z * f(fy - b / 200)];
  const m = bradford(D50, D65);
  return { X: m[0] * X + m[1] * Y + m[2] * Z, Y: m[3] * X + m[4] * Y + m[5] * Z, Z: m[6] * X + m[7] * Y + m[8] * Z };
}

/** CAT02 (CIECAM02, CIE 159:2004): another transform than the one under test makes the cast. */
const CAT02 = [0.7328, 0.4296, -0.1624, -0.7036, 1.6975, 0.0061, 0.003, 0.0136, 0.9834];
function cast({ X, Y, Z }: Xyz, white: Xyz): Xyz {
  const cones = (v: readonly number[]): number[] =>
    [0, 3, 6].map((row) => CAT02[row]! * v[0]! + CAT02[row + 1]! * v[1]! + CAT02[row + 2]! * v[2]!);
  const [from, to, colour] = [cones([D65.X, D65.Y, D65.Z]), cones([white.X, white.Y, white.Z]), cones([X, Y, Z])];
  const scaled = colour.map((c, i) => (c * to[i]!) / from[i]!);
  // The inverse of CAT02 as CIE 159:2004 gives it.
  const back = [1.096124, -0.278869, 0.182745, 0.454369, 0.473533, 0.072098, -0.009628, -0.005698, 1.015326];
  const [x, y, z] = tripleOf(
    [0, 3, 6].map((row) => back[row]! * scaled[0]! + back[row + 1]! * scaled[1]! + back[row + 2]! * scaled[2]!),
  );
  return { X: x, Y: y, Z: z };
}

const ofXy = (x: number, y: number): Xyz => ({ X: x / y, Y: 1, Z: (1 - x - y) / y });

/**
 * A chart as a photo: 24 patches of 24 pixels, 6 across, under a light, in 8 bits with a camera's grain of one level.
 */
function chart(light: Xyz | null): PixelArray {
  const random = seededRandom(24);
  const data = new Uint8ClampedArray(4 * 144 * 96);
  CHECKER.forEach((lab, i) => {
    const xyz = underD65(lab);
    const { r, g, b } = linearP3OfXyz(light ? cast(xyz, light) : xyz);
    // A little under full exposure, so that a cast burns nothing out.
    const level = [r, g, b].map((x) => 255 * srgbOfLinear(0.8 * Math.max(0, x)));
    for (let y = 0; y < 24; y++)
      for (let x = 0; x < 24; x++)
        data.set(
          [...level.map((v) => Math.round(v + 2 * (random() - 0.5))), 255],
          4 * ((Math.floor(i / 6) * 24 + y) * 144 + (i % 6) * 24 + x),
        );
  });
  return { data, width: 144, height: 96 };
}

const at = (i: number): [number, number] => [(i % 6) * 24 + 12, Math.floor(i / 6) * 24 + 12];
/** The published colour, the chart's own neutral (not quite grey itself) taken for grey. */
const truth = (i: number): Lab => {
  const { X, Y, Z } = underD65(CHECKER[i]!);
  return rewhiten(
    labOfXyz({ X: 0.8 * X, Y: 0.8 * Y, Z: 0.8 * Z }),
    AS_IT_IS,
    whiteMatrix(linearP3OfXyz(underD65(CHECKER[NEUTRAL]!)))!,
  );
};

describe("a ColorChecker chart is read back within 1 dE00 after picking its neutral", () => {
  test.each([
    ["in true light", null],
    ["under a warm cast (CIE daylight D50's chromaticity)", ofXy(0.3457, 0.3585)],
    ["under a bluish cast (8000 K daylight, x 0.2952 y 0.3048)", ofXy(0.2952, 0.3048)],
  ] as const)("%s", (_, light) => {
    const photo = chart(light);
    const { linear } = samplePhoto(photo, ...at(NEUTRAL), 8);
    const white = whiteMatrix(linear)!;
    const errors = CHECKER.map((_, i) => deltaE00(truth(i), samplePhoto(photo, ...at(i), 8, white).lab));
    expect(Math.max(...errors)).toBeLessThan(1);
    if (light) {
      const uncorrected = CHECKER.map((_, i) => deltaE00(truth(i), samplePhoto(photo, ...at(i), 8).lab));
      expect(Math.max(...uncorrected)).toBeGreaterThan(8);
    }
  });
});

describe("a white correction", () => {
  const picked: Rgb = { r: 0.42, g: 0.36, b: 0.27 };
  test("makes the neutral grey at the same luminance; by half, half way", () => {
    const whole = whiteMatrix(picked)!;
    const grey = rewhiten(labOfXyz(xyzOfLinearP3(picked)), AS_IT_IS, whole);
    expect(Math.hypot(grey.a, grey.b)).toBeLessThan(0.01);
    expect(grey.L).toBeCloseTo(labOfXyz(xyzOfLinearP3(picked)).L, 6);
    const half = rewhiten(labOfXyz(xyzOfLinearP3(picked)), AS_IT_IS, whiteMatrix(picked, 0.5)!);
    const chroma =
      Math.hypot(half.a, half.b) / Math.hypot(labOfXyz(xyzOfLinearP3(picked)).a, labOfXyz(xyzOfLinearP3(picked)).b);
    expect(chroma).toBeGreaterThan(0.35);
    expect(chroma).toBeLessThan(0.65);
    whiteMatrix(picked, 0)!.forEach((x, i) => expect(x).toBeCloseTo(AS_IT_IS[i]!, 9));
  });

  test("is taken back exactly", () => {
    const one: Lab = { L: 41, a: 22, b: -13 };
    const [from, to] = [whiteMatrix(picked, 0.8)!, whiteMatrix({ r: 0.3, g: 0.33, b: 0.4 })!];
    const there = rewhiten(one, from, to);
    expect(deltaE00(one, there)).toBeGreaterThan(2);
    expect(deltaE00(one, rewhiten(there, to, from))).toBeLessThan(1e-6);
  });
});
