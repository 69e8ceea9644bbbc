import { expect, test } from "vitest";
import { dearCost, dearness, dislikeOf, DRYING_UP_YEARS, dryingUp, tastesOf, type Stock } from "./taste";

const plain: Stock = { favourite: false, mood: false, openYears: null, pricePerMl: null };

test("where nothing is liked or priced, nothing is held against any mix", () => {
  const tastes = tastesOf([plain, plain, plain]);
  expect(dislikeOf(tastes) + dearCost(tastes, [0.5, 0.3, 0.2], 1, 1000)).toBe(0);
});

test("the mood of the day counts more than an old tube, that more than a favourite, and all of them together most", () => {
  const [all, mood, old, favourite, none] = tastesOf([
    { ...plain, favourite: true, mood: true, openYears: DRYING_UP_YEARS },
    { ...plain, mood: true },
    { ...plain, openYears: DRYING_UP_YEARS + 1 },
    { ...plain, favourite: true },
    { ...plain, openYears: DRYING_UP_YEARS - 1 },
  ]).map(({ less }) => less);
  expect(all).toBe(0);
  expect([mood, old, favourite, none]).toEqual([mood, old, favourite, none].toSorted((a, b) => a! - b!));
  // A mix loses what its paints lose in the mean, so a third paint is no gain in itself.
  const tastes = [all, none].map((less) => ({ less: less!, sheet: 0 }));
  expect(dislikeOf(tastes)).toBeCloseTo(none! / 2, 9);
  // All of it together counts less than what is wished of an area.
  expect(none).toBeLessThan(3);
});

test("a tube four times as dear as the middle one is spared on a sheet, hardly on a touch; few prices say nothing", () => {
  const prices = [1, 1, 1, 4, null];
  expect(dearness(4, prices)).toBeCloseTo(2, 9);
  expect([dearness(1, prices), dearness(null, prices), dearness(4, [4, 1])]).toEqual([0, 0, 0]);
  const tastes = tastesOf(prices.map((pricePerMl) => ({ ...plain, pricePerMl })));
  const over = (areaCm2: number) => dearCost([tastes[3]!], [1], 0.3, areaCm2);
  expect(over(500)).toBeGreaterThan(0.3);
  expect(over(5)).toBeLessThan(0.01);
  expect(dearCost([tastes[0]!], [1], 0.3, 500)).toBe(0);
  expect(dryingUp(plain)).toBe(false);
});
