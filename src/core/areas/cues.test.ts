import { describe, expect, test } from "vitest";
import { cuesOf } from "./cues";
import { mergeTree } from "./merge-tree";
import { cutTree } from "./cut-tree";
import type { Superpixels } from "./superpixels";

const [WIDTH, HEIGHT] = [220, 120];
/** An image whose OKLab is given by place. */
function imageOf(at: (x: number, y: number) => readonly [number, number, number]) {
  const oklab = new Float32Array(3 * WIDTH * HEIGHT);
  for (let i = 0; i < WIDTH * HEIGHT; i++) oklab.set(at(i % WIDTH, Math.floor(i / WIDTH)), 3 * i);
  return { width: WIDTH, height: HEIGHT, oklab, linear: oklab };
}

describe("the cues by which shapes are kept apart", () => {
  test("a crisp step is strong where it is and nowhere else; a slow run is weak everywhere", () => {
    const { crisp, broad } = cuesOf(imageOf((x) => [x < 110 ? 0.4 : 0.6, 0, 0]));
    const row = 60 * WIDTH;
    expect(crisp[row + 110]).toBeGreaterThan(0.1);
    expect(broad[row + 110]).toBeGreaterThan(0.1);
    expect(Math.max(crisp[row + 40]!, broad[row + 40]!, crisp[row + 180]!, broad[row + 180]!)).toBeLessThan(1e-6);
    const slow = cuesOf(imageOf((x) => [0.4 + (0.2 * x) / WIDTH, 0, 0]));
    expect(Math.max(...slow.crisp)).toBeLessThan(0.01);
  });

  test("a step in hue alone counts more than one of the same size in lightness", () => {
    const at = 60 * WIDTH + 110;
    const light = cuesOf(imageOf((x) => [x < 110 ? 0.5 : 0.56, 0, 0])).crisp[at]!;
    const hue = cuesOf(imageOf((x) => [0.5, 0, x < 110 ? 0 : 0.06])).crisp[at]!;
    expect(hue / light).toBeCloseTo(2, 3);
  });

  test("fine stripes are strong near by and weak over a wider stretch", () => {
    const { crisp, broad } = cuesOf(imageOf((x) => [x % 2 ? 0.45 : 0.55, 0, 0]));
    const at = 60 * WIDTH + 111;
    expect(broad[at]).toBeLessThan(0.02);
    expect(crisp[at]).toBeLessThan(0.02);
    const wider = cuesOf(imageOf((x) => [Math.floor(x / 3) % 2 ? 0.4 : 0.6, 0, 0]));
    const most = (values: Float32Array): number => Math.max(...values.subarray(at - 3, at + 4));
    expect(most(wider.broad)).toBeLessThan(0.6 * most(wider.crisp));
  });

  test("what an area takes away does not make its neighbours look surrounded", () => {
    // Four squares in a row of different greys; with the first taken the other three stay three.
    const side = 55;
    const image = imageOf((x) => [[0.3, 0.45, 0.5, 0.8][Math.floor(x / side)]!, 0, 0]);
    const labels = Int32Array.from(
      { length: WIDTH * HEIGHT },
      (_, i) =>
        4 * Math.floor((i % WIDTH) / side) + (Math.floor(i / WIDTH) < 60 ? 0 : 2) + ((i % WIDTH) % side < 27 ? 0 : 1),
    );
    const pieces: Superpixels = { width: WIDTH, height: HEIGHT, labels, count: 16 };
    const only = Uint8Array.from({ length: 16 }, (_, k) => (k < 4 ? 0 : 1));
    const { shapeOf } = cutTree(mergeTree(pieces, cuesOf(image), only, 0), 3, (k) => only[k] === 1);
    for (const first of [4, 8, 12]) expect(new Set(shapeOf.slice(first, first + 4)).size).toBe(1);
    expect(new Set(shapeOf.slice(4)).size).toBe(3);
  });
});
