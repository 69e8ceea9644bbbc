import { expect, test } from "vitest";
import { PAPERS } from "../optics/paper";
import { dryingMinutes, saturationKpa, workableMinutes, type Air, type Sheet } from "./drying";

const AIR: Air = { temperatureC: 20, humidity: 0.5 };
const [cotton] = PAPERS;
const SHEET: Sheet = { paper: cotton, weightGsm: 300 };

test("saturated vapour has the pressures of the steam tables", () => {
  // IAPWS-95 as tabulated by Wagner and Pruss (2002): 10, 20, 30, 40 °C.
  for (const [celsius, kpa] of [
    [10, 1.2282],
    [20, 2.3393],
    [30, 4.247],
    [40, 7.3849],
  ] as const)
    expect(Math.abs(saturationKpa(celsius) / kpa - 1)).toBeLessThan(0.004);
});

test("more water, a larger wash, a thicker sheet, cooler or moister air: each takes longer", () => {
  const usual = dryingMinutes(32, 200, AIR, SHEET);
  expect(dryingMinutes(60, 200, AIR, SHEET)).toBeGreaterThan(1.5 * usual);
  expect(dryingMinutes(32, 800, AIR, SHEET)).toBeGreaterThan(usual);
  expect(dryingMinutes(32, 200, AIR, { ...SHEET, weightGsm: 640 })).toBeGreaterThan(usual);
  expect(dryingMinutes(32, 200, { ...AIR, temperatureC: 12 }, SHEET)).toBeGreaterThan(usual);
  expect(dryingMinutes(32, 200, { ...AIR, humidity: 0.8 }, SHEET)).toBeGreaterThan(usual);
  const thirsty = { ...SHEET, paper: { absorbency: 0.9 } };
  expect(dryingMinutes(32, 200, AIR, thirsty)).toBeGreaterThan(usual);
});

test("in a usual room a wash takes ten minutes to an hour, under a dryer a few", () => {
  // Common practice, no source: a quarter of an hour for a small wash, half an hour and more for a big one.
  expect(dryingMinutes(32, 30, AIR, SHEET)).toBeGreaterThan(10);
  expect(dryingMinutes(32, 1000, AIR, SHEET)).toBeLessThan(75);
  expect(dryingMinutes(32, 200, AIR, SHEET, "dryer")).toBeLessThan(0.3 * dryingMinutes(32, 200, AIR, SHEET));
});

test("evaporation stays below what a film at the air's own temperature would give, and stops in saturated air", () => {
  // A film kept at 20 °C in air that moves at 0.2 m/s over 14 cm: Incropera and DeWitt 7.30 with the Lewis relation
  // give h = 4.7 W/m²K and 2.0 µm a minute, worked by hand.
  expect(32 / dryingMinutes(32, 200, AIR, { paper: { absorbency: 0 }, weightGsm: 300 })).toBeLessThan(2);
  const damp = dryingMinutes(32, 200, { temperatureC: 20, humidity: 1 }, SHEET);
  expect(damp).toBeGreaterThan(5 * dryingMinutes(32, 200, AIR, SHEET));
  expect(damp).toBeLessThanOrEqual(24 * 60);
});

test("a wash can be worked for a part of its drying, for less of it on thirsty paper", () => {
  expect(workableMinutes(30, { absorbency: 0.2 })).toBeGreaterThan(workableMinutes(30, { absorbency: 0.9 }));
  expect(workableMinutes(30, { absorbency: 1 })).toBeGreaterThan(3);
});
