import { describe, expect, test } from "vitest";
import { drawnLabels, PHOTOGRAPHS, shapesProposed } from "./photographs";
import { boundaryF, covering } from "./shape-scores";

describe("shapes in real photographs against those drawn by hand", () => {
  // What a general library's superpixels, merged by colour, reach on these at as many shapes (bench/shapes.ts): 0.48
  // and 0.56.
  test("unasked, four to fourteen are proposed, nearer to the drawn ones than plain colour gets", async () => {
    const scores = { f: 0, covering: 0 };
    const names = ["field", "mountain", "temple"];
    for (const name of names) {
      const { image, labels, shapes } = await shapesProposed(name);
      const { width, height } = image;
      const drawn = drawnLabels(name, width, height);
      expect(shapes, name).toBeGreaterThanOrEqual(4);
      expect(shapes, name).toBeLessThanOrEqual(14);
      scores.f += boundaryF(drawn, labels, width, height).f / names.length;
      scores.covering += covering(drawn, labels) / names.length;
    }
    expect(scores.f).toBeGreaterThan(0.65);
    expect(scores.covering).toBeGreaterThan(0.65);
    expect(PHOTOGRAPHS.length).toBeGreaterThanOrEqual(6);
  });

  test("the measures: the same shapes score one, borders moved within the tolerance too, strange ones little", () => {
    const [width, height] = [300, 200];
    const halves = (at: number) => Uint8Array.from({ length: width * height }, (_, i) => (i % width < at ? 0 : 1));
    const across = Uint8Array.from({ length: width * height }, (_, i) => (i < (width * height) / 2 ? 0 : 1));
    expect(boundaryF(halves(150), halves(150), width, height).f).toBe(1);
    // 0.0075 of the diagonal of 361 px is 2.7 px.
    expect(boundaryF(halves(150), halves(152), width, height).f).toBe(1);
    expect(boundaryF(halves(150), halves(154), width, height).f).toBe(0);
    expect(boundaryF(halves(150), across, width, height).f).toBeLessThan(0.05);
    expect(covering(halves(150), halves(150))).toBe(1);
    // Each half of the one is best met by a half of the other: a quarter in common of three quarters.
    expect(covering(halves(150), across)).toBeCloseTo(1 / 3, 6);
    expect(covering(halves(150), halves(90))).toBeCloseTo(0.5 * (90 / 150) + 0.5 * (150 / 210), 6);
  });
});
