import { ESLint } from "eslint";
import { describe, expect, test } from "vitest";

const eslint = new ESLint();
const complaints = async (filePath: string, code: string): Promise<string[]> =>
  (await eslint.lintText(code, { filePath })).flatMap(({ messages }) => messages.filter((m) => m.ruleId === "no-restricted-imports").map((m) => m.message));

describe("imports run downwards only", () => {
  test.each([
    ["src/core/mix/new.ts", 'import "@/db/schema";'],
    ["src/core/mix/new.ts", 'import "react";'],
    ["src/core/mix/new.ts", 'import "node:fs";'],
    ["src/core/mix/new.ts", 'import "../../db/schema";'],
    ["src/db/new.ts", 'import "@/server/house";'],
    ["src/server/new.ts", 'import "@/desk/desk";'],
    ["src/model/new.ts", 'import "@/db/schema";'],
    ["src/workers/new.ts", 'import "@/db/schema";'],
    ["src/desk/new.tsx", 'import "@/app/layout";'],
    ["src/desk/new.tsx", 'import "@/paintbox/paintbox";'],
    ["src/ui/new.tsx", 'import "@/core/mix/match";'],
  ])("%s may not say %s", async (file, code) => expect(await complaints(file, code)).toHaveLength(1));

  test.each([
    ["src/core/mix/new.ts", 'import "../film/layer";'],
    ["src/db/new.ts", 'import "@/core";'],
    ["src/desk/new.tsx", 'import "@/ui/strip"; import "@/server/reply"; import "@/core";'],
    ["src/app/new.tsx", 'import "@/desk/desk"; import "@/db/paintings";'],
  ])("%s may say %s", async (file, code) => expect(await complaints(file, code)).toEqual([]));
});
