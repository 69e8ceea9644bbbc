import { expect, test } from "vitest";
import type { PaintingPlan, TimedWash } from "./painting-plan";
import { sittingAt, type SatAt } from "./sitting";

const wash = (key: string, dryMinutes = 30, task: TimedWash["task"] = "first") =>
  ({ key, dryMinutes, task }) as unknown as TimedWash;
const rule = (first: string, then: string, dry = true) => ({
  first,
  then,
  dry,
  why: "light" as const,
  soften: false,
});
const PLAN = {
  washes: [wash("sky"), wash("cloud", 10), wash("hill"), wash("bird", 5, "drop")],
  rules: [rule("sky", "cloud"), rule("hill", "bird", false)],
} satisfies Pick<PaintingPlan, "washes" | "rules">;
const MINUTE = 60_000;
const done = (atMs: number): SatAt => ({ as: "done", atMs });

test("a sitting begins at the first wash, and what depends on nothing could go on as well", () => {
  expect(sittingAt(PLAN, new Map(), 0)).toEqual({
    present: "sky",
    dryAtMs: null,
    waitsFor: null,
    meanwhile: ["hill"],
    finished: 0,
  });
});

test("the next wash waits until what it touches is dry; others are offered meanwhile", () => {
  const sat = new Map([["sky", done(5 * MINUTE)]]);
  const wet = sittingAt(PLAN, sat, 6 * MINUTE);
  expect(wet).toMatchObject({
    present: "cloud",
    waitsFor: "sky",
    dryAtMs: 35 * MINUTE,
    meanwhile: ["hill"],
    finished: 1,
  });
  expect(sittingAt(PLAN, sat, 36 * MINUTE)).toMatchObject({ present: "cloud", dryAtMs: null, waitsFor: null });
});

test("what is passed over holds nothing up, and a drop is not offered for a pause", () => {
  const passed = new Map([["sky", { as: "skipped", atMs: 0 } as const]]);
  expect(sittingAt(PLAN, passed, 1)).toMatchObject({ present: "cloud", dryAtMs: null });
  expect(sittingAt(PLAN, new Map([["hill", done(0)]]), 1).meanwhile).toEqual([]);
});

test("one that was painted too early is waited for as well, and at the end there is nothing left", () => {
  const early = new Map([["cloud", done(0)]]);
  expect(sittingAt(PLAN, early, MINUTE)).toMatchObject({ present: "sky", waitsFor: "cloud", dryAtMs: 10 * MINUTE });
  const all = new Map(PLAN.washes.map(({ key }) => [key, done(0)]));
  expect(sittingAt(PLAN, all, 1)).toMatchObject({ present: null, meanwhile: [], finished: 4 });
});
