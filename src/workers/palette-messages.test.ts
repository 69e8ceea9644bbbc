import { describe, expect, test } from "vitest";
import { HANDBOOK } from "@/core/pigments";
import type { Opening, PaletteAnswers, PaletteQuestion, PaletteReply } from "./palette-messages";
import { workerUnderTest } from "@/testing/worker.test-helper";

const ids = ["PY154", "PV19-rose", "PB29", "PBr7-burnt-sienna", "PG7", "PY43", "PO73"];
const opening: Opening = {
  paperId: "cotton-rough", valueWeight: 1.5, freeHue: false, maxPigments: 3, maxPaints: 3,
  paints: ids.map((id) => ({ id, pigments: [{ pigmentId: id, share: 1 }], tintingStrength: 1, measured: null, strongest: 1 })),
  targets: [{ lab: { L: 70, a: 5, b: 60 }, weight: 1 }, { lab: { L: 50, a: 30, b: 40 }, weight: 4 }],
};
const choice = { sizes: [1, 2, 3], must: [], never: [], kinds: [], darkest: null, within: [] };
const worker = workerUnderTest<unknown, PaletteReply>(() => import("./palette.worker"));

let job = 0;
/** Asks and gives the answer, or the words of the refusal. */
function ask<K extends PaletteQuestion>(kind: K, question: object): PaletteAnswers[K] | string {
  worker.ask({ kind, job: ++job, ...question });
  const last = worker.replies().at(-1)!;
  if (last.kind === "failed") return last.message;
  expect(last).toMatchObject({ kind: "answered", job });
  return (last as Extract<PaletteReply, { kind: "answered" }>).answer as PaletteAnswers[K];
}
const answered = <K extends PaletteQuestion>(kind: K, question: object): PaletteAnswers[K] => {
  const answer = ask(kind, question);
  if (typeof answer === "string") throw new Error(answer);
  return answer;
};

describe("the palette worker", () => {
  test("tells its progress, each size as it is proven with what serves each area, and the end", () => {
    answered("open", { opening });
    const { sizes } = answered("choose", choice);
    expect(sizes.map(({ size, outOf }) => [size, outOf])).toEqual([[1, 7], [2, 21], [3, 35]]);
    expect(worker.replies().filter((reply) => reply.kind === "size").map((reply) => reply.choice)).toEqual(sizes);
    for (const { best } of sizes) {
      expect(best[0].served).toHaveLength(2);
      for (const { combination, made } of best[0].served) {
        expect(combination.every((p) => best[0].paints.includes(p))).toBe(true);
        expect(made).not.toBeNull();
      }
      expect(best[0].error).toBeCloseTo((best[0].served[0].error + 4 * best[0].served[1].error) / 5, 9);
    }
  });

  test("after a change of rules it chooses from what it knows: no mixing again", () => {
    answered("open", { opening });
    answered("choose", choice);
    const before = worker.replies().length;
    const { sizes } = answered("choose", { ...choice, sizes: [2], must: [6], never: [0, 1] });
    for (const { paints } of sizes[0].best) expect(paints.includes(6) && !paints.includes(0) && !paints.includes(1)).toBe(true);
    expect(worker.replies().slice(before).some((reply) => reply.kind === "progress" && reply.words.startsWith("Mixing"))).toBe(false);
    const within = answered("choose", { ...choice, sizes: [1, 3], within: [{ target: 0, most: 2 }, { target: 1, most: 2 }] });
    expect(within.sizes[0].best).toEqual([]);
    for (const { served } of within.sizes[1].best) expect(Math.max(...served.map(({ error }) => error))).toBeLessThanOrEqual(2);
    expect(answered("choose", { ...choice, sizes: [2], darkest: 3 }).sizes[0].best.length).toBeGreaterThan(0);
  });

  test("palettes are served, weighed and begun, and what none reaches is wished for", () => {
    answered("open", { opening: { ...opening, targets: [...opening.targets, { lab: { L: 3, a: 0, b: 0 }, weight: 1 }] } });
    const [three, none] = answered("serve", { palettes: [[0, 1, 2], []] }).palettes;
    expect(three.served).toHaveLength(3);
    expect(none.error).toBe(Infinity);
    const weighed = answered("weigh", { palette: [0, 1, 2], convenience: [] });
    expect(weighed.paints.map(({ paint }) => paint)).toEqual([0, 1, 2]);
    expect(weighed.savings).toEqual([]);
    const { points } = answered("start", { among: [0, 1, 2, 3] });
    for (const { paints } of points) expect(paints.every((p) => p < 4)).toBe(true);
    const { wishes } = answered("wish", { atHand: [0, 1, 2, 3], targets: [2], errors: [three.served[2].error] });
    expect(wishes).toHaveLength(1);
    expect(wishes[0].pigmentId === null || HANDBOOK.some(({ id }) => id === wishes[0].pigmentId)).toBe(true);
  });

  test("what comes too early is answered with words", () => expect(ask("serve", { palettes: [[0]] })).toContain("Nothing is being weighed"));
});
