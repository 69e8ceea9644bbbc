import { expect, test } from "vitest";
import { ENTRIES, findEntries, PROPERTIES } from "./pigments";

const ids = (words: string, ...properties: (typeof PROPERTIES)[number]["id"][]): string[] =>
  findEntries(words, new Set(properties)).map(({ pigment }) => pigment.id);

test("found by code, by name, by other names and by family, in any case and order", () => {
  expect(ids("pb29")).toEqual(["PB29"]);
  expect(ids("PBr7")).toHaveLength(4);
  expect(ids("french")).toEqual(["PB29"]);
  expect(ids("blue phthalo")).toEqual(expect.arrayContaining(["PB15-green-shade", "PB15-red-shade"]));
  expect(ids("earth").length).toBeGreaterThan(10);
  expect(ids("")).toHaveLength(ENTRIES.length);
  expect(ids("pb29 red")).toEqual([]);
});

test("properties narrow, and each leaves some and not all", () => {
  for (const { id } of PROPERTIES) {
    const left = ids("", id);
    expect(left.length, id).toBeGreaterThan(5);
    expect(left.length, id).toBeLessThan(ENTRIES.length);
  }
  expect(ids("", "safe")).not.toContain("PB28");
  expect(ids("", "granulating", "transparent")).toEqual(expect.arrayContaining(["PB29", "PG18"]));
  expect(ids("", "lasting")).not.toContain("PR83");
});
