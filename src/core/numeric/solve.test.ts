import { expect, test } from "vitest";
import { solveLinear } from "./solve";

test("Hilbert's matrix of order 5 times ones is solved by ones, though it is all but singular", () => {
  const A = Array.from({ length: 5 }, (_, i) => Array.from({ length: 5 }, (__, j) => 1 / (i + j + 1)));
  solveLinear(
    A,
    A.map((row) => row.reduce((sum, v) => sum + v, 0)),
  )!.forEach((x) => expect(x).toBeCloseTo(1, 8));
});

test("a nought on the diagonal only asks for another row; a singular system has no answer; what is given stays as it was", () => {
  const A = [
    [0, 2],
    [3, 1],
  ];
  expect(solveLinear(A, [4, 5])).toEqual([1, 2]);
  expect(A).toEqual([
    [0, 2],
    [3, 1],
  ]);
  expect(
    solveLinear(
      [
        [1, 2],
        [2, 4],
      ],
      [1, 1],
    ),
  ).toBeNull();
});
