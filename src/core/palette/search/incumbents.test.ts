import { expect, test } from "vitest";
import { Incumbents } from "./incumbents";

test("keeps the best so many, best first, each once in whatever order its paints are named", () => {
  const best = new Incumbents(2);
  expect(best.limit).toBe(Infinity);
  best.offer([3, 1], 5);
  best.offer([1, 3], 5);
  expect(best.kept).toEqual([{ paints: [1, 3], error: 5 }]);
  best.offer([2, 1], 4);
  expect(best.limit).toBe(5);
  best.offer([4, 1], 4.5);
  best.offer([5, 1], 4.5);
  expect(best.kept).toEqual([
    { paints: [1, 2], error: 4 },
    { paints: [1, 4], error: 4.5 },
  ]);
});

test("what is not allowed is not kept, however good", () => {
  const best = new Incumbents(1, (paints) => !paints.includes(7));
  best.offer([7], 0);
  best.offer([1], 9);
  expect(best.kept).toEqual([{ paints: [1], error: 9 }]);
});
