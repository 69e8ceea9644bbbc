import { expose } from "comlink";
import { expect, test, vi } from "vitest";
import { ANY_CHARACTER, DEFAULT_MATCH } from "@/core/mixing";
import { workerOver } from "@/testing/worker.test-helper";
import type { MatchApi } from "@/workers/match-api";
import { WorkerLink } from "@/workers/worker-link";
import { MatchDesk, Matcher, mixColours } from "./matcher";
import type { LaidWash } from "./paints";

test("all of the desk's askers share one worker; an asker's new question takes its old one back, and nobody else's", async () => {
  const posted: (readonly [string, number])[] = [];
  const ends: (() => void)[] = [];
  const started: Worker[] = [];
  const desk = new MatchDesk(
    new WorkerLink<MatchApi>(() => {
      const { port1, port2 } = new MessageChannel();
      expose(
        {
          match: async (number, _job, found) => {
            posted.push(["match", number]);
            await new Promise<void>((resolve) => ends.push(resolve));
            await found("one", [], 1);
            return 1;
          },
          cancel: (number) => void posted.push(["cancel", number]),
        } satisfies MatchApi,
        port1 as never,
      );
      started.push(workerOver(port2));
      return started.at(-1)!;
    }),
  );
  const [ways, all] = [new Matcher(desk), new Matcher(desk)];
  const heard: string[] = [];
  const listener = (who: string) => ({
    found: () => heard.push(who),
    finished: () => heard.push(`${who} done`),
    failed: (message: string) => heard.push(`${who}: ${message}`),
  });
  const question = { targets: [], paints: [], paperId: "cotton-rough", options: DEFAULT_MATCH };
  ways.ask(question, listener("old"));
  all.ask(question, listener("all"));
  ways.ask(question, listener("new"));
  await vi.waitFor(() =>
    expect(posted).toEqual([
      ["match", 1],
      ["match", 2],
      ["cancel", 1],
      ["match", 3],
    ]),
  );
  for (const end of ends.splice(0)) end();
  await vi.waitFor(() => expect(heard.filter((one) => one.endsWith("done"))).toHaveLength(2));
  expect(heard).toEqual(["all", "new", "all done", "new done"]);
  all.ask(question, listener("all"));
  started[0]!.dispatchEvent(new Event("error"));
  await vi.waitFor(() => expect(heard.at(-1)).toMatch(/all: The computation stopped/));
  all.ask(question, listener("all"));
  expect(started).toHaveLength(2);
  desk.close();
});

test("first washes are mixed before what is laid over them, each over the recipe that was found for it", async () => {
  const asked: { over: unknown; targets: string[]; maxPaints: number }[] = [];
  const desk = new MatchDesk(
    new WorkerLink<MatchApi>(() => {
      const { port1, port2 } = new MessageChannel();
      expose(
        {
          match: async (_number, { over, targets, options }, found) => {
            asked.push({ over, targets: targets.map(({ id }) => id), maxPaints: options.maxPaints });
            let done = 0;
            for (const { id } of targets)
              await found(id, [{ parts: [{ paintId: `paint of ${id}`, parts: 1 }], waterParts: 3 } as never], ++done);
            return 5;
          },
          cancel: () => {},
        } satisfies MatchApi,
        port1 as never,
      );
      return workerOver(port2);
    }),
  );
  const washOf = (waterParts: number): LaidWash => ({ parts: [], waterParts });
  const progress: number[] = [];
  const [found, took] = await new Promise<readonly [ReadonlyMap<string, unknown>, number]>((resolve, reject) =>
    mixColours(
      new Matcher(desk),
      [
        { id: "wall", lab: { L: 70, a: 0, b: 0 }, areaCm2: 0, character: ANY_CHARACTER, overId: null },
        { id: "shade", lab: { L: 40, a: 0, b: 0 }, areaCm2: 0, character: ANY_CHARACTER, overId: "wall" },
        { id: "moss", lab: { L: 30, a: 0, b: 0 }, areaCm2: 0, character: ANY_CHARACTER, overId: "roof" },
      ],
      { paints: [], paperId: "cotton-rough", options: DEFAULT_MATCH },
      new Map([["roof", washOf(9)]]),
      ({ waterParts }) => washOf(waterParts),
      {
        progress: (done) => void progress.push(done),
        finished: (all, milliseconds) => resolve([all, milliseconds]),
        failed: (message) => reject(new Error(message)),
      },
    ),
  );
  // The wall's recipe has just been found (3 parts of water), the roof's stood there before (9).
  expect(asked).toEqual([
    { over: null, targets: ["wall"], maxPaints: 3 },
    { over: { parts: [], waterParts: 3 }, targets: ["shade"], maxPaints: 2 },
    { over: { parts: [], waterParts: 9 }, targets: ["moss"], maxPaints: 2 },
  ]);
  expect([...found.keys()]).toEqual(["wall", "shade", "moss"]);
  expect(progress).toEqual([1, 2, 3]);
  expect(took).toBe(15);
  desk.close();
});
