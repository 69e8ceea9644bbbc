import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { newPainting, type PaintingDocument } from "@/model/painting";
import { temporal, type TemporalState } from "zundo";
import { createStore, type StoreApi } from "zustand";
import { Saver, type SaveState } from "./saver";

const document: PaintingDocument = newPainting("Canal", "cotton-rough");

interface Sent {
  readonly revision: number;
  readonly document: PaintingDocument;
}

interface State {
  readonly document: PaintingDocument;
  readonly looking: number;
}
let store: StoreApi<State> & { temporal: StoreApi<TemporalState<Pick<State, "document">>> };
let saver: Saver<PaintingDocument>;
const setTitle = (title: string): void => store.setState((s) => ({ document: { ...s.document, title } }));
let sent: Sent[];
let states: SaveState[];
let answer: (request: Sent) => Promise<Response>;
const last = (): SaveState | undefined => states[states.length - 1];
const saved = (revision: number): Response => Response.json({ revision });

beforeEach(() => {
  vi.useFakeTimers();
  sent = [];
  states = [];
  answer = async ({ revision }) => saved(revision + 1);
  vi.stubGlobal("fetch", (_url: string, init: RequestInit) => {
    const request = JSON.parse(String(init.body)) as Sent;
    sent.push(request);
    return answer(request);
  });
  store = createStore<State>()(temporal((): State => ({ document, looking: 0 }), { partialize: (s) => ({ document: s.document }), equality: (a, b) => a.document === b.document }));
  saver = new Saver("/api/paintings/one", 4, () => store.getState().document, (state) => states.push(state));
  store.subscribe(() => saver.changed());
});
afterEach(() => {
  saver.stop();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe("saving", () => {
  test("changes close together go in one request, against the revision that was read", async () => {
    setTitle("One");
    setTitle("Two");
    expect(last()).toEqual({ state: "saving" });
    await vi.advanceTimersByTimeAsync(500);
    expect(sent).toEqual([{ revision: 4, document: { ...document, title: "Two" } }]);
    expect(last()).toEqual({ state: "saved" });
    setTitle("Three");
    await vi.advanceTimersByTimeAsync(500);
    expect(sent[1].revision).toBe(5);
  });

  test("looking saves nothing", async () => {
    store.setState({ looking: 1 });
    await vi.advanceTimersByTimeAsync(1000);
    expect(sent).toEqual([]);
  });

  test("what changes while a request is under way follows it, never beside it", async () => {
    let release: (response: Response) => void = () => {};
    answer = () => new Promise((resolve) => (release = resolve));
    setTitle("First");
    await vi.advanceTimersByTimeAsync(200);
    setTitle("Second");
    await vi.advanceTimersByTimeAsync(1000);
    expect(sent).toHaveLength(1);
    answer = async ({ revision }) => saved(revision + 1);
    release(saved(5));
    await vi.advanceTimersByTimeAsync(500);
    expect(sent.map((s) => [s.revision, s.document.title])).toEqual([[4, "First"], [5, "Second"]]);
    expect(last()).toEqual({ state: "saved" });
  });

  test("a server that doesn't answer is tried again until it does; meanwhile something is at risk", async () => {
    answer = () => Promise.reject(new Error("refused"));
    setTitle("Kept");
    await vi.advanceTimersByTimeAsync(500);
    expect(last()).toMatchObject({ state: "failed", final: false });
    expect(saver.atRisk).toBe(true);
    answer = async ({ revision }) => saved(revision + 1);
    await vi.advanceTimersByTimeAsync(4000);
    expect(last()).toEqual({ state: "saved" });
    expect(saver.atRisk).toBe(false);
    expect(sent[sent.length - 1].document.title).toBe("Kept");
  });

  test("a full disk (500) is tried again, a conflict (409) is final and in words", async () => {
    answer = async () => Response.json({ message: "No room." }, { status: 500 });
    setTitle("One");
    await vi.advanceTimersByTimeAsync(500);
    expect(last()).toEqual({ state: "failed", message: "No room.", final: false });
    answer = async () => Response.json({ message: "Changed elsewhere." }, { status: 409 });
    await vi.advanceTimersByTimeAsync(4000);
    expect(last()).toEqual({ state: "failed", message: "Changed elsewhere.", final: true });
    const before = sent.length;
    setTitle("Two");
    await vi.advanceTimersByTimeAsync(20_000);
    expect(sent).toHaveLength(before);
  });

  test("undoing back to what was saved needs no request", async () => {
    setTitle("One");
    store.temporal.getState().undo();
    expect(last()).toEqual({ state: "saved" });
    await vi.advanceTimersByTimeAsync(500);
    expect(sent).toEqual([]);
  });
});
