import { expect, test } from "vitest";
import { AskedWorker, WorkerStopped } from "./asked-worker";

type Request = { readonly kind: "add"; readonly job: number; readonly a: number; readonly b: number };
type News = { readonly kind: "progress"; readonly job: number };

/** A worker in this thread: answers when told to. */
class Bench {
  readonly asked: Request[] = [];
  ended = false;
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: (() => void) | null = null;
  postMessage(request: Request): void {
    this.asked.push(request);
  }
  terminate(): void {
    this.ended = true;
  }
  say(data: unknown): void {
    this.onmessage?.({ data });
  }
}

test("answers find their questions, in whatever order; news is heard; failures and a stop reject", async () => {
  const benches: Bench[] = [];
  const news: News[] = [];
  const worker = new AskedWorker<Request, { add: number }, News>(() => {
    benches.push(new Bench());
    return benches.at(-1) as unknown as Worker;
  }, (one) => news.push(one));
  const [one, two, three] = [1, 2, 3].map((a) => worker.ask("add", { a, b: 1 }));
  const [bench] = benches;
  expect(bench.asked.map(({ job, a }) => [job, a])).toEqual([[1, 1], [2, 2], [3, 3]]);
  bench.say({ kind: "progress", job: 2 });
  bench.say({ kind: "answered", job: 2, answer: 3 });
  bench.say({ kind: "answered", job: 1, answer: 2 });
  bench.say({ kind: "failed", job: 3, message: "no" });
  expect([await one, await two, news.length]).toEqual([2, 3, 1]);
  await expect(three).rejects.toThrow("no");
  const left = worker.ask("add", { a: 4, b: 1 });
  worker.stop();
  await expect(left).rejects.toThrow(WorkerStopped);
  expect(bench.ended).toBe(true);
  const later = worker.ask("add", { a: 5, b: 1 });
  expect(benches).toHaveLength(2);
  benches[1].onerror?.();
  await expect(later).rejects.toThrow("Load the page again");
});
