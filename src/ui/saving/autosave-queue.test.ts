import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { createStore, type StoreApi } from "zustand";
import { temporal, type TemporalState } from "zundo";
import { mergePaintings } from "@/model/merge";
import { newArea, newPainting, type PaintingDocument } from "@/model/painting";
import type { SaveStamp } from "@/model/revision";
import type { Outbox, Unsent } from "./outbox";
import { AutosaveQueue, type SaveState } from "./autosave-queue";

const document: PaintingDocument = newPainting("Canal", "cotton-rough");
const areaNamed = (name: string) =>
  newArea({ id: crypto.randomUUID(), name, sample: { x: 0.5, y: 0.5, radius: 0.01 }, lab: { L: 50, a: 0, b: 0 } });

type Sent = SaveStamp & { readonly document: PaintingDocument };
interface State {
  readonly document: PaintingDocument;
  readonly looking: number;
}
let store: StoreApi<State> & { temporal: StoreApi<TemporalState<Pick<State, "document">>> };
let queue: AutosaveQueue<PaintingDocument>;
let kept: Map<string, Unsent>;
let sent: Sent[];
let states: SaveState[];
let answer: (request: Sent) => Promise<Response>;
let part: (stored: PaintingDocument, now: PaintingDocument) => object | null;
const outbox: Outbox = {
  put: async (unsent) => void kept.set(unsent.writer, unsent),
  drop: async (writer) => void kept.delete(writer),
  all: async () => [...kept.values()],
};
const change = (part: Partial<PaintingDocument>): void =>
  store.setState((s) => ({ document: { ...s.document, ...part } }));
const setTitle = (title: string): void => change({ title });
const last = (): SaveState | undefined => states[states.length - 1];
const saved = (revision: number): Response => Response.json({ revision });
const later = (milliseconds: number) => vi.advanceTimersByTimeAsync(milliseconds);
const inOutbox = (): unknown => [...kept.values()].map((unsent) => (unsent.document as PaintingDocument).title);

