import { expect, test } from "vitest";
import { throughJpeg } from "./develop";
import { runTrial } from "./trial";

const at = (list: readonly number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.floor(share * (list.length - 1))]!;

// The whole bench with many boxes of paint is `npm run bench`; this is one box, the same in every run.
test("from one photo of each of two cards unseen mixes are predicted far nearer than by the handbook, and the likely error told is of the right size", async () => {
  const { handbook, fitted, alone, said, refused } = await runTrial({
    seed: 3,
    trouble: { moderate: 0.6 },
    widthPx: 680,
    heightPx: 900,
    cards: 2,
    mixes: 120,
    develop: throughJpeg,
  });
  expect(refused).toEqual([]);
  expect(fitted).toHaveLength(120);
  expect(at(fitted, 0.5)).toBeLessThan(1.5);
  expect(at(fitted, 0.9)).toBeLessThan(3.5);
  expect(at(handbook, 0.5)).toBeGreaterThan(2 * at(fitted, 0.5));
  expect(at(alone.fitted, 0.5)).toBeLessThan(0.6 * at(alone.handbook, 0.5));
  const told = at(said, 0.5);
  expect(told).toBeGreaterThan(0.7 * at(alone.fitted, 0.5));
  expect(told).toBeLessThan(1.6 * at(alone.fitted, 0.5));
});
