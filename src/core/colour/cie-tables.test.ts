import { existsSync, readFileSync } from "node:fs";
import { describe, expect, test } from "vitest";
import { WAVELENGTHS_NM } from "./bands";
import { CMF_1931, D50_POWER, D65_POWER } from "./cie-tables";

/** Where Debian's package colord-data keeps CIE's tables; npm test installs it where it may. */
const FOLDER = "/usr/share/colord";

/** Spectra of one of its files (CGATS, a line each), at our bands. */
function spectra(file: string): number[][] {
  const text = readFileSync(`${FOLDER}/${file}`, "utf8");
  const between = (from: string, to: string): string => new RegExp(`${from}\\s+([\\s\\S]*?)\\s*${to}`).exec(text)![1]!;
  const fields = between("BEGIN_DATA_FORMAT", "END_DATA_FORMAT").split(/\s+/);
  const places = WAVELENGTHS_NM.map((nm) => fields.indexOf(`SPEC_${nm}`));
  expect(places).not.toContain(-1);
  return between("BEGIN_DATA\\n", "END_DATA")
    .split("\n")
    .map((line) => {
      const values = line.trim().split(/\s+/).map(Number);
      return places.map((place) => values[place]!);
    });
}

describe.skipIf(!existsSync(FOLDER))("the tables are those of colord-data's files", () => {
  test("the 1931 observer, to the last place that is printed", () => {
    spectra("cmf/CIE1931-2deg-XYZ.cmf").forEach((curve, component) =>
      curve.forEach((value, i) => expect(CMF_1931[3 * i + component]).toBeCloseTo(value, 6)),
    );
  });

  // The file of D50 is printed with three digits.
  test.each([
    ["CIE-D65.sp", D65_POWER, 0.001],
    ["CIE-D50.sp", D50_POWER, 0.1],
  ] as const)("%s, with 100 at 560 nm", (file, table, within) => {
    const [power] = spectra(`illuminant/${file}`);
    const at560 = power![WAVELENGTHS_NM.indexOf(560)]!;
    power!.forEach((value, i) =>
      expect(Math.abs((100 * value) / at560 - table[i]!), `${WAVELENGTHS_NM[i]} nm`).toBeLessThan(within),
    );
  });
});