beforeEach(() => {
  vi.useFakeTimers();
  [sent, states, kept] = [[], [], new Map()];
  answer = async ({ revision }) => saved(revision + 1);
  part = () => null;
  vi.stubGlobal("fetch", (_url: string, init: RequestInit) => {
    const request = JSON.parse(String(init.body)) as Sent;
    sent.push(request);
    return answer(request);
  });
  store = createStore<State>()(
    temporal((): State => ({ document, looking: 0 }), {
      partialize: (s) => ({ document: s.document }),
      equality: (a, b) => a.document === b.document,
    }),
  );
  queue = new AutosaveQueue({
    url: "/api/paintings/one",
    revision: 4,
    read: () => store.getState().document,
    replace: (next) => store.setState({ document: next }),
    merge: mergePaintings,
    part: (stored, now) => part(stored, now),
    report: (state) => states.push(state),
    acknowledged: () => {},
    sending: () => {},
    outbox,
    title: () => "Canal",
    photoId: null,
    now: () => 0,
  });
  store.subscribe(() => queue.changed());
});
afterEach(() => {
  queue.stop();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe("saving", () => {
  test("changes close together go in one request, against the revision that was read", async () => {
    setTitle("One");
    setTitle("Two");
    expect(last()).toEqual({ state: "saving" });
    await later(500);
    expect(sent).toEqual([{ revision: 4, writer: queue.writer, step: 2, document: { ...document, title: "Two" } }]);
    expect(last()).toEqual({ state: "saved" });
    setTitle("Three");
    await later(500);
    expect(sent[1]).toMatchObject({ revision: 5, step: 3 });
  });

  test("looking saves nothing; undoing back to what was saved needs no request", async () => {
    store.setState({ looking: 1 });
    setTitle("One");
    store.temporal.getState().undo();
    expect(last()).toEqual({ state: "saved" });
    await later(1000);
    expect(sent).toEqual([]);
    expect(kept.size).toBe(0);
  });

  test("what changes while a request is under way follows it, never beside it", async () => {
    let release: (response: Response) => void = () => {};
    answer = () => new Promise((resolve) => (release = resolve));
    setTitle("First");
    await later(200);
    setTitle("Second");
    await later(1000);
    expect(sent).toHaveLength(1);
    answer = async ({ revision }) => saved(revision + 1);
    release(saved(5));
    await later(500);
    expect(sent.map((s) => [s.revision, s.document.title])).toEqual([
      [4, "First"],
      [5, "Second"],
    ]);
    expect(last()).toEqual({ state: "saved" });
  });

  test("what is not acknowledged lies in the outbox from the moment it is changed, and no longer", async () => {
    setTitle("Kept");
    expect(queue.atRisk).toBe(true);
    await later(0);
    expect([inOutbox(), queue.atRisk]).toEqual([["Kept"], false]);
    expect([...kept.values()][0]).toMatchObject({ revision: 4, step: 1, base: document });
    await later(500);
    expect(kept.size).toBe(0);
    // The very document that was kept once before is kept again when undo brings it back.
    setTitle("Other");
    await later(500);
    store.temporal.getState().undo();
    await later(0);
    expect(inOutbox()).toEqual(["Kept"]);
  });

  test("a page that closes while a request is under way sends what came after it, numbered so that it stays the last", async () => {
    answer = () => new Promise(() => {});
    setTitle("First");
    await later(200);
    setTitle("Second");
    void queue.save(true);
    await later(0);
    expect(sent.map(({ step, document: d }) => [step, d.title])).toEqual([
      [1, "First"],
      [2, "Second"],
    ]);
    expect(inOutbox()).toEqual(["Second"]);
  });

  test("undoing while a request is under way is a change too: kept, sent by a page that closes, and stored after an answer that got lost", async () => {
    answer = () => new Promise(() => {});
    setTitle("Taken back");
    await later(200);
    store.temporal.getState().undo();
    await later(0);
    expect([inOutbox(), queue.dirty]).toEqual([["Canal"], true]);
    void queue.save(true);
    await later(0);
    expect(sent.map(({ step, document: d }) => [step, d.title])).toEqual([
      [1, "Taken back"],
      [2, "Canal"],
    ]);
  });

  test("what was sent and never answered may be stored: going back to the document before is sent", async () => {
    answer = () => Promise.reject(new Error("broken off"));
    setTitle("Perhaps stored");
    await later(500);
    store.temporal.getState().undo();
    answer = async ({ revision }) => saved(revision + 1);
    await later(4000);
    expect(sent[sent.length - 1]!.document.title).toBe("Canal");
    expect([last(), kept.size]).toEqual([{ state: "saved" }, 0]);
  });

  test("a server that doesn't answer, or has no room, is tried again until it does", async () => {
    answer = () => Promise.reject(new Error("refused"));
    setTitle("Kept");
    await later(500);
    expect(last()).toMatchObject({ state: "failed", message: expect.stringMatching(/doesn't answer/) });
    answer = async () => Response.json({ message: "No room." }, { status: 507 });
    await later(4000);
    expect(last()).toEqual({ state: "failed", message: "No room." });
    expect(inOutbox()).toEqual(["Kept"]);
    answer = async ({ revision }) => saved(revision + 1);
    await later(4000);
    expect(last()).toEqual({ state: "saved" });
    expect(sent[sent.length - 1]!.document.title).toBe("Kept");
  });

  test("what is refused is not sent again as it is; the next change is, and the rest goes on being saved", async () => {
    answer = async ({ document: d, revision }) =>
      d.palette.length > 40 ? Response.json({ message: "The tray is full." }, { status: 400 }) : saved(revision + 1);
    change({ palette: Array.from({ length: 41 }, () => crypto.randomUUID()) });
    await later(20_000);
    expect(last()).toEqual({ state: "failed", message: "The tray is full." });
    expect(sent).toHaveLength(1);
    store.temporal.getState().undo();
    setTitle("After it");
    await later(500);
    expect(last()).toEqual({ state: "saved" });
    expect(sent[sent.length - 1]).toMatchObject({ revision: 4, document: { title: "After it" } });
  });
});

describe("a part in place of a whole document", () => {
  type Body = SaveStamp & Partial<Record<"title" | "document", unknown>>;
  const bodies = (): unknown[] =>
    (sent as unknown as Body[]).map(({ revision, title, document: d }) => [
      revision,
      title ?? (d as PaintingDocument).title,
      d === undefined ? "part" : "whole",
    ]);
  beforeEach(() => {
    part = (stored, now) => (stored.areas === now.areas ? { title: now.title } : null);
  });

  test("is sent where little has changed of what is stored, the whole where more has", async () => {
    setTitle("One");
    await later(500);
    setTitle("Two");
    await later(500);
    change({ areas: [areaNamed("Bank")] });
    await later(500);
    expect(bodies()).toEqual([
      [4, "One", "part"],
      [5, "Two", "part"],
      [6, "Two", "whole"],
    ]);
  });

  test("is followed by the whole where it doesn't fit, and never sent while it is not known what is stored", async () => {
    answer = async (request) =>
      "title" in request ? Response.json({ message: "Whole." }, { status: 412 }) : saved(request.revision + 1);
    setTitle("One");
    await later(500);
    expect(bodies()).toEqual([
      [4, "One", "part"],
      [4, "One", "whole"],
    ]);
    expect(last()).toEqual({ state: "saved" });
    answer = () => Promise.reject(new Error("broken off"));
    setTitle("Two");
    await later(500);
    answer = async ({ revision }) => saved(revision + 1);
    await later(4000);
    expect(bodies().slice(2)).toEqual([
      [5, "Two", "part"],
      [5, "Two", "whole"],
    ]);
  });
});

describe("a document that was changed elsewhere", () => {
  const theirs = (part: Partial<PaintingDocument>) => (): void => {
    answer = async ({ revision }) =>
      revision === 4
        ? Response.json(
            { message: "Changed elsewhere.", stored: { revision: 9, document: { ...document, ...part } } },
            { status: 409 },
          )
        : saved(revision + 1);
  };

  test("in other places is brought together with this one, and saved", async () => {
    const bank = areaNamed("Bank");
    theirs({ areas: [bank] })();
    setTitle("Mine");
    await later(500);
    expect(sent[1]).toMatchObject({ revision: 9, document: { title: "Mine", areas: [bank] } });
    expect(store.getState().document).toMatchObject({ title: "Mine", areas: [bank] });
    expect(last()).toEqual({ state: "saved" });
  });

  test("in the same place waits for the painter, kept; mine can be put in its place", async () => {
    theirs({ title: "Theirs" })();
    setTitle("Mine");
    await later(500);
    expect(last()).toEqual({ state: "conflict", message: "Changed elsewhere. Both changed: the title.", gone: false });
    setTitle("Mine, changed on");
    await later(20_000);
    expect(sent).toHaveLength(1);
    expect(inOutbox()).toEqual(["Mine, changed on"]);
    queue.takeMine();
    await later(500);
    expect(sent[1]).toMatchObject({ revision: 9, document: { title: "Mine, changed on" } });
    expect([last(), kept.size]).toEqual([{ state: "saved" }, 0]);
  });

  test("and removed is told; letting mine go empties the outbox", async () => {
    answer = async () => Response.json({ message: "It is no longer there." }, { status: 404 });
    setTitle("Mine");
    await later(500);
    expect(last()).toEqual({ state: "conflict", message: "It is no longer there.", gone: true });
    await queue.letGo();
    expect(kept.size).toBe(0);
  });
});
