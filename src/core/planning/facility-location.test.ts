import highs from "highs";
import { describe, expect, test } from "vitest";
import { seededRandom } from "../numeric/random";
import { locateFacilities, type FacilityProblem } from "./facility-location";

/** Customers and facilities at random places of a square, facilities of unlike cost. */
function made(customers: number, facilities: number, opening: number, seed: number): FacilityProblem {
  const random = seededRandom(seed);
  const places = (n: number) => Array.from({ length: n }, () => [random(), random()]);
  const [from, to] = [places(customers), places(facilities)];
  return {
    serving: from.map(([x, y]) => Float64Array.from(to, ([u, v]) => Math.hypot(x! - u!, y! - v!))),
    opening: Float64Array.from(to, () => opening * (0.5 + random())),
  };
}

function byBruteForce({ serving, opening }: FacilityProblem): number {
  let least = Infinity;
  for (let set = 1; set < 1 << opening.length; set++) {
    let cost = 0;
    opening.forEach((open, j) => (cost += set & (1 << j) ? open : 0));
    for (const costs of serving) cost += Math.min(...[...costs].filter((_, j) => set & (1 << j)));
    least = Math.min(least, cost);
  }
  return least;
}

/** The same as a mixed integer program, solved by HiGHS. */
async function byHighs({ serving, opening }: FacilityProblem): Promise<number> {
  const m = opening.length;
  const terms = [...opening].map((cost, j) => `${cost} y${j}`);
  serving.forEach((costs, i) => costs.forEach((cost, j) => terms.push(`${cost} x${i}_${j}`)));
  const rows = serving.flatMap((costs, i) => [
    `s${i}: ${[...costs.keys()].map((j) => `x${i}_${j}`).join(" + ")} = 1`,
    ...[...costs.keys()].map((j) => `o${i}_${j}: x${i}_${j} - y${j} <= 0`),
  ]);
  const binaries = Array.from({ length: m }, (_, j) => `y${j}`).join(" ");
  const program = `Minimize\n obj: ${terms.join(" + ")}\nSubject To\n ${rows.join("\n ")}\nBinary\n ${binaries}\nEnd`;
  return (await highs()).solve(program).ObjectiveValue;
}

describe("facility location", () => {
  test("small cases: as cheap as brute force, and proven", () => {
    for (let seed = 1; seed <= 40; seed++) {
      const problem = made(4 + (seed % 7), 3 + (seed % 8), [0.05, 0.3, 1][seed % 3]!, seed);
      const { cost, bound, open, servedBy } = locateFacilities(problem);
      expect(cost).toBeCloseTo(byBruteForce(problem), 9);
      expect(bound).toBeCloseTo(cost, 9);
      const told =
        open.reduce((sum, j) => sum + problem.opening[j]!, 0) +
        servedBy.reduce((sum, j, i) => sum + problem.serving[i]![j]!, 0);
      expect(told).toBeCloseTo(cost, 9);
    }
  });

  test("middle cases: as cheap as HiGHS", async () => {
    for (const [customers, facilities, opening, seed] of [
      [20, 30, 0.3, 51],
      [30, 40, 0.6, 52],
      [25, 60, 0.15, 53],
    ]) {
      const problem = made(customers!, facilities!, opening!, seed!);
      const { cost, bound } = locateFacilities(problem);
      expect(cost).toBeCloseTo(await byHighs(problem), 5);
      expect(bound).toBeCloseTo(cost, 9);
    }
  });

  test("no facility is an error", () => {
    expect(() => locateFacilities({ serving: [new Float64Array(0)], opening: new Float64Array(0) })).toThrow(
      RangeError,
    );
  });
});
