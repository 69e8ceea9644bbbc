import "server-only";
import { createHash } from "node:crypto";
import { learnedBookOf, type BookSources } from "@/model/learned-book";
import { LEARNING_MODEL, type LearnedBook } from "@/model/logbook";
import type { StockedPaint, Store } from "@/storage/ports";

/** What was learned last, and from what: a book is fitted once for all rooms, and anew when it changes. */
interface Fitted {
  readonly from: string;
  readonly book: LearnedBook | null;
}

// As the open store, across the bundles of routes and pages.
const kept = globalThis as { abendrotLearned?: Fitted };

/** All that a book is learned from. */
export async function bookSources(store: Store): Promise<BookSources> {
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
      LEARNING_MODEL,
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

/** What the logbook has taught; null while nothing counts in it. */
export async function learnedBook(store: Store): Promise<LearnedBook | null> {
  const sources = await bookSources(store);
  const from = keyOf(sources);
  if (kept.abendrotLearned?.from !== from) kept.abendrotLearned = { from, book: learnedBookOf(sources) };
  return kept.abendrotLearned.book;
}

/** The paints as they are mixed from, by all that is known: the logbook, cards, labels. */
export async function paintsAsLearned(
  store: Store,
): Promise<{ readonly paints: StockedPaint[]; readonly learned: LearnedBook | null }> {
  const [stocked, learned] = await Promise.all([store.paintbox.stockedPaints(), learnedBook(store)]);
  return {
    paints: learned
      ? stocked.map((paint) => ({ ...paint, measured: learned.paints[paint.id] ?? paint.measured }))
      : stocked,
    learned,
  };
}
