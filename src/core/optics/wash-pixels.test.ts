import { expect, test } from "vitest";
import { drawnMix } from "../mixing/load-colours";
import { paintModel, type PaintModel } from "../mixing/paint";
import { PAPERS } from "./paper";
import { noiseRow, valueNoise, washPixels } from "./wash-pixels";

const strip = (id: string, seed = 3, change: Partial<PaintModel> = {}) => {
  const paint = { ...paintModel(id, [{ pigmentId: id, share: 1 }]), ...change };
  const { colours, spread, rimGain } = drawnMix([{ paint, parts: 1 }], PAPERS[0]);
  return {
    spread,
    pixels: washPixels(colours, {
      widthPx: 240,
      heightPx: 48,
      from: 1,
      to: 0.012,
      spread,
      rimGain,
      grainPx: 2.4,
      seed,
    }),
  };
};
/** Mean and standard deviation of green over a column band of the strip. */
function green(pixels: Uint8ClampedArray, from: number, to: number): { mean: number; deviation: number } {
  const values: number[] = [];
  for (let y = 12; y < 36; y++) for (let x = from; x < to; x++) values.push(pixels[4 * (y * 240 + x) + 1]!);
  const mean = values.reduce((a, b) => a + b, 0) / values.length;
  return { mean, deviation: Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length) };
}

test("a strip runs from masstone to tint, solid inside, clear outside its ragged edge", () => {
  const { pixels } = strip("PB29");
  expect(green(pixels, 200, 230).mean).toBeGreaterThan(green(pixels, 10, 40).mean + 100);
  expect(pixels[4 * (24 * 240 + 120) + 3]).toBe(255);
  const rim = Array.from({ length: 240 }, (_, x) => pixels[4 * x + 3]);
  expect(rim.filter((alpha) => alpha === 0).length).toBeGreaterThan(40);
  expect(new Set(rim).size).toBeGreaterThan(20);
});

test("a granulating paint shows more texture than one of the same colour that lies flat", () => {
  const rough = strip("PB29");
  const smooth = strip("PB29", 3, { granulation: 0 });
  expect(rough.spread).toBeGreaterThan(2 * smooth.spread);
  expect(green(rough.pixels, 100, 130).deviation).toBeGreaterThan(1.3 * green(smooth.pixels, 100, 130).deviation);
});

test("the same seed draws the same wash; the noise has no drift", () => {
  expect(strip("PR254").pixels).toEqual(strip("PR254").pixels);
  expect(strip("PR254").pixels).not.toEqual(strip("PR254", 4).pixels);
  let sum = 0;
  for (let i = 0; i < 4000; i++) sum += valueNoise(i * 0.73, i * 1.31, 5);
  expect(Math.abs(sum / 4000)).toBeLessThan(0.05);
});

test("a row of noise is what its points are", () => {
  for (const [scale, y] of [
    [1 / 23, 4.3],
    [0.875, 11.2],
    [2.1, 0],
  ] as const) {
    const row = new Float64Array(90);
    noiseRow(row, scale, y, 9);
    row.forEach((value, x) => expect(value).toBeCloseTo(valueNoise(x * scale, y, 9), 12));
  }
});
