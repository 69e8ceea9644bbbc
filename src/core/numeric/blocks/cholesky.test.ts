import { describe, expect, test } from "vitest";
import { compileProducts } from "../../../../scripts/build-kernel.mjs";
import { drained } from "../in-turn";
import { inverseOfSymmetric, solveSymmetric } from "../inverse";
import { seededRandom } from "../random";
import { BlockMatrix } from "./cholesky";
import { eliminationOf } from "./elimination";
import { blocksOf } from "./products";
import { PRODUCTS_BASE64 } from "./products-bytes";

const random = seededRandom(41);
const below = (count: number): number => Math.floor(random() * count);

/** A made-up problem of blocks of several sizes, sparse and dense, its matrix written out in full beside it. */
function problem(blocks: readonly number[], groups: readonly (readonly number[])[]) {
  const matrix = new BlockMatrix(eliminationOf(blocks, groups));
  const starts = blocks.map((_size, i) => blocks.slice(0, i).reduce((sum, size) => sum + size, 0));
  const { size } = matrix.shape;
  const full = new Float64Array(size * size);
  const add = (i: number, j: number, value: number): void => {
    full[i * size + j]! += value;
    matrix.add(i, j, value);
  };
  for (let i = 0; i < size; i++) add(i, i, 0.5 + random());
  for (const group of groups) {
    const places = group.flatMap((block) => Array.from({ length: blocks[block]! }, (_, i) => starts[block]! + i));
    const row = places.map(() => random() - 0.5);
    places.forEach((i, a) => places.forEach((j, b) => add(i, j, row[a]! * row[b]!)));
  }
  return { matrix, full, size };
}

describe("products of blocks", () => {
  test("the bytes are those that their source compiles to", async () => {
    expect((await compileProducts()).toString("base64")).toBe(PRODUCTS_BASE64);
  }, 60_000);

  test("C -= A Bᵀ for even and odd sides, as plain loops have it", () => {
    for (const [m, n, p] of [
      [14, 14, 14],
      [3, 14, 14],
      [14, 3, 3],
      [5, 7, 1],
      [1, 1, 2],
      [2, 5, 9],
    ] as const) {
      const { values, lessProduct } = blocksOf(m * n + m * p + n * p);
      values.forEach((_value, i) => (values[i] = random() - 0.5));
      const before = values.slice();
      lessProduct(0, m * n, m * n + m * p, m, n, p);
      for (let i = 0; i < m; i++)
        for (let j = 0; j < n; j++) {
          let sum = before[i * n + j]!;
          for (let k = 0; k < p; k++) sum -= before[m * n + i * p + k]! * before[m * n + m * p + j * p + k]!;
          expect(values[i * n + j]).toBeCloseTo(sum, 12);
        }
    }
  });
});

describe("a sparse matrix of blocks, held to the same written out in full", () => {
  const sizes = [4, 3, 1, 14, 2, 6, 3, 3, 5, 2];
  const cases = {
    "blocks that touch few others": Array.from({ length: 14 }, () => [...new Set([below(9), below(9), 9])]),
    "a chain": Array.from({ length: 9 }, (_, i) => [i, i + 1]),
    "every block with every other": [sizes.map((_size, i) => i)],
    "blocks by themselves": [],
  };
  test.each(Object.entries(cases))("%s", (_name, groups) => {
    const { matrix, full, size } = problem(sizes, groups);
    drained(matrix.factoring());
    const b = Float64Array.from({ length: size }, () => random() - 0.5);
    const solved = matrix.solved(b);
    solveSymmetric(full, size, b).forEach((value, i) => expect(solved[i]).toBeCloseTo(value, 10));
    drained(matrix.inverting());
    const inverse = inverseOfSymmetric(full, size);
    let known = 0;
    for (let i = 0; i < size; i++)
      for (let j = 0; j < size; j++) {
        const value = matrix.inverseAt(i, j);
        if (value === undefined) {
          expect(full[i * size + j]).toBe(0);
          continue;
        }
        known++;
        expect(value).toBeCloseTo(inverse[i * size + j]!, 10);
      }
    // All that stands together in a group is known.
    expect(known).toBeGreaterThanOrEqual(full.filter((value) => value !== 0).length);
  });

  test("a chain stays a chain whatever its order, and what is cleared can be filled anew", () => {
    const shuffled = [3, 0, 4, 1, 5, 2];
    const chain = Array.from({ length: 5 }, (_, i) => [shuffled[i]!, shuffled[i + 1]!]);
    const { matrix, size } = problem([2, 2, 2, 2, 2, 2], chain);
    expect(matrix.shape.stored).toBe((6 + 5) * 4);
    matrix.clear();
    for (let i = 0; i < size; i++) matrix.add(i, i, 4);
    drained(matrix.factoring());
    expect([...matrix.solved(new Float64Array(size).fill(1))]).toEqual(Array.from({ length: size }, () => 0.25));
  });

  test("one that is not positive definite is refused", () => {
    const { matrix } = problem([2, 2], [[0, 1]]);
    matrix.add(3, 3, -9);
    expect(() => drained(matrix.factoring())).toThrow(RangeError);
  });
});
