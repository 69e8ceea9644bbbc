import { describe, expect, test } from "vitest";
import type { Lab, Rgb } from "../../colour/colour";
import { linearP3OfXyz } from "../../colour/display-p3";
import { xyzOfLab } from "../../colour/lab";
import { correctionFrom, type Reference } from "./references";

const PAPER: Rgb = { r: 0.86, g: 0.86, b: 0.82 };
const relative = (lab: Lab): Rgb => {
  const { r, g, b } = linearP3OfXyz(xyzOfLab(lab));
  return { r: r / PAPER.r, g: g / PAPER.g, b: b / PAPER.b };
};
const bent = (light: Rgb, power: number): Rgb => ({ r: light.r ** power, g: light.g ** power, b: light.b ** power });
const off = (a: Rgb, b: Rgb): number => Math.max(Math.abs(a.r - b.r), Math.abs(a.g - b.g), Math.abs(a.b - b.b));

/**
 * Six patches of the ColorChecker in Lab under D50 as published by its maker in 2005, taken as they are; typed from
 * memory.
 */
const CHART: readonly Lab[] = [
  { L: 37.99, a: 13.56, b: 14.06 },
  { L: 65.71, a: 18.13, b: 17.81 },
  { L: 49.93, a: -4.88, b: -21.93 },
  { L: 43.14, a: -13.1, b: 21.91 },
  { L: 51.1, a: 48.24, b: 16.25 },
  { L: 50.87, a: -0.15, b: -0.27 },
];

describe("grey cards and charts in the picture", () => {
  test("nothing known, nothing changed", () => {
    const light = { r: 0.4, g: 0.3, b: 0.2 };
    expect(off(correctionFrom([], PAPER)(light), light)).toBeLessThan(1e-12);
  });

  test("one grey card undoes a camera's bent curve for every other colour", () => {
    const grey: Lab = { L: 49.5, a: 0, b: 0 };
    for (const power of [0.85, 1.2]) {
      const correct = correctionFrom([{ seen: bent(relative(grey), 1 / power), known: grey }], PAPER);
      for (const lab of CHART) expect(off(correct(bent(relative(lab), 1 / power)), relative(lab))).toBeLessThan(0.02);
    }
  });

  test("a strange grey doesn't run away with the curve", () => {
    const correct = correctionFrom([{ seen: { r: 0.89, g: 0.89, b: 0.89 }, known: { L: 10, a: 0, b: 0 } }], PAPER);
    expect(correct({ r: 0.5, g: 0.5, b: 0.5 }).g).toBeGreaterThanOrEqual(0.5 ** 1.45 - 1e-9);
  });

  test("six patches take back most of what a camera mixes of its channels", () => {
    const mixed = ({ r, g, b }: Rgb): Rgb => ({
      r: 0.88 * r + 0.1 * g + 0.02 * b,
      g: 0.05 * r + 0.9 * g + 0.05 * b,
      b: 0.02 * r + 0.14 * g + 0.84 * b,
    });
    const references: Reference[] = CHART.map((lab) => ({ seen: mixed(relative(lab)), known: lab }));
    const correct = correctionFrom(references, PAPER);
    const unseen: Lab = { L: 55, a: -20, b: 35 };
    expect(off(correct(mixed(relative(unseen))), relative(unseen))).toBeLessThan(
      0.5 * off(mixed(relative(unseen)), relative(unseen)),
    );
  });
});
