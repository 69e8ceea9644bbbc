import { describe, expect, test } from "vitest";
import { deltaE00 } from "../colour/difference";
import { paintModel } from "../mixing/paint";
import { predict } from "../mixing/predict";
import { PAPERS } from "../optics/paper";
import { UNSEEN } from "./mix-costs";
import { posePalette, servedPalette, solvePalette, type PaletteQuestion, type PaletteStage } from "./problem";

const ids = ["PY154", "PV19-rose", "PB29", "PBr7-burnt-sienna", "PG7", "PY43", "PO73"];
const paints = ids.map((id) => paintModel(id, [{ pigmentId: id, share: 1 }]));
const metric = { valueWeight: 1, freeHue: false };
const question: PaletteQuestion = {
  paper: PAPERS[0],
  paints,
  targets: [
    { lab: { L: 70, a: 5, b: 60 }, weight: 1 },
    { lab: { L: 50, a: 30, b: 40 }, weight: 4 },
    { lab: { L: 62, a: -6, b: -20 }, weight: 2 },
  ],
  metric,
  maxPaints: 3,
  maxPigments: 3,
};
const quiet = (): void => {};
const rules = { must: [], never: [], kinds: [], darkest: null, within: [] };

describe("a palette problem", () => {
  const posed = posePalette(question, null, quiet);

  test("tells its stages in their order, with shares that rise", () => {
    const stages: PaletteStage[] = [];
    const shares: number[] = [];
    posePalette(question, null, (stage, share) => {
      stages.push(stage);
      shares.push(share);
    });
    expect(stages).toEqual(["mixes", "costs", "costs", "costs"]);
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    const solved: PaletteStage[] = [];
    solvePalette(posed, { ...rules, sizes: [2, 3] }, (stage) => solved.push(stage));
    expect(solved).toEqual([2, 3]);
  });

  test("posed upon an earlier one it answers just as when posed afresh", () => {
    const more = { ...question, metric: { ...metric, valueWeight: 2 }, paints: paints.slice(0, 6) };
    const [upon, afresh] = [posePalette(more, posed, quiet), posePalette(more, null, quiet)].map((problem) =>
      solvePalette(problem, { ...rules, sizes: [1, 2, 3] }, quiet),
    );
    expect(upon).toEqual(afresh);
  });

  test("a palette's error is the weighted mean of its areas', and each colour is the one that its mix makes", () => {
    const { error, served } = servedPalette(posed.costs, [0, 1, 2]);
    const weights = question.targets.map(({ weight }) => weight);
    const sum = served.reduce((all, one, t) => all + weights[t]! * one.error, 0);
    expect(error).toBeCloseTo(sum / weights.reduce((a, b) => a + b), 9);
    served.forEach(({ made, error: own, combination }, t) => {
      expect(combination.every((p) => p < 3)).toBe(true);
      // With a value weight of 1 the cost is CIEDE2000 itself, less what is not visible.
      expect(Math.max(0, deltaE00(question.targets[t]!.lab, made!) - UNSEEN)).toBeCloseTo(own, 2);
    });
    expect(servedPalette(posed.costs, [])).toEqual({
      paints: [],
      error: Infinity,
      expected: Infinity,
      ideal: Infinity,
      served: [],
    });
  });

  test("what must be near is near in every palette found, and what must be dark is as dark as its mixes can be laid", () => {
    const { best } = solvePalette(posed, { ...rules, sizes: [3], within: [{ target: 2, most: 3 }] }, quiet)[0]!;
    expect(best.length).toBeGreaterThan(0);
    for (const { served } of best) expect(served[2]!.error).toBeLessThanOrEqual(3);
    const [dark] = solvePalette(posed, { ...rules, sizes: [2], darkest: 3 }, quiet);
    expect(dark!.best.length).toBeGreaterThan(0);
    for (const { paints: own } of dark!.best) {
      const mixes = own.flatMap((p, i) => [
        [{ paint: paints[p]!, parts: 1 }],
        ...own.slice(i + 1).flatMap((q) =>
          [1, 2, 3, 4].map((parts) => [
            { paint: paints[p]!, parts },
            { paint: paints[q]!, parts: 5 - parts },
          ]),
        ),
      ]);
      // Munsell value 3 is L* 30.8 (ASTM D1535); a grid of mixes misses the darkest by a little.
      expect(Math.min(...mixes.map((mix) => predict(mix, 1, PAPERS[0]).dry.L))).toBeLessThan(33);
    }
  });

  test("must and never are kept", () => {
    for (const { best } of solvePalette(posed, { ...rules, sizes: [2, 4], must: [6], never: [0, 2] }, quiet))
      for (const { paints: own } of best) {
        expect(own).toContain(6);
        expect(own.some((p) => p === 0 || p === 2)).toBe(false);
      }
  });
});
