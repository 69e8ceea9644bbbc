import { converter } from "culori";
import { describe, expect, test } from "vitest";
import { photograph } from "@/testing/photographs/photographs";
import { seededRandom } from "../numeric/random";
import { areaImageOf, mapSizeOf, type PixelArray } from "./pixels";
import type { WhiteMatrix } from "./white";

/** Bytes without any order: what a block must be averaged from shows in every pixel. */
function scattered(width: number, height: number, seed: number): PixelArray {
  const random = seededRandom(seed);
  return { width, height, data: Uint8ClampedArray.from({ length: 4 * width * height }, () => 256 * random()) };
}

// culori: Display P3 and OKLab as CSS Color 4 has them.
const oklabOfP3 = converter("oklab");
/** The transfer curve of sRGB, which Display P3 shares (IEC 61966-2-1). */
const light = (byte: number): number =>
  byte / 255 <= 0.04045 ? byte / 255 / 12.92 : ((byte / 255 + 0.055) / 1.055) ** 2.4;
const encoded = (x: number): number => (x <= 0.0031308 ? 12.92 * x : 1.055 * x ** (1 / 2.4) - 0.055);

/** Mean light of the photo's pixels that lie in one pixel of the map. */
function meanLight(photo: PixelArray, map: { width: number; height: number }, x: number, y: number): number[] {
  const span = (at: number, small: number, large: number): [number, number] => {
    const from = Math.floor((at * large) / small);
    return [from, Math.max(from + 1, Math.floor(((at + 1) * large) / small))];
  };
  const [left, right] = span(x, map.width, photo.width);
  const [top, bottom] = span(y, map.height, photo.height);
  const sum = [0, 0, 0];
  for (let j = top; j < bottom; j++)
    for (let i = left; i < right; i++)
      for (let c = 0; c < 3; c++) sum[c]! += light(photo.data[4 * (j * photo.width + i) + c]!);
  return sum.map((total) => total / ((bottom - top) * (right - left)));
}

describe("a photo shrunk to its areas' map", () => {
  test("the map's longer side is a thousand pixels at most, and its shape the photo's", () => {
    expect(mapSizeOf(6000, 4000)).toEqual({ width: 1000, height: 667 });
    expect(mapSizeOf(4000, 6000)).toEqual({ width: 667, height: 1000 });
    expect(mapSizeOf(999, 3)).toEqual({ width: 999, height: 3 });
    expect(mapSizeOf(9000, 2)).toEqual({ width: 1000, height: 1 });
  });

  test.each([
    ["smaller than the map", () => scattered(61, 43, 1)],
    ["a little larger", () => scattered(1500, 101, 2)],
    ["upright, in whole blocks", () => scattered(60, 3000, 3)],
    ["a photograph", () => photograph("harbour")],
  ])("%s: each pixel is its block's mean light, and the OKLab that culori gives it", async (_, make) => {
    const photo = await make();
    const white: WhiteMatrix = [1.02, 0, 0, 0.01, 0.97, 0, 0, 0.02, 1.1];
    const [plain, corrected] = [areaImageOf(photo), areaImageOf(photo, white)];
    const random = seededRandom(11);
    let [worstLight, worstOklab] = [0, 0];
    for (let n = 0; n < 400; n++) {
      const [x, y] = [Math.floor(random() * plain.width), Math.floor(random() * plain.height)];
      const mean = meanLight(photo, plain, x, y);
      const turned = [0, 3, 6].map(
        (row) => white[row]! * mean[0]! + white[row + 1]! * mean[1]! + white[row + 2]! * mean[2]!,
      );
      for (const [image, expected] of [
        [plain, mean],
        [corrected, turned],
      ] as const) {
        const at = 3 * (y * image.width + x);
        const [r, g, b] = expected.map(encoded);
        const ok = oklabOfP3({ mode: "p3", r: r!, g: g!, b: b! });
        [ok.l, ok.a, ok.b].forEach((wanted, c) => {
          worstLight = Math.max(worstLight, Math.abs(image.linear[at + c]! - expected[c]!));
          worstOklab = Math.max(worstOklab, Math.abs(image.oklab[at + c]! - wanted));
        });
      }
    }
    expect(worstLight).toBeLessThan(1e-6);
    expect(worstOklab).toBeLessThan(1e-5);
  });
});
