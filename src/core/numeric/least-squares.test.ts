import { describe, expect, test } from "vitest";
import { deviationOf, leastSquares } from "./least-squares";

describe("damped least squares", () => {
  test("Rosenbrock's valley (Rosenbrock 1960) from the usual start to its minimum at 1, 1", () => {
    const { at, cost } = leastSquares(
      ([x, y]) => Float64Array.of(10 * (y! - x! * x!), 1 - x!),
      Float64Array.of(-1.2, 1),
    );
    expect(at[0]).toBeCloseTo(1, 5);
    expect(at[1]).toBeCloseTo(1, 5);
    expect(cost).toBeLessThan(1e-9);
  });

  test("Powell's singular function (Moré, Garbow and Hillstrom 1981, problem 13) comes down to nothing", () => {
    const { cost } = leastSquares(
      ([a, b, c, d]) =>
        Float64Array.of(a! + 10 * b!, Math.sqrt(5) * (c! - d!), (b! - 2 * c!) ** 2, Math.sqrt(10) * (a! - d!) ** 2),
      Float64Array.of(3, -1, 0, 1),
    );
    expect(cost).toBeLessThan(1e-8);
  });

  test("a straight line has the slope, the intercept and the deviations of the closed form", () => {
    const xs = [1, 2, 3, 4, 5, 6];
    const ys = [1.1, 1.9, 3.2, 3.9, 5.1, 5.8];
    const sigma = 0.2;
    const { at, slopes } = leastSquares(
      ([a, b]) => Float64Array.from(xs, (x, i) => (a! + b! * x - ys[i]!) / sigma),
      Float64Array.of(0, 0),
    );
    const mean = (list: readonly number[]): number => list.reduce((s, v) => s + v, 0) / list.length;
    const [mx, my] = [mean(xs), mean(ys)];
    const sxx = xs.reduce((s, x) => s + (x - mx) ** 2, 0);
    const slope = xs.reduce((s, x, i) => s + (x - mx) * (ys[i]! - my), 0) / sxx;
    expect(at[1]).toBeCloseTo(slope, 6);
    expect(at[0]).toBeCloseTo(my - slope * mx, 6);
    expect(deviationOf(slopes, Float64Array.of(0, 1))).toBeCloseTo(sigma / Math.sqrt(sxx), 5);
    expect(deviationOf(slopes, Float64Array.of(1, 0))).toBeCloseTo(
      sigma * Math.sqrt(1 / xs.length + (mx * mx) / sxx),
      5,
    );
    // At the middle of the points only the mean's own deviation is left.
    expect(deviationOf(slopes, Float64Array.of(1, mx))).toBeCloseTo(sigma / Math.sqrt(xs.length), 5);
  });

  test("what no residual depends on is not known at all", () => {
    expect(deviationOf([Float64Array.of(1, 0)], Float64Array.of(0, 1))).toBe(Infinity);
  });
});
