import { describe, expect, test, vi } from "vitest";
import type { PaletteStage } from "@/core/palette";
import { HANDBOOK } from "@/core/pigments";
import { plainOpening } from "@/testing/plain-opening";
import { workerUnderTest } from "@/testing/worker.test-helper";
import type { PaletteApi } from "./palette-api";
import { heard } from "./worker-link";

const ids = ["PY154", "PV19-rose", "PB29", "PBr7-burnt-sienna", "PG7", "PY43", "PO73"];
const opening = plainOpening(ids, [
  { lab: { L: 70, a: 5, b: 60 }, weight: 1 },
  { lab: { L: 50, a: 30, b: 40 }, weight: 4 },
]);
const choice = { sizes: [1, 2, 3], must: [], never: [], kinds: [], darkest: null, within: [] };
const worker = workerUnderTest<PaletteApi>(() => import("./palette.worker"));

/** What has been told of progress since it was last asked for. */
const told: PaletteStage[] = [];
const progress = heard((stage: PaletteStage) => void told.push(stage));
const open = (own = opening): Promise<void> => worker.ask("open", own, progress);

describe("the palette worker", () => {
  test("tells its progress, and each size with what serves each area", async () => {
    await open();
    const sizes = await worker.ask("choose", choice, progress);
    expect(sizes.map(({ size, outOf }) => [size, outOf])).toEqual([
      [1, 7],
      [2, 21],
      [3, 35],
    ]);
    await vi.waitFor(() => expect(told).toEqual(expect.arrayContaining(["mixes", "costs", 1, 3])));
    for (const { best } of sizes) {
      expect(best[0]!.served).toHaveLength(2);
      for (const { combination, made } of best[0]!.served) {
        expect(combination.every((p) => best[0]!.paints.includes(p))).toBe(true);
        expect(made).not.toBeNull();
      }
      expect(best[0]!.error).toBeCloseTo((best[0]!.served[0]!.error + 4 * best[0]!.served[1]!.error) / 5, 9);
    }
  });

  test("a choice that nobody waits for any more is left for the next one, and so is a weighing", async () => {
    const many = plainOpening(
      HANDBOOK.slice(0, 24).map(({ id }) => id),
      Array.from({ length: 12 }, (_, i) => ({ lab: { L: 20 + 6 * i, a: 30 - 5 * i, b: 4 * i - 20 }, weight: 1 })),
    );
    const left = open(many);
    const wanted = open({ ...many, targets: many.targets.slice(0, 8) });
    await expect(left).rejects.toThrow();
    await wanted;
    const long = worker.ask("choose", { ...choice, sizes: [6, 7, 8, 9] }, progress);
    const short = worker.ask("choose", { ...choice, sizes: [2] }, progress);
    await expect(long).rejects.toThrow();
    expect((await short).map(({ size }) => size)).toEqual([2]);
    expect(await worker.ask("serve", [[0, 1, 2]])).toMatchObject([{ paints: [0, 1, 2] }]);
  });

  test("after a change of rules it chooses from what it knows: no mixing again", async () => {
    await open();
    await worker.ask("choose", choice, progress);
    const later: PaletteStage[] = [];
    const sizes = await worker.ask(
      "choose",
      { ...choice, sizes: [2], must: [6], never: [0, 1] },
      heard((stage: PaletteStage) => void later.push(stage)),
    );
    for (const { paints } of sizes[0]!.best)
      expect(paints.includes(6) && !paints.includes(0) && !paints.includes(1)).toBe(true);
    await vi.waitFor(() => expect(later).toEqual([2]));
    const within = await worker.ask(
      "choose",
      {
        ...choice,
        sizes: [1, 3],
        within: [
          { target: 0, most: 2 },
          { target: 1, most: 2 },
        ],
      },
      progress,
    );
    expect(within[0]!.best).toEqual([]);
    for (const { served } of within[1]!.best)
      expect(Math.max(...served.map(({ ideal }) => ideal))).toBeLessThanOrEqual(2);
    expect(
      (await worker.ask("choose", { ...choice, sizes: [2], darkest: 3 }, progress))[0]!.best.length,
    ).toBeGreaterThan(0);
  });

  test("what one is in the mood for and is not in it comes with the best palette that has it; a liking that decides is told", async () => {
    await open();
    const best = (await worker.ask("choose", { ...choice, sizes: [2] }, progress))[0]!.best[0]!.paints;
    const out = opening.paints.map((_, p) => p).filter((p) => !best.includes(p));
    const { withMood, untasted } = await worker.ask("others", best, choice, [...best, out[0]!]);
    expect(withMood.map(({ paint }) => paint)).toEqual([out[0]]);
    expect(withMood[0]!.palette.paints).toContain(out[0]);
    expect(withMood[0]!.palette.paints).toHaveLength(2);
    expect(untasted).toBeNull();
    // Everything else is disliked so much that the best palette is another one.
    const disliked = opening.paints.map((paint, p) => ({ ...paint, taste: { less: p === out[0] ? 0 : 60, sheet: 0 } }));
    await open({ ...opening, paints: disliked });
    const liked = (await worker.ask("choose", { ...choice, sizes: [2] }, progress))[0]!.best[0]!.paints;
    const told = await worker.ask("others", liked, choice, []);
    expect(liked).toContain(out[0]);
    expect(told.untasted!.paints).toEqual(best);
  });

  test("a box is packed for several paintings, and another size asks for no weighing again", async () => {
    const shares: number[] = [];
    const heardShare = heard((share: number) => void shares.push(share));
    const dull = { ...opening, targets: [{ lab: { L: 45, a: 2, b: 4 }, weight: 1 }] };
    const four = await worker.ask("pack", [opening, dull], { size: 4, must: [6], never: [0] }, heardShare);
    expect(four!.paintings).toHaveLength(2);
    expect(four!.paints.map(({ paint }) => paint)).toContain(6);
    expect(four!.paints.map(({ paint }) => paint)).not.toContain(0);
    await vi.waitFor(() => expect(shares.length).toBeGreaterThan(0));
    const before = shares.length;
    const two = await worker.ask("pack", [opening, dull], { size: 2, must: [], never: [] }, heardShare);
    expect(two!.paints.length).toBeLessThanOrEqual(2);
    expect(shares).toHaveLength(before);
    expect(await worker.ask("pack", [opening], { size: 9, must: [], never: [] }, heardShare)).toBeNull();
  });

  test("palettes are served, weighed and begun, and what none reaches is wished for", async () => {
    await open({ ...opening, targets: [...opening.targets, { lab: { L: 3, a: 0, b: 0 }, weight: 1 }] });
    const [three, none] = await worker.ask("serve", [[0, 1, 2], []]);
    expect(three!.served).toHaveLength(3);
    expect(none!.error).toBe(Infinity);
    const weighed = await worker.ask("weigh", [0, 1, 2], []);
    expect(weighed.paints.map(({ paint }) => paint)).toEqual([0, 1, 2]);
    expect(weighed.savings).toEqual([]);
    const points = await worker.ask("start", [0, 1, 2, 3]);
    for (const { paints } of points) expect(paints.every((p) => p < 4)).toBe(true);
    const wishes = await worker.ask("wish", [0, 1, 2, 3], [2], [three!.served[2]!.error]);
    expect(wishes).toHaveLength(1);
    expect(wishes[0]!.pigmentId === null || HANDBOOK.some(({ id }) => id === wishes[0]!.pigmentId)).toBe(true);
  });

  test("what comes too early is answered with words", () =>
    expect(worker.ask("serve", [[0]])).rejects.toThrow("Nothing is being weighed"));
});
