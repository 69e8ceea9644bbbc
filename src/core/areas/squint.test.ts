import { describe, expect, test } from "vitest";
import { seededRandom } from "../numeric/random";
import { deltaE00 } from "../colour/difference";
import { oklabOfLinearSrgb } from "../colour/oklab";
import { labOfLinear } from "../image/pixels";
import { boxMean } from "./cues";
import { detailsOf } from "./detail";
import { boxMedian, squinted } from "./squint";

const [WIDTH, HEIGHT] = [23, 17];
const random = seededRandom(4);
const plane = Float32Array.from({ length: WIDTH * HEIGHT }, () => random());

/** All values within a square about a pixel, cut off at the border. */
function around(values: Float32Array, x: number, y: number, reach: number): number[] {
  const out: number[] = [];
  for (let j = Math.max(0, y - reach); j <= Math.min(HEIGHT - 1, y + reach); j++)
    for (let i = Math.max(0, x - reach); i <= Math.min(WIDTH - 1, x + reach); i++) out.push(values[j * WIDTH + i]!);
  return out.sort((a, b) => a - b);
}

describe("looking with half-closed eyes", () => {
  test.each([1, 3, 40])("running means and medians over %i pixels are those of every window, counted anew", (reach) => {
    const [means, medians] = [boxMean(plane, WIDTH, HEIGHT, reach), boxMedian(plane, WIDTH, HEIGHT, reach)];
    for (let y = 0; y < HEIGHT; y++) {
      for (let x = 0; x < WIDTH; x++) {
        const window = around(plane, x, y, reach);
        expect(means[y * WIDTH + x]).toBeCloseTo(window.reduce((sum, v) => sum + v) / window.length, 5);
        expect(Math.abs(medians[y * WIDTH + x]! - window[window.length >> 1]!)).toBeLessThanOrEqual(1 / 255);
      }
    }
  });

  test("what is lost is told as detail on its ground, with its colour; a plain ground has none", () => {
    const [width, height] = [400, 240];
    const map = {
      width,
      height,
      labels: Uint8Array.from({ length: width * height }, (_, i) => (i < (width * height) / 2 ? 1 : 2)),
    };
    const linear = new Float32Array(3 * width * height);
    const oklab = new Float32Array(3 * width * height);
    for (let i = 0; i < width * height; i++) {
      const stem = (i % width) % 25 < 2 && map.labels[i] === 2;
      const light = stem ? { r: 0.3, g: 0.12, b: 0.04 } : { r: 0.1, g: 0.2, b: 0.4 };
      const { L, a, b } = oklabOfLinearSrgb(light);
      linear.set([light.r, light.g, light.b], 3 * i);
      oklab.set([L, a, b], 3 * i);
    }
    const image = { width, height, linear, oklab };
    const details = detailsOf(map, image, squinted(image));
    expect([...details.keys()]).toEqual([2]);
    expect(details.get(2)!.share).toBeCloseTo(2 / 25, 2);
    // As light, a stem's own: Lab of linear Display P3 (0.3, 0.12, 0.04).
    expect(deltaE00(details.get(2)!.lab, labOfLinear({ r: 0.3, g: 0.12, b: 0.04 }))).toBeLessThan(1);
  });

  test("stems before water give way to it, and the horizon stays where it is", () => {
    const [width, height] = [400, 240];
    const oklab = new Float32Array(3 * width * height);
    for (let i = 0; i < width * height; i++) {
      const [x, y] = [i % width, Math.floor(i / width)];
      const stem = x % 40 < 3 && y > 60;
      oklab.set(stem ? [0.6, 0.05, 0.1] : y < 120 ? [0.8, 0, -0.05] : [0.5, -0.02, -0.1], 3 * i);
    }
    const calm = squinted({ width, height, oklab, linear: oklab });
    for (let x = 10; x < width - 10; x++) {
      for (const [y, L] of [
        [110, 0.8],
        [112, 0.8],
        [128, 0.5],
        [200, 0.5],
      ])
        expect(calm[3 * (y! * width + x)]).toBeCloseTo(L!, 2);
    }
  });
});
