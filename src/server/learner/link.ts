import "server-only";
import { Worker } from "node:worker_threads";
import type { NextQuestion, ToPaintNext } from "@/model/next-swatches";
import type { BookAsRead, ReadPage } from "./reading";
import type { Answered, Learned, LearnerAnswer, LearnerQuestion, Lesson, Sent } from "./learner";
import type { LeftToBeginFrom } from "@/model/logbook";

/** A thread that nobody has asked anything for so long is let go, and with it the book that it holds. */
const IDLE_MS = 60_000;
/** So many pages are handed over at a time; other requests are seen to in between. */
const PAGES_AT_A_TIME = 50;

interface Waiting {
  readonly answer: (value: LearnerAnswer) => void;
  readonly fail: (error: Error) => void;
}

/** The thread as it runs, and what it has been sent. */
interface Running {
  readonly thread: Worker;
  readonly sent: Map<string, ReadPage>;
}

/**
 * Learns on a thread of its own, so that no other request waits for it; the thread is started at the first question and
 * never keeps the process from ending.
 */
export class LearnerLink {
  private running: Running | null = null;
  private readonly waiting = new Map<number, Waiting>();
  private asked = 0;
  private idle: NodeJS.Timeout | undefined;

  learn(book: BookAsRead, before: LeftToBeginFrom | null): Promise<Learned> {
    return this.ask(book, before, (lesson) => ({ ask: "book", lesson })) as Promise<Learned>;
  }

  next(book: BookAsRead, before: LeftToBeginFrom | null, about: NextQuestion): Promise<ToPaintNext> {
    return this.ask(book, before, (lesson) => ({ ask: "next", lesson, about })) as Promise<ToPaintNext>;
  }

  private async ask(
    { from, pages, paints, measurements }: BookAsRead,
    before: LeftToBeginFrom | null,
    of: (lesson: Lesson) => LearnerQuestion,
  ): Promise<LearnerAnswer> {
    clearTimeout(this.idle);
    const { thread, sent } = (this.running ??= this.started());
    const unsent = [...pages].filter(([id, page]) => sent.get(id) !== page);
    for (let at = 0; at < unsent.length; at += PAGES_AT_A_TIME) {
      const some = unsent.slice(at, at + PAGES_AT_A_TIME);
      thread.postMessage({ pages: some.map(([id, { page }]) => [id, page]) } satisfies Sent);
      for (const [id, page] of some) sent.set(id, page);
      await new Promise((resolve) => setImmediate(resolve));
      // What is posted to a thread that broke meanwhile is answered by nobody.
      if (this.running?.thread !== thread) throw new Error("The learning broke off.");
    }
    const id = ++this.asked;
    return new Promise((answer, fail) => {
      this.waiting.set(id, { answer, fail });
      const question = of({ from, pageIds: [...pages.keys()], paints, measurements, before });
      thread.postMessage({ id, question } satisfies Sent);
    });
  }

  private started(): Running {
    const thread = new Worker(new URL("./thread.ts", import.meta.url));
    thread.unref();
    thread.on("message", (message: Answered) => {
      const waiting = this.waiting.get(message.id);
      this.waiting.delete(message.id);
      if ("error" in message) waiting?.fail(new Error(message.error));
      else waiting?.answer(message.value);
      if (this.waiting.size === 0) this.idle = setTimeout(() => this.end(), IDLE_MS).unref();
    });
    thread.on("error", (error) => this.end(error instanceof Error ? error : new Error(String(error))));
    thread.on("exit", () => this.running?.thread === thread && this.end());
    return { thread, sent: new Map() };
  }

  /** Lets the thread go; whoever waits is told why. */
  private end(why = new Error("The learning was ended.")): void {
    const { running } = this;
    this.running = null;
    clearTimeout(this.idle);
    for (const { fail } of this.waiting.values()) fail(why);
    this.waiting.clear();
    void running?.thread.terminate();
  }
}
