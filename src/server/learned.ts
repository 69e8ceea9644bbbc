import "server-only";
import type { KeptLessons, LearnedBook } from "@/model/logbook";
import type { NextQuestion, ToPaintNext } from "@/model/next-swatches";
import { acrossBundles } from "./context/across-bundles";
import { noteTrouble } from "./http/trouble";
import { LearnerLink } from "./learner/link";
import { BookReading } from "./learner/reading";
import type { BookStamp, StockedPaint, Store } from "@/storage/ports";

/** What was learned last, and what is being learned: a book is learned once for all rooms, and anew when it changes. */
interface Lessons {
  readonly reading: BookReading;
  readonly learner: LearnerLink;
  last?: KeptLessons;
  /** What the book was stamped with when `last` was found to be of it: it need not be read again. */
  stamp?: string;
  underWay?: Promise<void>;
}

/** Each store's lessons. */
const kept = acrossBundles("lessons", () => new Map<string, Lessons>());

function lessonsOf({ photoFiles: { where } }: Store): Lessons {
  const lessons = kept.get(where) ?? { reading: new BookReading(), learner: new LearnerLink() };
  kept.set(where, lessons);
  return lessons;
}

const stampKey = ({ pages, paints }: BookStamp): string => `${pages} | ${paints}`;

/** The swatches that would make mixes surest, by the book as it stands. */
export async function nextToPaint(store: Store, about: NextQuestion): Promise<ToPaintNext> {
  const { reading, learner, last } = lessonsOf(store);
  return learner.next(await reading.read(store), last?.left ?? null, about);
}

/**
 * Learns the book as it stands, and what was written into it meanwhile after that; keeps what it taught for the next
 * start.
 */
async function learnBook(store: Store): Promise<void> {
  const lessons = lessonsOf(store);
  for (;;) {
    const read = await lessons.reading.read(store);
    if (lessons.last?.from === read.from) return void (lessons.stamp = stampKey(read.stamp));
    let learned: Pick<KeptLessons, "book" | "left">;
    try {
      learned = await lessons.learner.learn(read, lessons.last?.left ?? null);
    } catch (error) {
      // No room waits for the book: without its lessons all is predicted by labels and cards.
      noteTrouble("The logbook could not be learned from", error);
      learned = { book: null, left: lessons.last?.left };
    }
    lessons.last = { from: read.from, ...learned };
    // A disk without room: it is learned anew at the next start.
    await store.settings.keepLessons(lessons.last).catch((error: unknown) => noteTrouble("Lessons not kept", error));
  }
}

/** Waits for something, but no longer than so many milliseconds. */
async function atMost(what: Promise<void>, ms: number): Promise<void> {
  let timer: NodeJS.Timeout | undefined;
  await Promise.race([what, new Promise<void>((resolve) => (timer = setTimeout(resolve, ms)))]);
  clearTimeout(timer);
}

/** A book of a few pages is learned while a room is laid out; for a longer one no room waits. */
const WAITED_MS = 250;
/** Where nothing was ever learned, a little longer: a first start, a logbook put back. */
const WAITED_FIRST_MS = 1500;

/** What a book has taught. */
interface Taught {
  /** Null while nothing counts in it. */
  readonly book: LearnedBook | null;
  /** Names what it was learned from. */
  readonly from: string;
  /** What has changed since is being learned: `lessonsAfter` answers when it is there. */
  readonly following: boolean;
}

async function taught(store: Store, waitMs: (known: boolean) => number): Promise<Taught> {
  const lessons = lessonsOf(store);
  const stamp = stampKey(await store.logbook.stamp());
  lessons.last ??= (await store.settings.lessons()) ?? undefined;
  if (lessons.stamp !== stamp) {
    lessons.underWay ??= learnBook(store).finally(() => (lessons.underWay = undefined));
    await atMost(lessons.underWay, waitMs(lessons.last !== undefined));
  }
  const { book = null, from = "" } = lessons.last ?? {};
  return { book, from, following: lessons.underWay !== undefined };
}

/** What the logbook has taught as far as it is known: last lessons are answered at once while new ones are learned. */
export const learnedBook = (store: Store): Promise<Taught> =>
  taught(store, (known) => (known ? WAITED_MS : WAITED_FIRST_MS));

/** What the logbook has taught with all that stands in it, once that is learned. */
export async function allLearned(store: Store): Promise<Taught> {
  for (;;) {
    const known = await taught(store, () => 0);
    const { underWay } = lessonsOf(store);
    if (!known.following || !underWay) return known;
    await underWay;
  }
}

interface AsLearned {
  readonly paints: StockedPaint[];
  readonly learned: LearnedBook | null;
  /** More is being learned: a room asks for it once it is laid out. */
  readonly following: boolean;
}

/** The paints that were read last of each store, by what they were stamped with. */
const boxes = acrossBundles(
  "boxes",
  () => new Map<string, { readonly stamp: string; readonly paints: Promise<StockedPaint[]> }>(),
);

/** All paints with their measured optics: two thousand are not read again for each page while nothing has changed. */
export async function stockedBox(store: Store): Promise<StockedPaint[]> {
  const { paints: stamp } = await store.logbook.stamp();
  const { where } = store.photoFiles;
  const known = boxes.get(where);
  if (known?.stamp === stamp) return known.paints;
  const paints = store.paintbox.stockedPaints();
  boxes.set(where, { stamp, paints });
  paints.catch(() => boxes.delete(where));
  return paints;
}

/** What was read last of each store, of which paints and lessons: two thousand paints are not read for each page. */
const readLast = acrossBundles(
  "paints",
  () => new Map<string, { readonly key: string; readonly answer: Omit<AsLearned, "following"> }>(),
);

/**
 * The paints as they are mixed from, by all that is known: the logbook, cards, labels; and what the book taught of the
 * painter's habit, hand and papers.
 * @param whole waits until all that stands in the logbook is learned
 */
export async function paintsAsLearned(store: Store, whole = false): Promise<AsLearned> {
  const stamp = await store.logbook.stamp();
  const { book, from, following } = await (whole ? allLearned(store) : learnedBook(store));
  const key = `${stamp.paints} ${from}`;
  const known = readLast.get(store.photoFiles.where);
  if (known?.key === key) return { ...known.answer, following };
  const stocked = await stockedBox(store);
  const answer = {
    paints: book ? stocked.map((paint) => ({ ...paint, measured: book.paints[paint.id] ?? paint.measured })) : stocked,
    // The paints have it already, and how each swatch agrees is told in the logbook alone.
    learned: book && { ...book, paints: {}, agreements: {} },
  };
  readLast.set(store.photoFiles.where, { key, answer });
  return { ...answer, following };
}
