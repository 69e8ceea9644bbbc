import { describe, expect, test } from "vitest";
import { PAPERS } from "../../optics/paper";
import { srgbOfLinear, linearOfSrgb } from "../../colour/srgb";
import { linearP3OfLinearSrgb, linearP3OfXyz } from "../../colour/display-p3";
import { deltaE00 } from "../../colour/difference";
import { xyzOfLab } from "../../colour/lab";
import { xyzOfReflectance } from "../../colour/xyz";
import type { Lab, Rgb } from "../../colour/colour";
import { illuminationOf } from "./illumination";
import { readPatch } from "./patch";
import type { BoxPixels } from "./pixels";

const paper = PAPERS[0].reflectance;
const white = linearP3OfXyz(xyzOfReflectance(paper));
const EXPOSURE = 0.8;
const light = illuminationOf(
  [
    [10, 10],
    [160, 12],
    [12, 220],
    [165, 225],
    [88, 118],
    [40, 170],
    [120, 60],
  ].map((at) => ({
    x: at[0]!,
    y: at[1]!,
    linear: [EXPOSURE * white.r, EXPOSURE * white.g, EXPOSURE * white.b] as const,
  })),
);

/** A place of 12 by 12 mm, its light at each pixel given. */
function place(at: (x: number, y: number) => Rgb): BoxPixels {
  const side = 48;
  const linear = new Float64Array(3 * side * side);
  const places = new Float64Array(2 * side * side);
  for (let j = 0; j < side; j++) {
    for (let i = 0; i < side; i++) {
      const n = j * side + i;
      const [x, y] = [80 + i / 4, 100 + j / 4];
      const { r, g, b } = at(x, y);
      // As a byte of the working copy holds it.
      [r, g, b].forEach(
        (v, c) => (linear[3 * n + c] = linearOfSrgb(Math.round(255 * srgbOfLinear(Math.min(1, Math.max(0, v)))) / 255)),
      );
      places.set([x, y], 2 * n);
    }
  }
  return { linear, places, count: side * side, outside: 0 };
}
const lit = (lab: Lab): Rgb => {
  const { r, g, b } = linearP3OfXyz(xyzOfLab(lab));
  return { r: EXPOSURE * r, g: EXPOSURE * g, b: EXPOSURE * b };
};
const SIENNA: Lab = { L: 48, a: 24, b: 34 };

describe("a painted place", () => {
  test("is read as its colour beside the paper, whatever the exposure", () => {
    const reading = readPatch(
      place(() => lit(SIENNA)),
      light,
      paper,
    );
    expect(deltaE00(reading.lab, SIENNA)).toBeLessThan(0.5);
    expect(reading).toMatchObject({ leftOut: 0, cutOff: [false, false, false] });
    expect(reading.texture).toBeLessThan(0.05);
  });

  test("an edge of bare paper, a dark rim and a speck are left out", () => {
    const reading = readPatch(
      place((x, y) =>
        x > 90.5
          ? lit({ L: 96, a: 0, b: 2 })
          : y < 101
            ? lit({ L: 30, a: 20, b: 20 })
            : x + y < 183
              ? lit({ L: 10, a: 0, b: 0 })
              : lit(SIENNA),
      ),
      light,
      paper,
    );
    expect(deltaE00(reading.lab, SIENNA)).toBeLessThan(0.6);
    expect(reading.leftOut).toBeGreaterThan(0.15);
    expect(reading.unsure).toBeGreaterThan(0.2);
  });

  test("grain is texture, told in L*, and leaves the colour where it is", () => {
    const grain = (x: number, y: number): number => 4 * Math.sin(5 * x) * Math.sin(5 * y);
    const reading = readPatch(
      place((x, y) => lit({ ...SIENNA, L: SIENNA.L + grain(x, y) })),
      light,
      paper,
    );
    expect(reading.texture).toBeGreaterThan(0.7);
    expect(deltaE00(reading.lab, SIENNA)).toBeLessThan(1);
  });

  test("a green that sRGB cut off is known for cut off; one that a Display P3 photo holds is not", () => {
    const pure: Rgb = { r: -0.04, g: 0.3, b: 0.09 };
    expect(
      readPatch(
        place(() => linearP3OfLinearSrgb({ ...pure, r: 0 })),
        light,
        paper,
      ).cutOff,
    ).toEqual([true, false, false]);
    expect(
      readPatch(
        place(() => linearP3OfLinearSrgb(pure)),
        light,
        paper,
      ).cutOff,
    ).toEqual([false, false, false]);
  });
});
