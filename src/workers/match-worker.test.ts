import type { Recipe } from "@/core/mixing";
import { describe, expect, test } from "vitest";
import { ANY_CHARACTER, DEFAULT_MATCH } from "@/core/mixing";
import { HANDBOOK } from "@/core/pigments";
import type { MatchApi, MatchJob } from "./match-api";
import { heard } from "./worker-link";
import { workerUnderTest } from "@/testing/worker.test-helper";

const job = (targets: number, paints = 6): MatchJob => ({
  paperId: "cotton-rough",
  over: null,
  paints: HANDBOOK.slice(0, paints).map(({ id }) => ({
    id,
    pigments: [{ pigmentId: id, share: 1 }],
    tintingStrength: 1,
    measured: null,
  })),
  options: { ...DEFAULT_MATCH },
  targets: Array.from({ length: targets }, (_, i) => ({
    id: `t${i}`,
    lab: { L: 40 + i, a: 5, b: 30 },
    areaCm2: 0,
    character: ANY_CHARACTER,
  })),
});

const worker = workerUnderTest<MatchApi>(() => import("./match.worker"));

describe("the match worker", () => {
  test("tells each target in turn with its progress, all of them before the end", async () => {
    const found: [string, number, readonly Recipe[]][] = [];
    const milliseconds = await worker.ask(
      "match",
      1,
      job(3),
      heard((id: string, recipes: readonly Recipe[], done: number) => void found.push([id, done, recipes])),
    );
    expect(found.map(([id, done]) => [id, done])).toEqual([
      ["t0", 1],
      ["t1", 2],
      ["t2", 3],
    ]);
    expect(found[0]![2]).toEqual(expect.arrayContaining([expect.objectContaining({ kind: "closest" })]));
    expect(milliseconds).toBeGreaterThan(0);
  });

  test("works on several jobs side by side: a short one need not wait for a long one", async () => {
    let done = 0;
    const long = worker.ask(
      "match",
      1,
      job(30),
      heard(() => void done++),
    );
    await worker.ask(
      "match",
      2,
      job(1),
      heard(() => {}),
    );
    expect(done).toBeLessThan(5);
    await long;
    expect(done).toBe(30);
  });

  test("while the table of many paints is being made a short job is answered; two jobs share it, and it goes on for either", async () => {
    const told: string[] = [];
    const ask = (number: number, paints: number): Promise<number | null> =>
      worker.ask(
        "match",
        number,
        job(1, paints),
        heard(() => void told.push(`${paints} paints`)),
      );
    const [left, other] = [ask(11, 26), ask(12, 26)];
    await ask(13, 5);
    expect(told).toEqual(["5 paints"]);
    await worker.ask("cancel", 11);
    expect(await left).toBeNull();
    expect(await other).toBeGreaterThan(0);
    expect(told).toEqual(["5 paints", "26 paints"]);
    // Nobody waits for this one any more; asked again it is made anew.
    const dropped = ask(14, 27);
    await worker.ask("cancel", 14);
    expect(await dropped).toBeNull();
    expect(await ask(15, 27)).toBeGreaterThan(0);
  });

  test("cancel stops the one job that it names", async () => {
    let heardOfFirst = 0;
    const first = worker.ask(
      "match",
      1,
      job(60),
      heard(() => void heardOfFirst++),
    );
    const second = worker.ask(
      "match",
      2,
      job(3),
      heard(() => {}),
    );
    await worker.ask("cancel", 1);
    expect(await first).toBeNull();
    expect(await second).toBeGreaterThan(0);
    expect(heardOfFirst).toBe(0);
  });

  test("what can't be computed is told to whoever asked, and the next question is answered", async () => {
    const empty = { ...job(1), paints: [{ id: "x", measured: null, pigments: [], tintingStrength: 1 }] };
    await expect(
      worker.ask(
        "match",
        4,
        empty,
        heard(() => {}),
      ),
    ).rejects.toThrow("at least one pigment");
    expect(
      await worker.ask(
        "match",
        5,
        job(1),
        heard(() => {}),
      ),
    ).not.toBeNull();
  });
});
