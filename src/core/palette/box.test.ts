import { describe, expect, test } from "vitest";
import { HANDS } from "../mixing/hand";
import { paintModel } from "../mixing/paint";
import { PAPERS } from "../optics/paper";
import { boxProblemOf, NEEDED, packBox } from "./box";
import { posePalette, servedPalette, type PaletteQuestion } from "./problem";

const ids = ["PB29", "PB15-green-shade", "PBr7-burnt-sienna", "PY43", "PY150", "PV19-rose", "PO49", "PG18"];
const paints = ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const quiet = (): void => {};
const painting = (labs: readonly (readonly [number, number, number])[], weights?: readonly number[]) => {
  const question: PaletteQuestion = {
    paper: PAPERS[0],
    paints,
    targets: labs.map(([L, a, b], i) => ({ lab: { L, a, b }, weight: weights?.[i] ?? 1 })),
    metric: { valueWeight: 1.5, freeHue: false, hand: HANDS.usual },
    maxPaints: 3,
    maxPigments: 3,
  };
  return posePalette(question, null, quiet);
};
const sea = painting([
  [60, -8, -24],
  [45, -2, -10],
  [75, -5, -12],
]);
const heath = painting([
  [55, 12, 26],
  [40, 16, 12],
  [65, 6, 30],
]);
const roses = painting([
  [52, 52, 2],
  [70, 26, -4],
]);

describe("a box for several paintings", () => {
  test("is the best of all boxes of its size, each painting counting alike", () => {
    const problem = boxProblemOf([sea, heath, roses]);
    const packed = packBox(problem, 3, [], [])!;
    const costOf = (box: readonly number[]): number =>
      [sea, heath, roses].reduce((sum, { costs }) => {
        const own = new Set(box);
        const best = costs.costs.map((row) =>
          row.reduce(
            (least, cost, c) => (cost < least && costs.combinations[c]!.every((p) => own.has(p)) ? cost : least),
            Infinity,
          ),
        );
        return sum + best.reduce((all, cost) => all + cost, 0) / best.length;
      }, 0);
    const all = ids.flatMap((_, a) =>
      ids.flatMap((_, b) => ids.flatMap((_, c) => (a < b && b < c ? [[a, b, c]] : []))),
    );
    const best = all.reduce((least, box) => (costOf(box) < costOf(least) ? box : least));
    expect(packed.paints.map(({ paint }) => paint)).toEqual(best);
    expect(packed.outOf).toBe(all.length);
    packed.paintings.forEach(({ error, atHome }, i) => {
      expect(error).toBeCloseTo(servedPalette([sea, heath, roses][i]!.costs, best).error, 9);
      expect(atHome).toBeLessThanOrEqual(error + 0.5);
    });
  });

  test("an area said twice counts no more, and a painting brought twice does", () => {
    const twice = painting(
      [
        [60, -8, -24],
        [60, -8, -24],
        [45, -2, -10],
        [45, -2, -10],
        [75, -5, -12],
        [75, -5, -12],
      ],
      [1, 1, 1, 1, 1, 1],
    );
    const of = (...problems: (typeof sea)[]) => packBox(boxProblemOf(problems), 3, [], [])!.paints.map((p) => p.paint);
    expect(of(twice, heath)).toEqual(of(sea, heath));
    // Enough paintings of roses, and the rose is packed even where one well is all there is.
    expect(packBox(boxProblemOf([sea, heath, roses, roses, roses, roses]), 1, [], [])!.paints[0]!.paint).toBe(5);
  });

  test("tells what each paint is worth to each painting: what that one loses without it", () => {
    const all = [sea, heath, roses];
    const packed = packBox(boxProblemOf(all), 5, [], [])!;
    const box = packed.paints.map(({ paint }) => paint);
    packed.paints.forEach(({ paint, loss, colours }) =>
      all.forEach(({ costs }, i) => {
        const [whole, without] = [box, box.filter((p) => p !== paint)].map((own) => servedPalette(costs, own));
        expect(loss[i]).toBeCloseTo(Math.max(0, without!.error - whole!.error), 9);
        expect(colours[i]).toBe(whole!.served.filter(({ combination }) => combination.includes(paint)).length);
      }),
    );
    const most = packed.paints.reduce((best, one) => (one.loss[2]! > best.loss[2]! ? one : best));
    expect(ids[most.paint]).toBe("PV19-rose");
    expect(most.loss[2]).toBeGreaterThan(NEEDED);
  });

  test("wells that nothing is mixed with stay free, and the number that is enough is told", () => {
    const packed = packBox(boxProblemOf([roses]), 8, [3], [])!;
    expect(packed.free).toBeGreaterThan(2);
    expect(packed.paints).toHaveLength(8 - packed.free);
    expect(packed.paints.map(({ paint }) => paint)).toContain(3);
    const { enough } = packBox(boxProblemOf([sea, heath, roses]), 8, [], [])!;
    const meanOf = (size: number): number =>
      packBox(boxProblemOf([sea, heath, roses]), size, [], [])!.paintings.reduce((sum, { error }) => sum + error, 0);
    expect(enough).toBeLessThan(8);
    expect(meanOf(enough - 1) - meanOf(8)).toBeGreaterThan(NEEDED);
  });

  test("musts are packed, what stays at home is not, and a mix that an approach forbids is not counted on", () => {
    const problem = boxProblemOf([sea, heath]);
    const own = packBox(problem, 3, [7], [0])!.paints.map(({ paint }) => paint);
    expect(own).toContain(7);
    expect(own).not.toContain(0);
    expect(packBox(problem, 9, [], [])).toBeNull();
    // One painting mixes nothing: its colours come from single tubes.
    const plain = boxProblemOf([sea, heath], [(combination) => combination.length === 1, () => true]);
    expect(packBox(plain, 3, [], [])!.paintings[0]!.error).toBeGreaterThan(
      packBox(problem, 3, [], [])!.paintings[0]!.error,
    );
  });
});
