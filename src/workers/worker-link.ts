import { proxy, wrap, type Remote } from "comlink";
import { SUPERSEDED } from "./in-turns";

/** The worker was stopped before it answered. */
export class WorkerStopped extends Error {}

/** The worker left a question for a later one that takes its place. */
export class QuestionLeft extends WorkerStopped {}

const asTold = (error: Error): Error =>
  error.message === SUPERSEDED ? new QuestionLeft("Another question was asked.") : error;

type Asked = (...args: never[]) => unknown;

/**
 * What a worker offers: functions whose arguments and answers can be copied; a callback is handed over with `heard`.
 */
export type Api<Own> = { readonly [K in keyof Own]: Asked };

/** A callback that a worker may call. */
export const heard = proxy;

/**
 * A worker that is started at the first question; every question is answered, or rejected when the worker stops or
 * breaks.
 */
export class WorkerLink<Own extends Api<Own>> {
  /** The worker that is asked, and those that help it. */
  private workers: readonly Worker[] = [];
  private remote: Remote<Own> | null = null;
  private readonly waiting = new Set<(error: Error) => void>();

  constructor(private readonly start: () => Worker | readonly [Worker, ...Worker[]]) {}

  ask<K extends keyof Own>(question: K, ...args: Parameters<Own[K]>): Promise<Awaited<ReturnType<Own[K]>>> {
    const remote = (this.remote ??= this.begin());
    return new Promise((resolve, reject) => {
      this.waiting.add(reject);
      const call = remote[question] as unknown as (
        ...given: Parameters<Own[K]>
      ) => Promise<Awaited<ReturnType<Own[K]>>>;
      void call(...args)
        .then(resolve, (error: Error) => reject(asTold(error)))
        .finally(() => this.waiting.delete(reject));
    });
  }

  /** Ends the worker at once; the next question starts a new one that knows nothing. */
  stop(): void {
    this.end(new WorkerStopped("Stopped."));
  }

  private end(error: Error): void {
    for (const worker of this.workers) worker.terminate();
    this.workers = [];
    this.remote = null;
    for (const reject of this.waiting) reject(error);
    this.waiting.clear();
  }

  private begin(): Remote<Own> {
    const started = this.start();
    const workers: readonly [Worker, ...Worker[]] = started instanceof Array ? started : [started];
    for (const worker of workers)
      worker.addEventListener("error", () => {
        if (this.workers.includes(worker)) this.end(new Error("The computation stopped. Load the page again."));
      });
    this.workers = workers;
    return wrap<Own>(workers[0]);
  }
}
