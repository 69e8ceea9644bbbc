import { describe, expect, test, vi } from "vitest";
import { DEFAULT_MATCH } from "@/core/mixing";
import { HANDBOOK } from "@/core/pigments";
import type { MatchReply, MatchRequest } from "./match-messages";
import { workerUnderTest } from "@/testing/worker.test-helper";

const paints = HANDBOOK.slice(0, 6).map(({ id }) => ({ id, pigments: [{ pigmentId: id, share: 1 }], tintingStrength: 1, measured: null }));
const job = (number: number, targets: number): MatchRequest => ({
  kind: "match", job: number, paperId: "cotton-rough", paints, options: { ...DEFAULT_MATCH },
  targets: Array.from({ length: targets }, (_, i) => ({ id: `t${i}`, lab: { L: 40 + i, a: 5, b: 30 } })),
});

const worker = workerUnderTest<unknown, MatchReply>(() => import("./match.worker"));

const ask = (data: unknown): void => worker.ask(data);
const finished = (number: number): Promise<void> => vi.waitFor(() => expect(worker.replies()).toContainEqual(expect.objectContaining({ kind: "finished", job: number })), { timeout: 20_000 });

describe("the match worker", () => {
  test("answers each target in turn with its progress, then says that it is done", async () => {
    ask(job(1, 3));
    await finished(1);
    expect(worker.replies().map((r) => r.kind)).toEqual(["found", "found", "found", "finished"]);
    expect(worker.replies().slice(0, 3)).toMatchObject([{ id: "t0", done: 1, of: 3 }, { id: "t1", done: 2, of: 3 }, { id: "t2", done: 3, of: 3 }]);
    expect(worker.replies()[0]).toMatchObject({ recipes: expect.arrayContaining([expect.objectContaining({ kind: "closest" })]) });
  });

  test("works on several jobs side by side: a short one need not wait for a long one", async () => {
    ask(job(1, 30));
    ask(job(2, 1));
    await finished(2);
    const before = worker.replies().slice(0, worker.replies().findIndex((r) => r.job === 2 && r.kind === "finished"));
    expect(before.filter((r) => r.job === 1).length).toBeLessThan(5);
    await finished(1);
    expect(worker.replies().filter((r) => r.job === 1 && r.kind === "found")).toHaveLength(30);
  });

  test("cancel stops the one job that it names", async () => {
    ask(job(1, 60));
    ask(job(2, 3));
    ask({ kind: "cancel", job: 1 });
    ask(job(3, 1));
    await finished(3);
    await finished(2);
    expect(worker.replies().some((r) => r.job === 1)).toBe(false);
  });

  test("what can't be computed is told to whoever asked, and the next question is answered", async () => {
    ask({ ...job(4, 1), paints: [{ id: "x", measured: null, pigments: [{ pigmentId: "PX1", share: 1 }], tintingStrength: 1 }] });
    await vi.waitFor(() => expect(worker.replies()[0]).toMatchObject({ kind: "failed", job: 4, message: expect.stringContaining("PX1") }));
    ask(job(5, 1));
    await finished(5);
  });
});
