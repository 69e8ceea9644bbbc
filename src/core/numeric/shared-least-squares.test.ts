import { describe, expect, test } from "vitest";
import { leastSquares } from "./least-squares";
import { seededRandom } from "./random";
import { sharedLeastSquares, type SharedBlock } from "./shared-least-squares";

/** Curves a + b exp(-c x) with a and b of their own and c in common, with noise. */
const random = seededRandom(5);
const XS = Array.from({ length: 12 }, (_, i) => i / 4);
const curves = Array.from({ length: 6 }, () => {
  const [a, b] = [random(), 1 + random()];
  return XS.map((x) => a + b * Math.exp(-0.8 * x) + 0.02 * (random() - 0.5));
});
const misses = (ys: readonly number[], a: number, b: number, c: number): number[] =>
  XS.map((x, i) => a + b * Math.exp(-c * x) - ys[i]!);
const blocks = curves.map((ys): SharedBlock => ({
  start: Float64Array.of(0, 1),
  residuals: ([a, b], [c]) => misses(ys, a!, b!, c!),
}));

describe("least squares over problems that share a number", () => {
  test("ends where the same problem ends as one", () => {
    const whole = leastSquares(
      (at) => Float64Array.from(curves.flatMap((ys, i) => misses(ys, at[2 * i]!, at[2 * i + 1]!, at[12]!))),
      Float64Array.of(...curves.flatMap(() => [0, 1]), 0.3),
    );
    const { common, own } = sharedLeastSquares(blocks, Float64Array.of(0.3));
    expect(common[0]).toBeCloseTo(whole.at[12]!, 4);
    own.forEach(([a, b], i) => {
      expect(a).toBeCloseTo(whole.at[2 * i]!, 3);
      expect(b).toBeCloseTo(whole.at[2 * i + 1]!, 3);
    });
    expect(common[0]).toBeCloseTo(0.8, 1);
  });

  test("what is expected of the common number is a block without own ones, and pulls", () => {
    const held: SharedBlock = { start: new Float64Array(0), residuals: (_, [c]) => [(c! - 0.5) / 1e-4] };
    expect(sharedLeastSquares([...blocks, held], Float64Array.of(0.3)).common[0]).toBeCloseTo(0.5, 3);
  });
});
