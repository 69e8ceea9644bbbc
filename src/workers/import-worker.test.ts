import { expect, test, vi } from "vitest";
import { LIMITS } from "@/model/limits";
import { newPaint } from "@/model/paintbox";
import { workerUnderTest } from "@/testing/worker.test-helper";
import type { ImportApi, OpenedFile } from "./import-api";
import { heard } from "./worker-link";

const worker = workerUnderTest<ImportApi>(() => import("./import.worker"));

const open = (text: string): Promise<OpenedFile> =>
  worker.ask("open", new TextEncoder().encode(text), LIMITS.importLines);

test("a table of 10,000 lines is read with progress; what can't be taken is told by line", async () => {
  const lines = Array.from({ length: LIMITS.importLines }, (_, i) =>
    i % 100 === 7 ? `Odd ${i},PX1,` : `Paint ${i},PB29,${i % 100 === 8 ? "2027-01-01" : ""}`,
  );
  const found = await open(["name,pigments,bought on", ...lines].join("\n"));
  if (found.is !== "table") throw new Error(found.is);
  const progress: number[] = [];
  const { entries, bad } = await worker.ask(
    "rows",
    { ...found.map, boughtOn: 2 },
    "2026-11-25",
    heard((share: number) => void progress.push(share)),
  );
  await vi.waitFor(() => expect(progress.length).toBeGreaterThan(40));
  expect(progress).toEqual([...progress].sort((a, b) => a - b));
  expect(entries).toHaveLength(9800);
  expect(bad.slice(0, 2)).toEqual([
    { line: 9, reason: expect.stringContaining("PX1") },
    { line: 10, reason: expect.stringContaining("still to come") },
  ]);
});

test("a line more, no table, foreign JSON and rows before any file are refused in words; our own JSON is paints with their links", async () => {
  expect(await open(`name,pigments\n${"a,PB29\n".repeat(LIMITS.importLines + 1)}`)).toEqual({
    is: "refused",
    message: expect.stringMatching(/more than 10,000 lines/),
  });
  expect(await open("")).toEqual({ is: "refused", message: expect.stringMatching(/no table/) });
  expect(await open('{"paints": 3}')).toEqual({
    is: "refused",
    message: expect.stringMatching(/no paintbox of this program/),
  });
  const [a, b] = [crypto.randomUUID(), crypto.randomUUID()];
  const paint = newPaint({ id: a, name: "Blue", pigments: [{ pigmentId: "PB29", share: 1 }] });
  const found = await open(JSON.stringify({ paints: [paint, { ...paint, id: b, sameAs: a }], boxes: [] }));
  if (found.is !== "paints") throw new Error(found.is);
  expect(found.entries[1]!.sameAs).toBe(found.entries[0]!.id);
  expect(found.entries.map(({ id }) => id)).not.toContain(a);
  await expect(
    worker.ask(
      "rows",
      { name: 0 } as never,
      "2026-11-25",
      heard(() => {}),
    ),
  ).rejects.toThrow("No table");
});
