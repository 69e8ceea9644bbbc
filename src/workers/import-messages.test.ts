import { expect, test } from "vitest";
import { LIMITS } from "@/model/limits";
import type { ImportAnswers, ImportReply, ImportRequest } from "./import-messages";
import { workerUnderTest } from "@/testing/worker.test-helper";

const worker = workerUnderTest<ImportRequest, ImportReply>(() => import("./import.worker"));

const open = (text: string): ImportAnswers["open"] => {
  worker.ask({ kind: "open", job: 1, bytes: new TextEncoder().encode(text), mostLines: LIMITS.importLines });
  const last = worker.replies()[worker.replies().length - 1];
  if (last.kind !== "answered" || !("is" in last.answer)) throw new Error(JSON.stringify(last));
  return last.answer;
};

test("a table of 10,000 lines is read with progress; what can't be taken is told by line", () => {
  const lines = Array.from({ length: LIMITS.importLines }, (_, i) => (i % 100 === 7 ? `Odd ${i},PX1,` : `Paint ${i},PB29,${i % 100 === 8 ? "2027-01-01" : ""}`));
  const found = open(["name,pigments,bought on", ...lines].join("\n"));
  if (found.is !== "table") throw new Error(found.is);
  worker.ask({ kind: "rows", job: 2, map: { ...found.map, boughtOn: 2 }, today: "2026-11-25" });
  const progress = worker.replies().flatMap((reply) => (reply.kind === "progress" ? reply.share : []));
  expect(progress.length).toBeGreaterThan(40);
  expect(progress).toEqual([...progress].sort((a, b) => a - b));
  const answer = worker.replies()[worker.replies().length - 1] as { answer: ImportAnswers["rows"] };
  expect(answer.answer.entries).toHaveLength(9800);
  expect(answer.answer.bad.slice(0, 2)).toEqual([{ line: 9, reason: expect.stringContaining("PX1") }, { line: 10, reason: expect.stringContaining("still to come") }]);
});

test("a line more, no table, foreign JSON and rows before any file are refused in words; our own JSON is paints with their links", () => {
  expect(open(`name,pigments\n${"a,PB29\n".repeat(LIMITS.importLines + 1)}`)).toEqual({ is: "refused", message: expect.stringMatching(/more than 10,000 lines/) });
  expect(open("")).toEqual({ is: "refused", message: expect.stringMatching(/no table/) });
  expect(open('{"paints": 3}')).toEqual({ is: "refused", message: expect.stringMatching(/no paintbox of this program/) });
  const [a, b] = [crypto.randomUUID(), crypto.randomUUID()];
  const paint = { id: a, name: "Blue", maker: "", line: "", tintingStrength: 1, pigments: [{ pigmentId: "PB29", share: 1 }], status: "owned", form: "tube", sizeMl: null, left: null, price: null, currency: "", boughtOn: null, openedOn: null, batch: "", sameAs: null, label: { transparency: "", staining: "", granulation: "", lightfastness: "" }, notes: "", favourite: false };
  const found = open(JSON.stringify({ paints: [paint, { ...paint, id: b, sameAs: a }], boxes: [] }));
  if (found.is !== "paints") throw new Error(found.is);
  expect(found.entries[1].sameAs).toBe(found.entries[0].id);
  expect(found.entries.map(({ id }) => id)).not.toContain(a);
  worker.ask({ kind: "rows", job: 3, map: { name: 0 } as never, today: "2026-11-25" });
  expect(worker.replies()[worker.replies().length - 1]).toMatchObject({ kind: "failed", job: 3 });
});
