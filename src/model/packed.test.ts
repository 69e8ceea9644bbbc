import { expect, test } from "vitest";
import { fromJson, toJson } from "./packed";

test("what a page is laid out with comes out as it went in, days as days and texts as texts", () => {
  const value = {
    at: new Date(1_790_000_000_123),
    text: "2026-11-27T12:00:00.000Z",
    none: null,
    list: [1 / 3, -0.1, "“tief” 群青", { deep: new Date(0) }],
  };
  const back = fromJson(toJson(value)) as typeof value;
  expect(back).toEqual(value);
  expect(back.at).toBeInstanceOf(Date);
  expect(back.text).toBe("2026-11-27T12:00:00.000Z");
});
