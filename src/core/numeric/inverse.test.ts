import { expect, test } from "vitest";
import { inverseOfSymmetric, solveSymmetric } from "./inverse";
import { seededRandom } from "./random";
import { solveLinear } from "./solve";

test("the inverse and the solution are those of pivoted elimination, for sizes around the unrolled loop", () => {
  const random = seededRandom(4);
  for (const n of [1, 2, 3, 4, 5, 8, 13]) {
    const roots = Array.from({ length: n * n }, () => random() - 0.5);
    const matrix = new Float64Array(n * n);
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++) {
        for (let k = 0; k < n; k++) matrix[i * n + j]! += roots[n * i + k]! * roots[n * j + k]!;
        if (i === j) matrix[i * n + j]! += 0.5;
      }
    const rows = Array.from({ length: n }, (_, i) => Array.from(matrix.subarray(i * n, i * n + n)));
    const inverse = inverseOfSymmetric(matrix, n);
    for (let j = 0; j < n; j++) {
      const unit = Float64Array.from({ length: n }, (_, i) => Number(i === j));
      const column = solveLinear(rows, [...unit])!;
      const solved = solveSymmetric(matrix, n, unit);
      column.forEach((value, i) => {
        expect(inverse[i * n + j]).toBeCloseTo(value, 9);
        expect(solved[i]).toBeCloseTo(value, 9);
      });
    }
  }
});

test("a matrix that is not positive definite is refused", () => {
  expect(() => inverseOfSymmetric(Float64Array.of(1, 2, 2, 1), 2)).toThrow(RangeError);
  expect(() => solveSymmetric(Float64Array.of(0), 1, Float64Array.of(1))).toThrow(RangeError);
});
