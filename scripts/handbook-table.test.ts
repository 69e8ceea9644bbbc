import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { HANDBOOK_TABLE, handbookTable } from "./handbook-table";

test("docs/handbook.md is what the engine says now (npm run docs:handbook writes it)", () => {
  expect(readFileSync(HANDBOOK_TABLE, "utf8")).toBe(handbookTable());
});
