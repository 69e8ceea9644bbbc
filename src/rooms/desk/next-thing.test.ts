import { expect, test } from "vitest";
import { DESK_STEPS } from "./desk-state";
import { nextThing, type Progress } from "./next-thing-words";

const at = (change: Partial<Progress>): Progress => ({
  step: "photo",
  atHand: 20,
  areas: 0,
  colours: 0,
  mixed: 0,
  laidOut: 0,
  outside: { paints: [], colours: 0 },
  ...change,
});

test("who follows the next thing comes from a bare photo to the mixes", () => {
  expect(nextThing(at({})).go).toMatchObject({ to: "areas" });
  expect(nextThing(at({ step: "areas" }))).toMatchObject({ says: expect.stringContaining("proposed"), go: null });
  const found = { areas: 5, colours: 7 };
  expect(nextThing(at({ step: "areas", ...found }))).toMatchObject({
    says: "5 areas, 7 colours to paint.",
    go: { to: "palette" },
  });
  expect(nextThing(at({ step: "palette", ...found })).go).toBeNull();
  expect(nextThing(at({ step: "palette", ...found, laidOut: 1, mixed: 7 }))).toMatchObject({
    says: "1 paint laid out, all 7 colours mixed.",
    go: { to: "mixes" },
  });
  expect(nextThing(at({ step: "mixes", ...found, laidOut: 3, mixed: 6 }))).toMatchObject({
    says: "6 of 7 colours mixed, 1 to go.",
    go: { to: "unmixed" },
  });
  expect(nextThing(at({ step: "mixes", ...found, laidOut: 3, mixed: 7 })).go).toMatchObject({ to: "check" });
  expect(nextThing(at({ step: "check", ...found, laidOut: 3, mixed: 7 })).go).toMatchObject({ to: "plan" });
  expect(nextThing(at({ step: "plan", ...found, laidOut: 3, mixed: 7 })).go).toBeNull();
});

test("a step that can't answer yet says what it waits for, and leads there", () => {
  for (const step of ["palette", "mixes", "check", "plan"] as const) {
    expect(nextThing(at({ step }))).toMatchObject({ says: expect.stringContaining("waits"), go: { to: "areas" } });
    expect(nextThing(at({ step, areas: 2, colours: 2, atHand: 0 }))).toMatchObject({
      says: expect.stringContaining("waits"),
      go: { to: "paintbox" },
    });
  }
  expect(nextThing(at({ step: "mixes", areas: 2, colours: 2 })).go).toMatchObject({ to: "palette" });
  for (const step of DESK_STEPS) expect(nextThing(at({ step })).says).not.toBe("");
});

test("what is mixed from paints that are not laid out is told, and led to, before the painting is called ready", () => {
  const outside = { paints: ["Ultramarine"], colours: 1 };
  const mixed = { areas: 5, colours: 7, mixed: 7, laidOut: 3, outside };
  for (const step of ["mixes", "check", "plan"] as const)
    expect(nextThing(at({ step, ...mixed }))).toEqual({
      says: "1 colour needs Ultramarine, which is not laid out.",
      go: { to: "outside", words: "The first of them" },
    });
  expect(
    nextThing(at({ step: "palette", ...mixed, outside: { paints: ["Ultramarine", "Viridian"], colours: 4 } })),
  ).toMatchObject({
    says: "3 paints laid out. 4 colours need Ultramarine and Viridian, which are not laid out.",
    go: { to: "mixes" },
  });
  expect(nextThing(at({ step: "plan", ...mixed, outside: { paints: ["A", "B", "C"], colours: 6 } })).says).toBe(
    "6 colours need 3 paints that are not laid out.",
  );
  // What has no mix at all comes first.
  expect(nextThing(at({ step: "plan", ...mixed, mixed: 6 })).go).toMatchObject({ to: "unmixed" });
});
