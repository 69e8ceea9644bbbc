import { describe, expect, test } from "vitest";
import { illuminationOf, type PaperSample } from "./illumination";
import { paperPlaces, ROWS } from "./layout";

/** Light that falls off to one side and towards the corners, differently for each channel. */
const truth = (x: number, y: number): [number, number, number] => {
  const [u, v] = [x / 88 - 1, y / 118 - 1];
  const bend = 0.12 * u - 0.08 * v - 0.1 * (u * u + v * v);
  return [0.62 * Math.exp(bend), 0.66 * Math.exp(0.9 * bend), 0.55 * Math.exp(1.2 * bend)];
};
const samples = (rows = ROWS): PaperSample[] =>
  Array.from({ length: rows }, (_, row) => row)
    .flatMap(paperPlaces)
    .map(({ x, y, width, height }) => {
      const [cx, cy] = [x + width / 2, y + height / 2];
      return { x: cx, y: cy, linear: truth(cx, cy) };
    });
const worst = (light: ReturnType<typeof illuminationOf>, rows = ROWS): number =>
  Math.max(
    ...samples(rows).flatMap(({ x, y, linear }) => light.at(x, y).map((value, c) => Math.abs(value / linear[c]! - 1))),
  );

describe("light on the card from its bare paper", () => {
  test("a slanting, vignetted light is found to within half a per cent", () => {
    const light = illuminationOf(samples());
    expect(worst(light)).toBeLessThan(0.005);
    expect(light.unusable).toBe(0);
    expect(light.unevenness).toBeGreaterThan(1.2);
  });

  test("a quarter of the gaps painted over changes nothing and is told", () => {
    const spoiled = samples().map((sample, i) =>
      i % 4 === 1
        ? { ...sample, linear: sample.linear.map((v) => v * (0.2 + 0.02 * (i % 7))) as [number, number, number] }
        : sample,
    );
    const light = illuminationOf(spoiled);
    expect(worst(light)).toBeLessThan(0.01);
    expect(light.unusable).toBeGreaterThan(0.2);
    expect(light.unusable).toBeLessThan(0.3);
  });

  test("a single row is enough for its own place", () => {
    expect(worst(illuminationOf(samples(1)), 1)).toBeLessThan(0.02);
  });

  test("no paper is no light", () => {
    expect(() => illuminationOf([])).toThrow(RangeError);
  });
});
