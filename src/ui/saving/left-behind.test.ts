import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { LOGBOOK_URL, PAINTBOX_URL, logEntryUrl, paintingUrl } from "@/model/addresses";
import { newLogEntry, type LogEntry } from "@/model/logbook";
import { newPainting } from "@/model/painting";
import type { SaveStamp } from "@/model/revision";
import type { Unsent } from "./outbox";
import { deliverLeftBehind } from "./left-behind";

const kept = vi.hoisted(() => new Map<string, unknown>());
vi.mock("./outbox", () => ({
  browserOutbox: () => ({
    put: async (unsent: Unsent) => void kept.set(unsent.writer, unsent),
    drop: async (writer: string) => void kept.delete(writer),
    all: async () => [...kept.values()],
  }),
}));

type Sent = SaveStamp & { readonly url: string; readonly document: unknown };
let sent: Sent[];
/** What the server says to each save; it takes everything where this says nothing. */
let answer: (save: Sent) => Response | undefined;

beforeEach(() => {
  kept.clear();
  sent = [];
  answer = () => undefined;
  const locks = {
    request: async (_name: string, last: unknown, work: unknown = last) => (work as () => unknown)(),
    query: async () => ({ held: [] }),
  };
  vi.stubGlobal("navigator", { locks });
  vi.stubGlobal("fetch", async (url: string, { body }: { body: string }) => {
    const save = { ...(JSON.parse(body) as Omit<Sent, "url">), url };
    sent.push(save);
    return answer(save) ?? Response.json({ revision: save.revision + 1 });
  });
});

afterEach(() => vi.unstubAllGlobals());

const leave = (url: string, base: unknown, document: unknown): string => {
  const writer = crypto.randomUUID();
  kept.set(writer, { url, title: "One", at: 0, revision: 4, writer, step: 7, base, document, photoId: null });
  return writer;
};
const elsewhere = (stored: unknown, revision = 9): Response =>
  Response.json(
    { message: "It was changed in another window meanwhile.", stored: { revision, document: stored } },
    { status: 409 },
  );
/** The stored one is another: told once, taken when it is sent from there. */
const changedTo = (stored: unknown) => (save: Sent) => (save.revision === 4 ? elsewhere(stored) : undefined);

const entry = newLogEntry({ kind: "note", on: "2026-03-01", paperId: "cotton-rough" });
const painting = newPainting("Canal", "cotton-rough");

test("what nobody else has changed is sent as it was left, and then lies here no more", async () => {
  const writer = leave(logEntryUrl("1"), entry, { ...entry, notes: "wet" });
  expect(await deliverLeftBehind([])).toEqual({ stored: [logEntryUrl("1")], left: [] });
  expect(sent).toMatchObject([{ revision: 4, writer, step: 7, document: { notes: "wet" } }]);
  expect(kept.size).toBe(0);
});

test.each([
  ["a page of the logbook", `${LOGBOOK_URL}/1`, entry, { notes: "mine" }, { title: "theirs" }],
  ["a painting", paintingUrl("1"), painting, { title: "mine" }, { paperId: "cotton-cold-pressed" }],
  [
    "the paintbox",
    PAINTBOX_URL,
    { paints: [], boxes: [] },
    {
      boxes: [
        { id: crypto.randomUUID(), name: "Tin", rows: 1, columns: 1, pan: "half pan", rowPans: [], wells: [null] },
      ],
    },
    {},
  ],
])("%s that was changed elsewhere in other places is brought together and sent from there", async (...all) => {
  const [, url, base, mine, theirs] = all;
  const writer = leave(url, base, { ...base, ...mine });
  answer = changedTo({ ...base, ...theirs });
  expect(await deliverLeftBehind([])).toEqual({ stored: [url], left: [] });
  // Its own writer goes on: were the answer lost, the same would be sent again.
  expect(sent[1]).toMatchObject({ revision: 9, writer, step: 8, document: { ...mine, ...theirs } });
  expect(kept.size).toBe(0);
});

test.each([
  ["in the same place", logEntryUrl("1"), "the notes"],
  ["of a kind that is not known", "/api/something", null],
])("what was changed %s waits for the painter, with what is stored", async (_, url, word) => {
  const writer = leave(url, entry, { ...entry, notes: "mine" });
  answer = changedTo({ ...entry, notes: "theirs" });
  const { stored, left } = await deliverLeftBehind([]);
  expect(stored).toEqual([]);
  expect(left).toMatchObject([{ unsent: { writer }, gone: false, stored: { revision: 9 } }]);
  if (word) expect(left[0]!.message).toContain(word);
  expect([sent.length, kept.size]).toEqual([1, 1]);
});

test("what is gone is told; a server that is not there, or being put back, leaves it where it is, and the next is sent", async () => {
  const first = leave(logEntryUrl("1"), entry, { ...entry, notes: "a" } satisfies LogEntry);
  const second = leave(logEntryUrl("2"), entry, { ...entry, notes: "b" } satisfies LogEntry);
  const third = leave(logEntryUrl("3"), entry, { ...entry, notes: "c" } satisfies LogEntry);
  answer = ({ url }) =>
    url === logEntryUrl("1")
      ? Response.json({ message: "This entry is no longer in the logbook." }, { status: 404 })
      : url === logEntryUrl("2")
        ? Response.json({ message: "Something is being put back." }, { status: 503 })
        : undefined;
  const { stored, left } = await deliverLeftBehind([]);
  expect(stored).toEqual([logEntryUrl("3")]);
  expect(left).toMatchObject([{ unsent: { writer: first }, gone: true, stored: null }]);
  expect([...kept.keys()]).toEqual([first, second]);
  expect(kept.has(third)).toBe(false);
});

test("a browser without locks sends what has waited for a minute, and leaves what another window may be sending", async () => {
  vi.stubGlobal("navigator", {});
  const old = leave(logEntryUrl("1"), entry, { ...entry, notes: "old" });
  const young = leave(logEntryUrl("2"), entry, { ...entry, notes: "young" });
  kept.set(young, { ...(kept.get(young) as object), at: Date.now() });
  expect((await deliverLeftBehind([logEntryUrl("2")])).stored).toEqual([logEntryUrl("1")]);
  expect(sent.map(({ writer }) => writer)).toEqual([old]);
  expect(kept.has(young)).toBe(true);
});
