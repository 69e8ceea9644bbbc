import { ESLint } from "eslint";
import { describe, expect, test } from "vitest";

// The files are made up, so no types are known of them: only the one rule is asked.
const eslint = new ESLint({
  ruleFilter: ({ ruleId }) => ruleId === "no-restricted-imports",
  overrideConfig: [{ languageOptions: { parserOptions: { projectService: false } } }],
});
const complaints = async (filePath: string, code: string): Promise<string[]> => {
  const messages = (await eslint.lintText(code, { filePath })).flatMap((result) => result.messages);
  expect(messages.filter(({ fatal }) => fatal)).toEqual([]);
  return messages.filter(({ ruleId }) => ruleId === "no-restricted-imports").map(({ message }) => message);
};

describe("imports run downwards only", () => {
  test.each([
    ["src/core/mixing/new.ts", 'import "@/storage/ports";'],
    ["src/core/mixing/new.ts", 'import "react";'],
    ["src/core/mixing/new.ts", 'import "node:fs";'],
    ["src/core/mixing/new.ts", 'import "../../storage/store";'],
    ["src/core/mixing/new.ts", 'import "../palette/choose";'],
    ["src/core/optics/kernel/new.ts", 'import "../../mixing/paint";'],
    ["src/storage/new.ts", 'import "@/server/context/house";'],
    ["src/server/new.ts", 'import "@/rooms/desk/desk";'],
    ["src/server/new.ts", 'import "@/testing/programs";'],
    ["src/model/new.ts", 'import "@/storage/ports";'],
    ["src/workers/new.ts", 'import "@/storage/ports";'],
    ["src/rooms/desk/new.tsx", 'import "@/app/layout";'],
    ["src/rooms/desk/new.tsx", 'import "@/rooms/paintbox/paintbox";'],
    ["src/rooms/desk/panel/new.tsx", 'import "../../paintbox/paintbox";'],
    ["src/rooms/desk/new.tsx", 'import "@/storage/store";'],
    ["src/ui/new.tsx", 'import "@/core/mixing/match";'],
    ["src/ui/new.tsx", 'import "@/core";'],
  ])("%s may not say %s", async (file, code) => expect(await complaints(file, code)).toHaveLength(1));

  test.each([
    ["src/core/mixing/new.ts", 'import "../optics/layer";'],
    ["src/core/mixing/new.test.ts", 'import "../palette/choose";'],
    ["src/storage/new.ts", 'import "@/core/mixing";'],
    [
      "src/rooms/desk/new.tsx",
      'import "@/ui/strip"; import "@/storage/ports"; import "../desk/matcher"; import "@/core/palette";',
    ],
    ["src/app/new.tsx", 'import "@/rooms/desk/desk"; import "@/storage/ports";'],
  ])("%s may say %s", async (file, code) => expect(await complaints(file, code)).toEqual([]));
});
