import { drained } from "@/core/learning";
import { bookOf, fittingBook, type BookSources, type FittedBook } from "@/model/learned-book";
import type { LearnedBook, LeftToBeginFrom } from "@/model/logbook";
import { toPaintNext, type NextQuestion, type ToPaintNext } from "@/model/next-swatches";

/** A book to learn from. */
export interface Lesson {
  /** Names all that its learning hangs on. */
  readonly from: string;
  readonly sources: BookSources;
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

/** The book as it was fitted last: what to paint next is asked of it without fitting it again. */
let last: { readonly from: string; readonly fitted: FittedBook } | null = null;

function fittedBook({ from, sources, before }: Lesson): FittedBook {
  if (last?.from !== from) last = { from, fitted: drained(fittingBook(sources, before)) };
  return last.fitted;
}

/** Answers a question about a book. */
export function learner(question: LearnerQuestion): LearnerAnswer {
  const fitted = fittedBook(question.lesson);
  return question.ask === "book" ? bookOf(fitted) : drained(toPaintNext(fitted, question.about));
}
