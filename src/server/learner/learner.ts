import { drained } from "@/core/learning";
import { bookOf, fittingBook, type BookPage, type BookSources, type FittedBook } from "@/model/learned-book";
import type { LearnedBook, LeftToBeginFrom } from "@/model/logbook";
import { toPaintNext, type NextQuestion, type ToPaintNext } from "@/model/next-swatches";

/** A book to learn from; its pages were sent before. */
export interface Lesson extends Omit<BookSources, "entries"> {
  /** Names all that its learning hangs on. */
  readonly from: string;
  readonly pageIds: readonly string[];
  /** What was learned last of it, to begin from. */
  readonly before: LeftToBeginFrom | null;
}

/** What the learner can be asked. */
export type LearnerQuestion =
  | { readonly ask: "book"; readonly lesson: Lesson }
  | { readonly ask: "next"; readonly lesson: Lesson; readonly about: NextQuestion };

/** What a book has taught, and what the next learning begins from. */
export interface Learned {
  readonly book: LearnedBook | null;
  readonly left: LeftToBeginFrom;
}

export type LearnerAnswer = Learned | ToPaintNext;

/** What the thread is sent: pages that are new to it, then questions. */
export type Sent =
  | { readonly pages: readonly (readonly [string, BookPage])[] }
  | { readonly id: number; readonly question: LearnerQuestion };

export type Answered = { readonly id: number } & ({ readonly value: LearnerAnswer } | { readonly error: string });

/** Holds the pages of a book, and the book as it was fitted last: what to paint next is asked of it as it is. */
export class Learner {
  private readonly pages = new Map<string, BookPage>();
  private last: { readonly from: string; readonly fitted: FittedBook } | null = null;

  /** Takes pages, or answers a question; what went wrong is an answer too. */
  heard(sent: Sent): Answered | null {
    if ("pages" in sent) {
      for (const [id, page] of sent.pages) this.pages.set(id, page);
      return null;
    }
    const { id, question } = sent;
    try {
      const fitted = this.fitted(question.lesson);
      return { id, value: question.ask === "book" ? bookOf(fitted) : drained(toPaintNext(fitted, question.about)) };
    } catch (error) {
      return { id, error: error instanceof Error ? (error.stack ?? error.message) : String(error) };
    }
  }

  private fitted({ from, pageIds, before, ...rest }: Lesson): FittedBook {
    if (this.last?.from === from) return this.last.fitted;
    const here = new Set(pageIds);
    for (const id of this.pages.keys()) if (!here.has(id)) this.pages.delete(id);
    const entries = pageIds.map((id) => this.pages.get(id)!);
    // The one before is let go first: both at once would be twice the memory.
    this.last = null;
    this.last = { from, fitted: drained(fittingBook({ ...rest, entries }, before)) };
    return this.last.fitted;
  }
}
