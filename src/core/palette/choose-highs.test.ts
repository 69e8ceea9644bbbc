import highs from "highs";
import { describe, expect, test } from "vitest";
import { PAPERS } from "../film/paper";
import { HANDBOOK } from "../pigment/handbook";
import { DEFAULT_MATCH, prepareMatch } from "../mix/match";
import { paintModel } from "../mix/paint";
import { choosePalettes } from "./choose";
import { mixCosts, type MixCosts } from "./mix-costs";

/**
 * The choice as a mixed-integer program in CPLEX's LP format: y says which paints are laid out, x
 * which mix serves which target, and a mix needs all its paints.
 */
function program({ combinations, costs, weights, paints }: MixCosts, size: number): string {
  const x = (t: number, c: number): string => `x${t}_${c}`;
  const each = costs.flatMap((cost, t) => [...combinations.keys()].map((c) => ({ t, c, weighted: weights[t] * cost[c] })));
  return [
    "Minimize", ` obj: ${each.map(({ t, c, weighted }) => `${weighted.toFixed(9)} ${x(t, c)}`).join("\n + ")}`,
    "Subject To",
    ...costs.map((_, t) => ` one${t}: ${[...combinations.keys()].map((c) => x(t, c)).join("\n + ")} = 1`),
    ...each.flatMap(({ t, c }) => combinations[c].map((p) => ` n${t}_${c}_${p}: ${x(t, c)} - y${p} <= 0`)),
    ` size: ${Array.from({ length: paints }, (_, p) => `y${p}`).join(" + ")} = ${size}`,
    "Binary", ` ${Array.from({ length: paints }, (_, p) => `y${p}`).join(" ")}`, "End",
  ].join("\n");
}

describe("the best palette of real pigments, against the HiGHS solver (mixed-integer programming)", async () => {
  const solver = await highs();
  const paints = HANDBOOK.filter((_, i) => i % 8 === 3).slice(0, 12).map(({ id }) => paintModel(id, [{ pigmentId: id, share: 1 }], 1));
  const table = prepareMatch(paints, PAPERS[0], DEFAULT_MATCH);
  const targets = [
    { lab: { L: 75, a: 10, b: 30 }, weight: 1 }, { lab: { L: 48, a: 33, b: 35 }, weight: 4 }, { lab: { L: 30, a: 4, b: 4 }, weight: 2 },
    { lab: { L: 60, a: -4, b: -22 }, weight: 1 }, { lab: { L: 45, a: -18, b: 22 }, weight: 0.5 },
  ];
  const costs = mixCosts(targets, table, 1.5);
  const total = targets.reduce((sum, { weight }) => sum + weight, 0);

  test.each([2, 3, 4, 5])("%i of twelve paints: the same optimum", (size) => {
    const [{ best }] = choosePalettes(costs, [size]);
    const { ObjectiveValue, Status, Columns } = solver.solve(program(costs, size), { mip_rel_gap: 0, mip_abs_gap: 1e-9 });
    expect(Status).toBe("Optimal");
    expect(best[0].error).toBeCloseTo(ObjectiveValue / total, 5);
    // Where the second best is clearly worse, the paints are the same as well.
    if (best[1].error - best[0].error > 1e-4) {
      const chosen = paints.map((_, p) => p).filter((p) => (Columns[`y${p}`] as { Primal: number }).Primal > 0.5);
      expect(best[0].paints).toEqual(chosen);
    }
  });
});
