import { spawnSync } from "node:child_process";
import { copyFileSync, mkdirSync, mkdtempSync, readdirSync, rmSync, symlinkSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { describe, expect, test } from "vitest";

const root = fileURLToPath(new URL("..", import.meta.url));

/** What the import rule says of made-up files, by their paths: how often each is complained of. */
function complaints(files: readonly (readonly [path: string, code: string])[]): number[] {
  const house = mkdtempSync(join(tmpdir(), "abendrot-rule-"));
  try {
    for (const file of ["oxlint.config.mjs", "scripts/typing-rule.mjs"]) {
      mkdirSync(dirname(join(house, file)), { recursive: true });
      copyFileSync(join(root, file), join(house, file));
    }
    symlinkSync(join(root, "node_modules"), join(house, "node_modules"));
    const placed = files.map(([path, code], i) => {
      const file = join(dirname(path), `file-${i}-${path.split("/").at(-1)}`);
      mkdirSync(join(house, dirname(path)), { recursive: true });
      writeFileSync(join(house, file), code);
      return file;
    });
    const oxlint = join(root, "node_modules", "oxlint", "bin", "oxlint");
    const run = spawnSync(process.execPath, [oxlint, "-c", "oxlint.config.mjs", "--format", "json", "src"], {
      cwd: house,
      encoding: "utf8",
    });
    const { diagnostics, number_of_files } = JSON.parse(run.stdout) as {
      diagnostics: { code: string; filename: string }[];
      number_of_files: number;
    };
    expect(number_of_files).toBeGreaterThanOrEqual(files.length);
    const ofRule = diagnostics.filter(({ code }) => code === "eslint(no-restricted-imports)");
    return placed.map((file) => ofRule.filter(({ filename }) => filename.endsWith(file)).length);
  } finally {
    rmSync(house, { recursive: true, force: true });
  }
}

const MAY_NOT = [
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
  ["src/rooms/desk/panel/new.tsx", 'import "../../paintbox/paintbox";'],
  ["src/rooms/desk/new.tsx", 'import "@/storage/store";'],
  ["src/ui/new.tsx", 'import "@/core/mixing/match";'],
  ["src/ui/new.tsx", 'import "@/core";'],
  // Whatever rooms and parts there are: none is forgotten in the rule.
  ...readdirSync(join(root, "src/rooms"))
    .filter((room) => room !== "desk")
    .map((room) => ["src/rooms/desk/new.tsx", `import "@/rooms/${room}/new";`] as const),
  ...readdirSync(join(root, "src/core"))
    .filter((part) => part !== "numeric")
    .map((part) => ["src/core/numeric/new.ts", `import "../${part}";`] as const),
] as const;

const MAY = [
  ["src/core/mixing/new.ts", 'import "../optics/layer";'],
  ["src/core/mixing/new.test.ts", 'import "../palette/choose";'],
  ["src/storage/new.ts", 'import "@/core/mixing";'],
  [
    "src/rooms/desk/new.tsx",
    'import "@/ui/strip"; import "@/storage/ports"; import "../desk/matcher"; import "@/core/palette";',
  ],
  ["src/app/new.tsx", 'import "@/rooms/desk/desk"; import "@/storage/ports";'],
] as const;

describe("imports run downwards only", () => {
  const all = [...MAY_NOT, ...MAY];
  const told = complaints(all);
  test.each(all.map(([file, code], i) => [file, i < MAY_NOT.length ? "may not" : "may", code, i] as const))(
    "%s %s say %s",
    (_file, may, _code, i) => expect(told[i]).toBe(may === "may" ? 0 : 1),
  );
});
