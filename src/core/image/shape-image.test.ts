import { describe, expect, test } from "vitest";
import { resized, shapeImageOf } from "./pixels";

/** A map's image of two halves and a bright line, in light. */
function wide(width: number, height: number) {
  const linear = new Float32Array(3 * width * height);
  for (let i = 0; i < width * height; i++) linear.fill(i % width < width / 2 ? 0.1 : 0.5, 3 * i, 3 * i + 3);
  return { width, height, linear, oklab: new Float32Array(linear.length) };
}

describe("the smaller image that shapes are found on", () => {
  test("averages light, not lightness, and keeps its whole", () => {
    const image = wide(1000, 600);
    const small = shapeImageOf(image);
    expect([small.width, small.height]).toEqual([640, 384]);
    const mean = (values: Float32Array): number => values.reduce((sum, value) => sum + value, 0) / values.length;
    expect(mean(small.linear)).toBeCloseTo(mean(image.linear), 2);
    // OKLab lightness of a neutral is the cube root of its light.
    expect(small.oklab[0]).toBeCloseTo(Math.cbrt(0.1), 3);
    expect(small.oklab[3 * 639]).toBeCloseTo(Math.cbrt(0.5), 3);
    const little = wide(300, 200);
    expect(shapeImageOf(little)).toBe(little);
  });

  test("labels go to another size and back without moving their borders by more than a pixel of the smaller", () => {
    const [large, small] = [
      { width: 1000, height: 600 },
      { width: 640, height: 384 },
    ];
    const labels = Uint8Array.from({ length: 600_000 }, (_, i) => (i % 1000 < 333 ? 1 : i < 300_000 ? 2 : 3));
    const there = resized(labels, large, small);
    expect(there.length).toBe(640 * 384);
    const back = resized(there, small, large);
    let wrong = 0;
    for (let i = 0; i < labels.length; i++) if (labels[i] !== back[i]) wrong++;
    expect(wrong).toBeLessThan(2 * (600 + 1000));
    expect(resized(labels, large, large)).toBe(labels);
    expect(resized(Int32Array.from([7, -1]), { width: 2, height: 1 }, { width: 4, height: 1 })).toEqual(
      Int32Array.from([7, 7, -1, -1]),
    );
  });
});
