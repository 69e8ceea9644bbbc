import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, expect, test } from "vitest";
import { newLogEntry, newLoggedMix, type LogEntry } from "@/model/logbook";
import { LogEntryNotFound, RevisionConflict, UnknownLogged } from "../ports";
import { binLogEntry, createLogEntry, findLogEntry, listLogEntries, removeLogEntry, saveLogEntry } from "./logbook";
import { addEyeAnswer, listEyeAnswers } from "./eye";
import type { OpenDatabase } from "./open";
import { newDatabase } from "@/testing/database";
import { addPhoto, listUnusedPhotos, removePhoto } from "./photos";
import { logEntries } from "./schema";
import { keepLessons, keptLessons } from "./settings";

let open: OpenDatabase;
beforeAll(async () => {
  open = await newDatabase();
});
afterAll(() => open.close());

const stamp = (revision: number, writer: string = randomUUID(), step = 1) => ({ revision, writer, step });
const entry = (part: Partial<LogEntry> = {}): LogEntry =>
  newLogEntry({ kind: "swatch", on: "2026-03-04", paperId: "cotton-rough", title: "Greys", ...part });
const shown = { fileName: "s.jpg", format: "jpeg", widthPx: 3, heightPx: 2, workingWidthPx: 3, workingHeightPx: 2 };
const photoId = "b".repeat(64);

test("an entry is kept, changed by its own window, refused to another, binned and removed", async () => {
  const id = randomUUID();
  await createLogEntry(open.db, id, entry());
  await createLogEntry(open.db, id, entry({ title: "sent twice" }));
  expect(await findLogEntry(open.db, id)).toMatchObject({ revision: 0, binned: false, document: { title: "Greys" } });
  const mine = randomUUID();
  expect(await saveLogEntry(open.db, id, stamp(0, mine), entry({ title: "Warm greys" }))).toBe(1);
  expect(await saveLogEntry(open.db, id, stamp(0, mine), entry({ title: "late" }))).toBe(1);
  expect(await saveLogEntry(open.db, id, stamp(0, mine, 2), entry({ title: "Warm greys", stars: 2 }))).toBe(2);
  await expect(saveLogEntry(open.db, id, stamp(0), entry())).rejects.toBeInstanceOf(RevisionConflict);
  expect((await findLogEntry(open.db, id))!.document).toMatchObject({ title: "Warm greys", stars: 2 });
  await binLogEntry(open.db, id, true);
  expect((await findLogEntry(open.db, id))!.binned).toBe(true);
  await binLogEntry(open.db, id, false);
  await removeLogEntry(open.db, id);
  expect(await findLogEntry(open.db, id)).toBeNull();
  await expect(binLogEntry(open.db, id, true)).rejects.toBeInstanceOf(LogEntryNotFound);
  await expect(saveLogEntry(open.db, id, stamp(0), entry())).rejects.toBeInstanceOf(LogEntryNotFound);
});

test("photos that an entry shows, or that a colour was read from, are kept; an unknown one is refused whole", async () => {
  const id = randomUUID();
  const read = { lab: { L: 50, a: 0, b: 0 }, by: "photo" as const, photoId, at: { x: 0.5, y: 0.5 } };
  const withPhoto = entry({ mixes: [newLoggedMix({ id: randomUUID(), read })] });
  await expect(createLogEntry(open.db, id, withPhoto)).rejects.toBeInstanceOf(UnknownLogged);
  expect(await findLogEntry(open.db, id)).toBeNull();
  await addPhoto(open.db, { id: photoId, bytes: 9, ...shown });
  await createLogEntry(open.db, id, withPhoto);
  const later = new Date(Date.now() + 1e6);
  expect(await listUnusedPhotos(open.db, later)).toEqual([]);
  await expect(removePhoto(open.db, photoId)).rejects.toThrow();
  await saveLogEntry(open.db, id, stamp(0), entry());
  expect(await listUnusedPhotos(open.db, later)).toEqual([photoId]);
  await removeLogEntry(open.db, id);
});

test("the book stands newest day first, and what an older version did not know of is filled in", async () => {
  const [old, young] = [randomUUID(), randomUUID()];
  await createLogEntry(open.db, young, entry({ on: "2026-05-01" }));
  const { moods: _moods, ...before } = entry({ on: "2024-05-01" });
  await open.db.insert(logEntries).values({ id: old, on: before.on, document: before as LogEntry });
  expect((await listLogEntries(open.db)).map(({ id }) => id)).toEqual([young, old]);
  expect((await findLogEntry(open.db, old))!.document.moods).toEqual([]);
});

test("answers that trained the eye are kept once each, oldest first", async () => {
  const [first, second] = [randomUUID(), randomUUID()];
  await addEyeAnswer(open.db, first, { kind: "value", bucket: "dark", error: 1.5 });
  await addEyeAnswer(open.db, first, { kind: "value", bucket: "dark", error: 9 });
  await addEyeAnswer(open.db, second, { kind: "hue", bucket: "reds", error: 20 });
  const answers = await listEyeAnswers(open.db);
  expect(answers.map(({ kind, error }) => [kind, error])).toEqual([
    ["value", 1.5],
    ["hue", 20],
  ]);
  expect(answers[0]!.at).toBeInstanceOf(Date);
});

test("what the book taught is kept for the next start, the last of it alone", async () => {
  expect(await keptLessons(open.db)).toBeNull();
  await keepLessons(open.db, { from: "one", book: null });
  await keepLessons(open.db, { from: "two", book: null });
  expect(await keptLessons(open.db)).toEqual({ from: "two", book: null });
});
