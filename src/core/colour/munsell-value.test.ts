import { expect, test } from "vitest";
import { luminanceOfValue, valueOfLuminance } from "./munsell-value";

// ASTM D1535-08, table of Munsell value against luminous reflectance Y (percent, perfect diffuser = 100).
const TABLE: readonly (readonly [value: number, Y: number])[] = [
  [1, 1.18],
  [2, 3.05],
  [3, 6.39],
  [4, 11.7],
  [5, 19.27],
  [6, 29.3],
  [7, 41.98],
  [8, 57.62],
  [9, 76.69],
  [10, 100],
];

test.each(TABLE)("value %d has the luminance of ASTM D1535", (value, Y) => {
  expect(Math.abs(100 * luminanceOfValue(value) - Y)).toBeLessThan(0.02);
  expect(Math.abs(valueOfLuminance(Y / 100) - value)).toBeLessThan(0.01);
});

test("inverts over the whole range and clamps outside it", () => {
  for (let value = 0; value <= 10; value += 0.05)
    expect(valueOfLuminance(luminanceOfValue(value))).toBeCloseTo(value, 8);
  expect(valueOfLuminance(-1)).toBe(0);
  expect(valueOfLuminance(7)).toBeCloseTo(10, 9);
});
