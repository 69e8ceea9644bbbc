import { expect, test } from "vitest";
import { seededRandom } from "./random";
import { solveLinear } from "./solve";
import { addOuter, inverse3, product3, quadratic3, sum3, times3 } from "./three";

const random = seededRandom(6);
const drawn = (): Float64Array => {
  const matrix = Float64Array.of(0.4, 0, 0, 0, 0.4, 0, 0, 0, 0.4);
  for (let i = 0; i < 4; i++)
    addOuter(
      matrix,
      [0, 1, 2].map(() => random() - 0.5),
      1 + random(),
    );
  return matrix;
};
const rowsOf = (m: Float64Array): number[][] => [0, 1, 2].map((i) => [0, 1, 2].map((j) => m[3 * i + j]!));

test("the inverse is that of pivoted elimination; a matrix times it is one", () => {
  for (let n = 0; n < 20; n++) {
    const matrix = drawn();
    const inverse = inverse3(matrix);
    for (let j = 0; j < 3; j++)
      solveLinear(
        rowsOf(matrix),
        [0, 1, 2].map((i) => Number(i === j)),
      )!.forEach((value, i) => expect(inverse[3 * i + j]).toBeCloseTo(value, 9));
    product3(matrix, inverse).forEach((value, i) => expect(value).toBeCloseTo(Number(i % 4 === 0), 9));
  }
  expect(() => inverse3(new Float64Array(9))).toThrow(RangeError);
});

test("times, sums and squares by hand", () => {
  const matrix = Float64Array.of(1, 2, 3, 4, 5, 6, 7, 8, 10);
  expect([...times3(matrix, [1, 0, -1])]).toEqual([-2, -2, -3]);
  expect(quadratic3(matrix, [1, 1, 0])).toBe(12);
  expect([...sum3(matrix, matrix)]).toEqual([2, 4, 6, 8, 10, 12, 14, 16, 20]);
  const outer = new Float64Array(9);
  addOuter(outer, [9, 1, 2, 3], 2, 1);
  expect([...outer]).toEqual([2, 4, 6, 4, 8, 12, 6, 12, 18]);
});
