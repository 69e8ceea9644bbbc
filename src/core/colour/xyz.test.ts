import { describe, expect, test } from "vitest";
import { spectrumOf } from "./bands";
import { WHITE_D65 } from "./cie-tables";
import { deltaE00 } from "./difference";
import { labOfXyz } from "./lab";
import { xyzOfReflectance } from "./xyz";

const sigmoid = (nm: number): number => 0.05 + 0.85 / (1 + Math.exp(-(nm - 580) / 12));
const peak =
  (base: number, height: number, centre: number, width: number) =>
  (nm: number): number =>
    base + height * Math.exp(-0.5 * ((nm - centre) / width) ** 2);

// argyll's `spec2cie -i D65 -o 1931_2` (version 2.3.1, Debian) on these spectra, 36 bands 380 to
// 730 nm: its X Y Z (percent) and its Lab relative to D65. It interpolates the bands to 5 nm or
// finer and knows light beyond 730 nm, so a small difference is right.
const ARGYLL: readonly {
  name: string;
  reflectance: (nm: number) => number;
  xyz: readonly number[];
  lab: readonly number[];
}[] = [
  { name: "perfect white", reflectance: () => 1, xyz: [95.047, 100.0, 108.883], lab: [100.0, 0.0, 0.0] },
  { name: "grey of a fifth", reflectance: () => 0.2, xyz: [19.009, 20.0, 21.777], lab: [51.837, 0, 0] },
  { name: "an edge at 580 nm", reflectance: sigmoid, xyz: [46.543, 30.906, 5.51], lab: [62.428, 56.048, 61.245] },
  {
    name: "a blue band",
    reflectance: peak(0.04, 0.6, 460, 35),
    xyz: [13.573, 11.67, 58.614],
    lab: [40.688, 17.003, -64.959],
  },
  {
    name: "a green band",
    reflectance: peak(0.06, 0.4, 530, 40),
    xyz: [18.108, 31.257, 16.654],
    lab: [62.724, -51.624, 28.772],
  },
  {
    name: "a slope",
    reflectance: (nm) => 0.1 + (0.8 * (nm - 380)) / 350,
    xyz: [50.078, 50.407, 29.7],
    lab: [76.318, 5.912, 29.462],
  },
];

describe("spectrum to XYZ under D65", () => {
  test.each(ARGYLL)("$name as argyll's spec2cie", ({ reflectance, xyz, lab }) => {
    const ours = xyzOfReflectance(spectrumOf(reflectance));
    expect(Math.abs(100 * ours.X - xyz[0]!)).toBeLessThan(0.35);
    expect(Math.abs(100 * ours.Y - xyz[1]!)).toBeLessThan(0.35);
    expect(Math.abs(100 * ours.Z - xyz[2]!)).toBeLessThan(0.35);
    expect(deltaE00(labOfXyz(ours), { L: lab[0]!, a: lab[1]!, b: lab[2]! })).toBeLessThan(0.4);
  });

  test("white has the published chromaticity of D65 (CIE 15: x 0.31272, y 0.32903)", () => {
    const [X, Y, Z] = WHITE_D65;
    expect(Math.abs(X / (X + Y + Z) - 0.31272)).toBeLessThan(2e-4);
    expect(Math.abs(Y / (X + Y + Z) - 0.32903)).toBeLessThan(2e-4);
  });

  test("a grey is grey: a* and b* are 0", () => {
    const grey = labOfXyz(xyzOfReflectance(spectrumOf(() => 0.2)));
    expect(Math.hypot(grey.a, grey.b)).toBeLessThan(1e-9);
  });
});
