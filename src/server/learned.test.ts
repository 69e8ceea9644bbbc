import { randomUUID } from "node:crypto";
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, test, vi } from "vitest";
import { newLogEntry, newLoggedMix } from "@/model/logbook";
import { newPaint } from "@/model/paintbox";
import { newHome, type Home } from "@/testing/home";
import { allLearned, learnedBook, nextToPaint, paintsAsLearned } from "./learned";
import type { Sent } from "./learner/learner";

/** The learner's thread, told when it may answer; what it is sent travels as a copy, as it does between threads. */
const thread = vi.hoisted(() => ({
  started: 0,
  pages: 0,
  books: 0,
  opened: Promise.resolve() as Promise<void>,
  broken: false,
}));
vi.mock("server-only", () => ({}));
vi.mock("node:worker_threads", async (real) => {
  const [{ EventEmitter }, { Learner }] = await Promise.all([import("node:events"), import("./learner/learner")]);
  class Thread extends EventEmitter {
    private readonly learner = new Learner();
    constructor() {
      super();
      thread.started++;
    }
    postMessage(message: Sent): void {
      const sent = structuredClone(message);
      if ("pages" in sent) thread.pages += sent.pages.length;
      else thread.books += Number(sent.question.ask === "book");
      void thread.opened.then(() => {
        if (thread.broken && !("pages" in sent)) return this.emit("error", new Error("out of memory"));
        const answered = this.learner.heard(sent);
        if (answered) this.emit("message", structuredClone(answered));
      });
    }
    unref(): void {}
    terminate(): void {}
  }
  return { ...(await real<object>()), Worker: Thread };
});

let home: Home;
const [blue, red] = [
  newPaint({ id: randomUUID(), name: "Ultramarine", pigments: [{ pigmentId: "PB29", share: 1 }] }),
  newPaint({ id: randomUUID(), name: "Pyrrole red", pigments: [{ pigmentId: "PR254", share: 1 }] }),
];
const page = (paintId: string, L: number) =>
  newLogEntry({
    kind: "swatch",
    on: "2026-05-02",
    paperId: "cotton-rough",
    mixes: [
      newLoggedMix({
        id: randomUUID(),
        parts: [{ paintId, parts: 1 }],
        waterParts: 3,
        read: { lab: { L, a: 5, b: -40 }, by: "sheet", photoId: null, at: null },
      }),
    ],
  });
const write = (L: number, paintId = blue.id): Promise<void> =>
  home.store.logbook.create(randomUUID(), page(paintId, L));
let open = (): void => {};
/** Keeps the thread from answering until `open` lets it. */
function hold(): void {
  thread.opened = new Promise((resolve) => (open = resolve));
}

beforeAll(async () => {
  home = await newHome();
  const { revision, document } = await home.store.paintbox.find();
  const stamp = { revision, writer: randomUUID(), step: 1 };
  await home.store.paintbox.save(stamp, { ...document, paints: [blue, red] });
});
beforeEach(() => Object.assign(thread, { pages: 0, books: 0, broken: false, opened: Promise.resolve() }));
// A test that failed while the thread was held does not leave the next ones waiting.
afterEach(() => open());
afterAll(() => home.close());

describe("what the logbook teaches, by a thread of its own", () => {
  test("a book is learned once, and its thread is sent no page twice", async () => {
    await write(40);
    await write(42);
    // Waited for: how long a slow machine takes says nothing of what is learned.
    expect((await allLearned(home.store)).book).toMatchObject({ swatches: 2 });
    expect(thread).toMatchObject({ pages: 2, books: 1 });
    expect(await learnedBook(home.store)).toMatchObject({ book: { swatches: 2 }, following: false });
    await write(41);
    expect((await allLearned(home.store)).book).toMatchObject({ swatches: 3 });
    expect(thread).toMatchObject({ started: 1, pages: 3, books: 2 });
    expect((await home.store.settings.lessons())!.book).toMatchObject({ swatches: 3 });
  });

  test("while it learns, rooms have the last lessons at once; the new ones follow, with all that was written meanwhile", async () => {
    hold();
    await write(39);
    const known = await paintsAsLearned(home.store);
    expect(known.following).toBe(true);
    expect(known.paints.find(({ id }) => id === blue.id)!.measured).toMatchObject({ swatches: 3 });
    await write(38, red.id);
    const follows = allLearned(home.store);
    open();
    expect((await follows).book).toMatchObject({ swatches: 5 });
    // One lesson for the page before, one for both together.
    expect(thread.books).toBe(2);
    const { paints, following } = await paintsAsLearned(home.store);
    expect(following).toBe(false);
    expect(paints.find(({ id }) => id === red.id)!.measured).toMatchObject({ swatches: 1 });
  });

  test("what the book does not hang on is not learned again; a label that was corrected is", async () => {
    const change = async (part: object): Promise<void> => {
      const { revision, document } = await home.store.paintbox.find();
      const paints = document.paints.map((paint) => (paint.id === blue.id ? { ...paint, ...part } : paint));
      await home.store.paintbox.save({ revision, writer: randomUUID(), step: 1 }, { ...document, paints });
    };
    await change({ notes: "Granulates." });
    expect((await paintsAsLearned(home.store)).paints.find(({ id }) => id === blue.id)!.notes).toBe("Granulates.");
    expect(thread).toMatchObject({ pages: 0, books: 0 });
    await change({ tintingStrength: 1.4 });
    await allLearned(home.store);
    expect(thread).toMatchObject({ pages: 0, books: 1 });
  });

  test("what to paint next is asked of the book as it was fitted", async () => {
    const paints = await home.store.paintbox.paints();
    const about = { for: "box", areas: [], paints, paperId: "cotton-rough" } as const;
    const { mixes, swatches } = await nextToPaint(home.store, about);
    expect(mixes).toBe(4);
    expect(swatches.length).toBeGreaterThan(0);
    expect(thread).toMatchObject({ pages: 0, books: 0 });
  });

  test("a thread that breaks leaves the labels to mix by, and another one is started for the next page", async () => {
    thread.broken = true;
    await write(37);
    expect((await allLearned(home.store)).book).toBeNull();
    thread.broken = false;
    await write(36);
    expect((await allLearned(home.store)).book).toMatchObject({ swatches: 7 });
    expect(thread).toMatchObject({ started: 2, pages: 1 + 7 });
  });
});
