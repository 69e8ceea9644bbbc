import { expect, test } from "vitest";
import { NEW_PLAN, satWashes, storedPlan, type StoredPlan } from "./plan";

const ID = "7c1f0a52-6a0f-4f0e-9f11-3d1f2f6f0a01";
const OTHER = "7c1f0a52-6a0f-4f0e-9f11-3d1f2f6f0a02";
const taken = (change: Partial<Record<keyof StoredPlan, unknown>>): boolean =>
  storedPlan.safeParse({ ...NEW_PLAN, ...change }).success;

test("a plan takes washes by their keys, once each, lights by their areas, and what can be painted in", () => {
  expect(taken({})).toBe(true);
  expect(taken({ order: [ID, `${ID} 2`, `${OTHER} mask`, `${OTHER} unmask`, `${OTHER} lift`] })).toBe(true);
  for (const order of [["sky"], [`${ID} glaze`], [ID, ID], [`${ID} 12`]]) expect(taken({ order })).toBe(false);
  expect(taken({ reserved: [{ areaId: ID, how: "mask" }] })).toBe(true);
  expect(taken({ reserved: [ID, ID].map((areaId) => ({ areaId, how: "lift" })) })).toBe(false);
  expect(taken({ tested: [{ colourId: ID, value: 6.5 }] })).toBe(true);
  expect(taken({ tested: [{ colourId: ID, value: 11 }] })).toBe(false);
  for (const change of [
    { temperatureC: -3 },
    { humidity: 1.2 },
    { weightGsm: 250 },
    { hand: "both" },
    { crispBy: "tape" },
  ])
    expect(taken(change)).toBe(false);
});

test("a plan of before this one's settings has the usual ones", () => {
  const { crispBy: _, tested: _none, ...before } = NEW_PLAN;
  expect(storedPlan.parse(before)).toEqual(NEW_PLAN);
});

test("of a wash that was noted twice the last word counts", () => {
  const sat: StoredPlan["sat"] = [
    { key: ID, as: "skipped", at: "2026-05-01T18:00:00.000Z" },
    { key: OTHER, as: "done", at: "2026-05-01T18:05:00.000Z" },
    { key: ID, as: "done", at: "2026-05-01T18:20:00.000Z" },
  ];
  const found = satWashes(storedPlan.parse({ ...NEW_PLAN, sat }));
  expect([...found].map(([key, { as }]) => [key, as])).toEqual([
    [ID, "done"],
    [OTHER, "done"],
  ]);
  expect(taken({ sat: [{ key: ID, as: "done", at: "yesterday" }] })).toBe(false);
});
