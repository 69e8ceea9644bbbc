import type { MixCosts } from "@/core/palette";

/**
 * The choice of a palette as a mixed-integer program in CPLEX's LP format, for other solvers: y says
 * which paints are laid out, x which mix serves which target, and a mix needs all its paints.
 */
export function paletteProgram({ combinations, costs, weights, paints }: MixCosts, size: number): string {
  const x = (t: number, c: number): string => `x${t}_${c}`;
  const each = costs.flatMap((cost, t) =>
    [...combinations.keys()].map((c) => ({ t, c, weighted: weights[t]! * cost[c]! })),
  );
  return [
    "Minimize",
    ` obj: ${each.map(({ t, c, weighted }) => `${weighted.toFixed(9)} ${x(t, c)}`).join("\n + ")}`,
    "Subject To",
    ...costs.map((_, t) => ` one${t}: ${[...combinations.keys()].map((c) => x(t, c)).join("\n + ")} = 1`),
    ...each.flatMap(({ t, c }) => combinations[c]!.map((p) => ` n${t}_${c}_${p}: ${x(t, c)} - y${p} <= 0`)),
    ` size: ${Array.from({ length: paints }, (_, p) => `y${p}`).join(" + ")} = ${size}`,
    "Binary",
    ` ${Array.from({ length: paints }, (_, p) => `y${p}`).join(" ")}`,
    "End",
  ].join("\n");
}
