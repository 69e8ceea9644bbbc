import { expect, test } from "vitest";
import { linearP3OfXyz } from "../colour/display-p3";
import { deltaE00 } from "../colour/difference";
import { labOfXyz, xyzOfLab } from "../colour/lab";
import { xyzOfReflectance } from "../colour/xyz";
import { PAPERS } from "../optics/paper";
import { colourBesidePaper } from "./beside-paper";
import { bradford } from "./white";

const paperXyz = xyzOfReflectance(PAPERS[0].reflectance);

/** A photo's linear light of a colour, taken dark and in lamplight. */
function photographed(xyz: { X: number; Y: number; Z: number }, exposure: number) {
  const lamp = bradford({ X: 0.95, Y: 1, Z: 1.089 }, { X: 1.05, Y: 1, Z: 0.6 });
  const row = (i: number): number =>
    exposure * (lamp[3 * i]! * xyz.X + lamp[3 * i + 1]! * xyz.Y + lamp[3 * i + 2]! * xyz.Z);
  return linearP3OfXyz({ X: row(0), Y: row(1), Z: row(2) });
}

test("a swatch in lamplight, half as bright, is read as it is by the paper beside it", () => {
  for (const lab of [
    { L: 62, a: 20, b: 25 },
    { L: 38, a: -12, b: -25 },
    { L: 80, a: 2, b: 30 },
  ]) {
    const read = colourBesidePaper(photographed(xyzOfLab(lab), 0.5), photographed(paperXyz, 0.5), paperXyz)!;
    expect(deltaE00(read, lab)).toBeLessThan(0.6);
  }
});

test("the paper itself comes out as the sheet is", () => {
  const paper = photographed(paperXyz, 0.7);
  expect(deltaE00(colourBesidePaper(paper, paper, paperXyz)!, labOfXyz(paperXyz))).toBeLessThan(0.01);
});

test("a dark place is no paper, nor one that is darker than the swatch", () => {
  const swatch = photographed(xyzOfLab({ L: 60, a: 0, b: 0 }), 0.8);
  expect(colourBesidePaper(swatch, photographed(paperXyz, 0.05), paperXyz)).toBeNull();
  expect(colourBesidePaper(photographed(paperXyz, 0.8), swatch, paperXyz)).toBeNull();
});
