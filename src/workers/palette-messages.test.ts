import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { HANDBOOK } from "@/core";
import type { PaletteReply, PaletteRequest } from "./palette-messages";

const paints = HANDBOOK.slice(0, 7).map(({ id }) => ({ id, pigments: [{ pigmentId: id, share: 1 }], tintingStrength: 1 }));
const request: PaletteRequest = {
  job: 3, paperId: "cotton-rough", valueWeight: 1.5, maxPigments: 3, paints, sizes: [1, 2, 3], must: [], never: [],
  targets: [{ lab: { L: 70, a: 5, b: 60 }, weight: 1 }, { lab: { L: 50, a: 30, b: 40 }, weight: 4 }],
};
let replies: PaletteReply[];
let worker: { onmessage: ((event: { data: unknown }) => void) | null; postMessage: (reply: PaletteReply) => void };
beforeEach(async () => {
  replies = [];
  worker = { onmessage: null, postMessage: (reply) => replies.push(reply) };
  vi.stubGlobal("self", worker);
  vi.resetModules();
  await import("./palette.worker");
});
afterEach(() => vi.unstubAllGlobals());

describe("the palette worker", () => {
  test("tells its progress, each size as it is proven with what serves each area, and the end", () => {
    worker.onmessage?.({ data: request });
    const sizes = replies.filter((reply) => reply.kind === "size");
    expect(sizes.map(({ choice }) => [choice.size, choice.outOf])).toEqual([[1, 7], [2, 21], [3, 35]]);
    for (const { choice } of sizes) {
      expect(choice.best[0].served).toHaveLength(2);
      for (const { combination } of choice.best[0].served) expect(combination.every((p) => choice.best[0].paints.includes(p))).toBe(true);
      const mean = (choice.best[0].served[0].error + 4 * choice.best[0].served[1].error) / 5;
      expect(choice.best[0].error).toBeCloseTo(mean, 9);
    }
    const shares = replies.flatMap((reply) => (reply.kind === "progress" ? [reply.share] : []));
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    expect(replies.at(-1)).toMatchObject({ kind: "finished", job: 3 });
  });

  test("holds to the rules, and what is no question is answered with words", () => {
    worker.onmessage?.({ data: { ...request, sizes: [2], must: [6], never: [0, 1] } });
    const [{ choice }] = replies.filter((reply) => reply.kind === "size");
    for (const { paints: chosen } of choice.best) expect(chosen.includes(6) && !chosen.includes(0) && !chosen.includes(1)).toBe(true);
    worker.onmessage?.({ data: { ...request, targets: [] } });
    expect(replies.at(-1)).toMatchObject({ kind: "failed", message: expect.stringContaining("could not be asked") });
  });
});
