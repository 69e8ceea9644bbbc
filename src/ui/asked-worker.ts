"use client";

/** A question to a worker that answers each job once. */
interface Waiting {
  readonly resolve: (answer: never) => void;
  readonly reject: (error: Error) => void;
}

interface Reply {
  readonly kind: string;
  readonly job: number;
  readonly answer?: unknown;
  readonly message?: string;
}

/** The worker was stopped before it answered. */
export class WorkerStopped extends Error {}

/** A worker that is asked questions and answers each; what else it says is heard by `onNews`. */
export class AskedWorker<Request extends { readonly kind: string; readonly job: number }, Answers, News extends Reply> {
  private worker: Worker | null = null;
  private job = 0;
  private readonly waiting = new Map<number, Waiting>();

  constructor(private readonly start: () => Worker, private readonly onNews: (news: News) => void = () => {}) {}

  ask<K extends Request["kind"] & keyof Answers>(kind: K, question: Omit<Extract<Request, { kind: K }>, "kind" | "job">): Promise<Answers[K]> {
    this.worker ??= this.begin();
    const job = ++this.job;
    const { worker } = this;
    return new Promise((resolve, reject) => {
      this.waiting.set(job, { resolve, reject });
      worker.postMessage({ kind, job, ...question });
    });
  }

  /** Ends the worker at once; the next question starts a new one that knows nothing. */
  stop(): void {
    this.worker?.terminate();
    this.worker = null;
    this.fail(new WorkerStopped("Stopped."));
  }

  private fail(error: Error): void {
    for (const { reject } of this.waiting.values()) reject(error);
    this.waiting.clear();
  }

  private begin(): Worker {
    const worker = this.start();
    worker.onmessage = ({ data }: MessageEvent<News>) => {
      const asked = this.waiting.get(data.job);
      if (data.kind === "answered") asked?.resolve(data.answer as never);
      else if (data.kind === "failed") asked?.reject(new Error(data.message));
      else return this.onNews(data);
      this.waiting.delete(data.job);
    };
    worker.onerror = () => this.fail(new Error("The computation stopped. Load the page again."));
    return worker;
  }
}
