import "server-only";
import { Worker } from "node:worker_threads";
import type { LearnerAnswer, LearnerQuestion, Learned, Lesson } from "./learner";
import type { NextQuestion, ToPaintNext } from "@/model/next-swatches";

export interface Asked {
  readonly id: number;
  readonly question: LearnerQuestion;
}

export type Answered = { readonly id: number } & ({ readonly value: LearnerAnswer } | { readonly error: string });

/** A thread that nobody has asked anything for so long is let go, and with it the book that it holds. */
const IDLE_MS = 60_000;

/**
 * Learns on a thread of its own, so that no other request waits for it; the thread is started at the first question and
 * never keeps the process from ending.
 */
export class LearnerLink {
  private thread: Worker | null = null;
  private readonly waiting = new Map<
    number,
    { answer: (value: LearnerAnswer) => void; fail: (error: Error) => void }
  >();
  private asked = 0;
  private idle: NodeJS.Timeout | undefined;

  learn(lesson: Lesson): Promise<Learned> {
    return this.ask({ ask: "book", lesson }) as Promise<Learned>;
  }

  next(lesson: Lesson, about: NextQuestion): Promise<ToPaintNext> {
    return this.ask({ ask: "next", lesson, about }) as Promise<ToPaintNext>;
  }

  private ask(question: LearnerQuestion): Promise<LearnerAnswer> {
    const thread = (this.thread ??= this.started());
    clearTimeout(this.idle);
    const id = ++this.asked;
    return new Promise((answer, fail) => {
      this.waiting.set(id, { answer, fail });
      thread.postMessage({ id, question } satisfies Asked);
    });
  }

  private started(): Worker {
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
    thread.on("exit", () => this.thread === thread && this.end());
    return thread;
  }

  /** Lets the thread go; whoever waits is told why. */
  private end(why = new Error("The learning was ended.")): void {
    const { thread } = this;
    this.thread = null;
    clearTimeout(this.idle);
    for (const { fail } of this.waiting.values()) fail(why);
    this.waiting.clear();
    void thread?.terminate();
  }
}
