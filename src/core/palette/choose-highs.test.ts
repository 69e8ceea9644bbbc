import highs from "highs";
import { describe, expect, test } from "vitest";
import { paletteProgram } from "../../../bench/palette-program";
import { PAPERS } from "../optics/paper";
import { HANDBOOK } from "../pigments/handbook";
import { DEFAULT_MATCH, prepareMatch } from "../mixing/match";
import { paintModel } from "../mixing/paint";
import { choosePalettes } from "./choose";
import { darkDemand, withinDemand } from "./demands";
import { mixCosts } from "./mix-costs";

describe("the best palette of real pigments, against the HiGHS solver (mixed-integer programming)", async () => {
  const solver = await highs();
  const paints = HANDBOOK.filter((_, i) => i % 8 === 3)
    .slice(0, 12)
    .map(({ id }) => paintModel(id, [{ pigmentId: id, share: 1 }], 1));
  const table = prepareMatch(paints, PAPERS[0], DEFAULT_MATCH);
  const targets = [
    { lab: { L: 75, a: 10, b: 30 }, weight: 1 },
    { lab: { L: 48, a: 33, b: 35 }, weight: 4 },
    { lab: { L: 30, a: 4, b: 4 }, weight: 2 },
    { lab: { L: 60, a: -4, b: -22 }, weight: 1 },
    { lab: { L: 45, a: -18, b: 22 }, weight: 0.5 },
  ];
  const costs = mixCosts(targets, table, 1.5);
  const total = targets.reduce((sum, { weight }) => sum + weight, 0);

  test.each([3, 4, 5])("%i of twelve paints: the same optimum", (size) => {
    const { best } = choosePalettes(costs, [size])[0]!;
    const { ObjectiveValue, Status, Columns } = solver.solve(paletteProgram(costs, size), {
      mip_rel_gap: 0,
      mip_abs_gap: 1e-9,
    });
    expect(Status).toBe("Optimal");
    expect(best[0]!.error).toBeCloseTo(ObjectiveValue / total, 5);
    // Where the second best is clearly worse, the paints are the same as well.
    if (best[1]!.error - best[0]!.error > 1e-4) {
      const chosen = paints.map((_, p) => p).filter((p) => (Columns[`y${p}`] as { Primal: number }).Primal > 0.5);
      expect(best[0]!.paints).toEqual(chosen);
    }
  });

  test("under a demand, the darkest value and an area that must be reached: the same optimum, or none for either", () => {
    const dark = darkDemand(table, 3);
    const near = withinDemand(costs, 3, 4);
    const asked = { ...costs, demands: [dark, near] };
    for (const { size, best } of choosePalettes(asked, [1, 3])) {
      const program = paletteProgram(
        { ...costs, costs: [...costs.costs, dark, near], weights: [...costs.weights, 1, 1] },
        size,
      );
      const { ObjectiveValue, Status } = solver.solve(program, { mip_rel_gap: 0, mip_abs_gap: 1e-9 });
      expect(Status).toBe("Optimal");
      if (best.length === 0) expect(ObjectiveValue).toBeGreaterThan(1e5);
      else expect(best[0]!.error).toBeCloseTo(ObjectiveValue / total, 4);
    }
  });
});
