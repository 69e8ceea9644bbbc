import "server-only";
import { createHash } from "node:crypto";
import { fittingBook, learningBook, type BookSources, type FittedBook } from "@/model/learned-book";
import type { KeptLessons, LearnedBook } from "@/model/logbook";
import { modelFingerprint } from "@/model/model-fingerprint";
import type { ToPaintNext } from "@/model/next-swatches";
import type { PaintEntry } from "@/model/paintbox";
import { acrossBundles } from "./context/across-bundles";
import { noteTrouble } from "./http/trouble";
import type { StockedPaint, Store } from "@/storage/ports";

/** What was learned last, and what is being learned: a book is fitted once for all rooms, and anew when it changes. */
interface Lessons {
  last?: KeptLessons;
  /** What the book was stamped with when `last` was found to be of it: it need not be read again. */
  stamp?: string;
  /** The book as it was fitted for the last questions of what to paint next. */
  readonly fitted: Map<string, Promise<FittedBook>>;
  underWay?: { readonly from: string; readonly book: Promise<LearnedBook | null> };
}

/** Each store's lessons. */
const kept = acrossBundles("lessons", () => new Map<string, Lessons>());

function lessonsOf({ photoFiles: { where } }: Store): Lessons {
  const lessons = kept.get(where) ?? { fitted: new Map() };
  kept.set(where, lessons);
  return lessons;
}

/** All that a book is learned from. */
async function bookSources(store: Store): Promise<BookSources> {
  const [entries, paints, measurements] = await Promise.all([
    store.logbook.list(),
    store.paintbox.paints(),
    store.measurements.list(),
  ]);
  return { entries, paints, measurements };
}

/** What stands in a book that its learning hangs on. */
function keyOf({ entries, paints, measurements }: BookSources): string {
  const hash = createHash("sha256");
  hash.update(
    JSON.stringify([
      modelFingerprint(),
      entries.map(({ document: { on, paperId, mixes, paints: logged }, binned }) => [
        binned,
        on,
        paperId,
        mixes,
        logged,
      ]),
      paints.map(({ id, pigments, tintingStrength }) => [id, pigments, tintingStrength]),
      measurements.map(({ id, counts }) => [id, counts]),
    ]),
  );
  return hash.digest("hex");
}

/** Fits of a book that are kept: for the box, and for paintings that one goes to and fro between. */
const FITS_KEPT = 3;
/** Others are seen to after so long at the latest, where the steps are that short. */
const TURN_MS = 15;

/** Does something step by step, seeing to other requests in between. */
async function inTurns<T>(steps: Generator<void, T>): Promise<T> {
  let since = performance.now();
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return step.value;
    if (performance.now() - since < TURN_MS) continue;
    await new Promise((resolve) => setImmediate(resolve));
    since = performance.now();
  }
}

/**
 * The swatches that would make mixes surest, from the book as it was fitted last: it is fitted anew only when it, its
 * labels or the paints at hand have changed.
 */
export async function nextToPaint(
  store: Store,
  question: {
    /** The paints that it is about. */
    readonly about: (paints: readonly PaintEntry[]) => readonly PaintEntry[];
    readonly ask: (book: FittedBook, paints: readonly PaintEntry[]) => Generator<void, ToPaintNext>;
  },
): Promise<ToPaintNext> {
  const [sources, paints] = await Promise.all([bookSources(store), store.paintbox.paints()]);
  const asked = question.about(paints);
  const from = `${keyOf(sources)} ${asked.map(({ id }) => id).join(" ")}`;
  const { fitted } = lessonsOf(store);
  let book = fitted.get(from);
  if (!book) {
    book = inTurns(fittingBook(sources, asked));
    fitted.set(from, book);
    // What went wrong is tried again at the next question.
    book.catch(() => fitted.delete(from));
    for (const old of [...fitted.keys()].slice(0, -FITS_KEPT)) fitted.delete(old);
  }
  return inTurns(question.ask(await book, asked));
}

/** Learns a book, seeing to other requests between the steps, and keeps what it taught for the next start. */
async function learnBook(store: Store, sources: BookSources, from: string): Promise<LearnedBook | null> {
  const lessons = lessonsOf(store);
  let book: LearnedBook | null = null;
  try {
    book = await inTurns(learningBook(sources));
  } catch (error) {
    // No room waits for the book: without its lessons all is predicted by labels and cards.
    noteTrouble("The logbook could not be learned from", error);
  }
  lessons.last = { from, book };
  delete lessons.stamp;
  // A disk without room: it is learned anew at the next start.
  await store.settings.keepLessons(lessons.last).catch((error: unknown) => noteTrouble("Lessons not kept", error));
  return book;
}

/** What the logbook has taught; null while nothing counts in it. */
export async function learnedBook(store: Store): Promise<LearnedBook | null> {
  const lessons = lessonsOf(store);
  const stamp = await store.logbook.stamp();
  if (lessons.last && lessons.stamp === stamp) return lessons.last.book;
  const sources = await bookSources(store);
  const from = keyOf(sources);
  lessons.last ??= (await store.settings.lessons()) ?? undefined;
  if (lessons.last?.from === from) {
    lessons.stamp = stamp;
    return lessons.last.book;
  }
  if (lessons.underWay?.from !== from) lessons.underWay = { from, book: learnBook(store, sources, from) };
  return lessons.underWay.book;
}

interface AsLearned {
  readonly paints: StockedPaint[];
  readonly learned: LearnedBook | null;
}

/** What was read last of each store, and its stamp then: two thousand paints are not read for each page. */
const readLast = acrossBundles(
  "paints",
  () => new Map<string, { readonly stamp: string; readonly answer: AsLearned }>(),
);

/**
 * The paints as they are mixed from, by all that is known: the logbook, cards, labels; and what the book taught of the
 * painter's habit, hand and papers.
 */
export async function paintsAsLearned(store: Store): Promise<AsLearned> {
  const stamp = await store.logbook.stamp();
  const known = readLast.get(store.photoFiles.where);
  if (known?.stamp === stamp) return known.answer;
  const answer = await readAsLearned(store);
  readLast.set(store.photoFiles.where, { stamp, answer });
  return answer;
}

async function readAsLearned(store: Store): Promise<AsLearned> {
  const [stocked, learned] = await Promise.all([store.paintbox.stockedPaints(), learnedBook(store)]);
  return {
    paints: learned
      ? stocked.map((paint) => ({ ...paint, measured: learned.paints[paint.id] ?? paint.measured }))
      : stocked,
    // The paints have it already, and how each swatch agrees is told in the logbook alone.
    learned: learned && { ...learned, paints: {}, agreements: {} },
  };
}
