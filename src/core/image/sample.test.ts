import { describe, expect, test } from "vitest";
import { xyzOfLab } from "../colour/lab";
import type { PixelArray } from "./pixels";
import { samplePhoto } from "./sample";

function photo(
  width: number,
  height: number,
  at: (x: number, y: number) => readonly [number, number, number],
): PixelArray {
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++) for (let x = 0; x < width; x++) data.set([...at(x, y), 255], 4 * (y * width + x));
  return { data, width, height };
}

describe("sampling a photo", () => {
  test("a checker of black and white averages as light does: half the luminance, not half the bytes", () => {
    const checker = photo(64, 64, (x, y) => ((x + y) % 2 ? [255, 255, 255] : [0, 0, 0]));
    const { lab } = samplePhoto(checker, 32, 32, 12);
    // Half of white's luminance is L* 76.07 by CIE 15; averaging encoded bytes would give about 54.
    expect(Math.abs(lab.L - 76.07)).toBeLessThan(0.4);
    expect(xyzOfLab(lab).Y).toBeCloseTo(0.5, 1);
  });

  test("a small radius reads the one pixel under the point", () => {
    const one = photo(9, 9, (x, y) => (x === 4 && y === 6 ? [200, 30, 30] : [128, 128, 128]));
    expect(samplePhoto(one, 4.5, 6.5, 0).pixels).toBe(1);
    expect(samplePhoto(one, 4.9, 6.1, 0.3).lab.a).toBeGreaterThan(40);
    expect(samplePhoto(one, 2.5, 6.5, 0.3).lab.a).toBeCloseTo(0, 4);
  });

  test("the circle holds the pixels whose centres lie in it, and is cut at the border", () => {
    const flat = photo(100, 100, () => [90, 120, 150]);
    expect(samplePhoto(flat, 50, 50, 20).pixels / (Math.PI * 400)).toBeCloseTo(1, 1);
    expect(samplePhoto(flat, 0, 0, 20).pixels / (Math.PI * 100)).toBeCloseTo(1, 1);
    expect(samplePhoto(flat, 100, 100, 3).pixels).toBeGreaterThan(3);
  });

  test("burnt-out and blocked pixels are counted", () => {
    const burnt = photo(40, 40, (x) => (x < 20 ? [255, 250, 240] : [100, 100, 100]));
    expect(samplePhoto(burnt, 20, 20, 10).untrusted).toBeCloseTo(0.5, 1);
    expect(
      samplePhoto(
        photo(9, 9, () => [0, 1, 0]),
        4,
        4,
        2,
      ).untrusted,
    ).toBe(1);
  });

  test("a point outside is refused", () => {
    expect(() =>
      samplePhoto(
        photo(9, 9, () => [0, 0, 0]),
        10,
        4,
        1,
      ),
    ).toThrow(RangeError);
    expect(() =>
      samplePhoto(
        photo(9, 9, () => [0, 0, 0]),
        Number.NaN,
        4,
        1,
      ),
    ).toThrow(RangeError);
  });
});
