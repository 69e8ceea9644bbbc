import { describe, expect, test } from "vitest";
import { photograph } from "@/testing/photographs/photographs";
import { deltaE00 } from "../colour/difference";
import { areaImageOf, labOfLinear, type AreaImage, type PixelArray } from "../image/pixels";
import { seededRandom } from "../numeric/random";
import type { LabelMap } from "./label-map";
import { measureAreas } from "./measure";

/** Every fourth pixel of a photo each way: as much to tell apart in a fraction of the pixels. */
function coarser({ width, height, data }: PixelArray): PixelArray {
  const [columns, rows] = [Math.floor(width / 4), Math.floor(height / 4)];
  const from = (i: number): number => 4 * (4 * Math.floor(i / columns) * width + 4 * (i % columns));
  const kept = Uint8Array.from({ length: 4 * columns * rows }, (_, at) => data[from(at >> 2) + (at & 3)]!);
  return { width: columns, height: rows, data: kept };
}

/** A map of so many areas, each of what lies nearest to its middle; the first middle's belongs to none. */
function scatteredAreas(width: number, height: number, count: number, seed: number): LabelMap {
  const random = seededRandom(seed);
  const middles = Array.from({ length: count + 1 }, () => [random() * width, random() * height] as const);
  const labels = Uint8Array.from({ length: width * height }, (_, i) => {
    let [nearest, least] = [0, Infinity];
    middles.forEach(([x, y], label) => {
      const away = ((i % width) - x) ** 2 + (Math.floor(i / width) - y) ** 2;
      if (away < least) [nearest, least] = [label, away];
    });
    return nearest;
  });
  return { width, height, labels };
}

/** Mean light of pixels, by plain sums. */
function meanLight({ linear }: AreaImage, pixels: readonly number[]) {
  const mean = (c: number): number => pixels.reduce((sum, i) => sum + linear[3 * i + c]!, 0) / pixels.length;
  return labOfLinear({ r: mean(0), g: mean(1), b: mean(2) });
}

/** Pixels by a number that each has, the least first. */
function sortedBy(pixels: readonly number[], numberOf: (i: number) => number): number[] {
  const numbers = new Map(pixels.map((i) => [i, numberOf(i)]));
  return pixels.toSorted((i, j) => numbers.get(i)! - numbers.get(j)!);
}

/** Distance of a pixel from the middle of others, in OKLab. */
function awayFrom({ oklab }: AreaImage, pixels: readonly number[]): (i: number) => number {
  const middle = [0, 1, 2].map((c) => pixels.reduce((sum, i) => sum + oklab[3 * i + c]!, 0) / pixels.length);
  return (i) => Math.hypot(...middle.map((mean, c) => oklab[3 * i + c]! - mean));
}

/** How many pixel sides lie between each two labels, by "1 2". */
function sharedSides({ width, height, labels }: LabelMap, mask: Uint8Array): Map<string, number> {
  const counts = new Map<string, number>();
  const count = (i: number, j: number): void => {
    const pair = [labels[i]! * mask[i]!, labels[j]! * mask[j]!].sort((a, b) => a - b);
    if (pair[0] !== 0 && pair[0] !== pair[1]) counts.set(pair.join(" "), 1 + (counts.get(pair.join(" ")) ?? 0));
  };
  for (let y = 0; y < height; y++) for (let x = 1; x < width; x++) count(y * width + x - 1, y * width + x);
  for (let y = 1; y < height; y++) for (let x = 0; x < width; x++) count((y - 1) * width + x, y * width + x);
  return counts;
}

/** How far an accent may lie from that of sorted pixels, dE00. */
const SAME_STEP = 5;

describe("areas measured, against the same by plain sums and sorting", () => {
  test.each([
    ["dune", 5, 1],
    ["cup", 12, 2],
    ["temple", 30, 3],
  ] as const)("%s in %i areas, a part of it beyond the sheet", async (name, count, seed) => {
    const image = areaImageOf(coarser(await photograph(name)));
    const { width, height } = image;
    const map = scatteredAreas(width, height, count, seed);
    const mask = Uint8Array.from(map.labels, (_, i) => (i % width > width / 9 && i < 0.93 * map.labels.length ? 1 : 0));
    const { areas, borders, uncovered } = measureAreas(map, image, mask, width);

    const within = new Map<number, number[]>();
    map.labels.forEach((label, i) => {
      if (mask[i] === 0) return;
      if (!within.has(label)) within.set(label, []);
      within.get(label)!.push(i);
    });
    const sheet = mask.reduce((sum, on) => sum + on, 0);
    expect(uncovered).toBeCloseTo((within.get(0)?.length ?? 0) / sheet, 12);
    within.delete(0);
    expect(areas.map(({ label }) => label)).toEqual([...within.keys()].sort((a, b) => a - b));
    for (const { label, mean, lit, shaded, accent, share } of areas) {
      const pixels = within.get(label)!;
      expect(share).toBeCloseTo(pixels.length / sheet, 12);
      const plain = meanLight(image, pixels);
      expect(deltaE00(mean, plain), `mean of ${label}`).toBeLessThan(1e-6);
      // A part of so few is but a pixel or two, and a share of the next.
      if (pixels.length < 100) continue;
      // By value the ends are taken from 128 steps, no finer: a quarter ends within one.
      const byValue = sortedBy(pixels, (i) => image.oklab[3 * i]!);
      const quarter = Math.ceil(pixels.length / 4);
      expect(deltaE00(shaded, meanLight(image, byValue.slice(0, quarter))), `shaded ${label}`).toBeLessThan(1);
      expect(deltaE00(lit, meanLight(image, byValue.slice(-quarter))), `lit ${label}`).toBeLessThan(1);
      const byDistance = sortedBy(pixels, awayFrom(image, pixels));
      const stranger = meanLight(image, byDistance.slice(-Math.ceil(0.04 * pixels.length)));
      // Those of one step of distance, 1/256 of OKLab, may lie on several sides of the middle.
      if (accent) expect(deltaE00(accent, stranger), `accent of ${label}`).toBeLessThan(SAME_STEP);
      const stands = deltaE00(plain, stranger) >= 10 + (accent ? -SAME_STEP : SAME_STEP);
      expect(stands, `whether ${label} has an accent`).toBe(accent !== null);
    }
    const shared = sharedSides(map, mask);
    expect(borders.map(({ a, b }) => `${a} ${b}`).sort()).toEqual([...shared.keys()].sort());
    for (const { a, b, length, hardness } of borders) {
      expect(length).toBeCloseTo(((shared.get(`${a} ${b}`)! / width) * Math.PI) / 4, 9);
      expect(hardness).toBeGreaterThan(0);
      expect(hardness).toBeLessThanOrEqual(1);
    }
  });
});
