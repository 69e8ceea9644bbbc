import { expose } from "comlink";
import { expect, test } from "vitest";
import { workerOver } from "@/testing/worker.test-helper";
import { Superseded } from "./in-turns";
import { heard, QuestionLeft, WorkerLink, WorkerStopped } from "./worker-link";

interface Sums {
  add(a: number, b: number, progress: (share: number) => void): Promise<number>;
  refuse(): never;
  leave(): never;
  never(): Promise<never>;
}

/** A link to workers in this thread, and the workers it has started. */
function link(): { link: WorkerLink<Sums>; started: Worker[] } {
  const started: Worker[] = [];
  const own = new WorkerLink<Sums>(() => {
    const { port1, port2 } = new MessageChannel();
    expose(
      {
        add: async (a, b, progress) => {
          await progress(0.5);
          return a + b;
        },
        refuse: () => {
          throw new Error("no");
        },
        leave: () => {
          throw new Superseded();
        },
        never: () => new Promise<never>(() => {}),
      } satisfies Sums,
      port1 as never,
    );
    started.push(workerOver(port2));
    return started.at(-1)!;
  });
  return { link: own, started };
}

test("answers find their questions, callbacks are heard, and a refusal keeps its words", async () => {
  const { link: worker, started } = link();
  const shares: number[] = [];
  const progress = heard((share: number) => void shares.push(share));
  expect(await Promise.all([worker.ask("add", 1, 1, progress), worker.ask("add", 2, 1, progress)])).toEqual([2, 3]);
  expect(shares).toEqual([0.5, 0.5]);
  await expect(worker.ask("refuse")).rejects.toThrow("no");
  // A question that another one took the place of is no trouble: whoever asked is told so.
  await expect(worker.ask("leave")).rejects.toBeInstanceOf(QuestionLeft);
  expect(started).toHaveLength(1);
  worker.stop();
});

test("a stop or a broken worker rejects what is waiting; the next question starts a new one", async () => {
  const { link: worker, started } = link();
  const left = worker.ask("never");
  worker.stop();
  await expect(left).rejects.toThrow(WorkerStopped);
  const later = worker.ask("never");
  started[1]!.dispatchEvent(new Event("error"));
  await expect(later).rejects.toThrow("Load the page again");
  expect(
    await worker.ask(
      "add",
      1,
      2,
      heard(() => {}),
    ),
  ).toBe(3);
  expect(started).toHaveLength(3);
  worker.stop();
});
