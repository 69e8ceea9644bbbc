import { learnOnBench } from "@/testing/foreign-bench/learning";
import { quantile } from "@/testing/quantile";

const PAINTERS = 16;
const AFTER = [0, 5, 10, 20, 40];
const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / list.length;

/** How far a painting's mixes are missed after some swatches, chosen or at random, and whether what is told holds. */
export function benchLearning(row: (name: string, text: string) => void): void {
  const missed = new Map<string, number>();
  for (const by of ["planner", "random"] as const) {
    const all = Array.from({ length: PAINTERS }, (_, i) => learnOnBench(1501 + i, by, AFTER));
    AFTER.forEach((swatches, k) => {
      const list = all.flatMap((results) => {
        const { misses, told } = results[k]!;
        return misses.map((miss, i) => ({ miss, told: told[i]! }));
      });
      const misses = list.map(({ miss }) => miss);
      const under = (of: "median" | "p90"): string =>
        ((100 * list.filter(({ miss, told }) => miss < told[of]).length) / list.length).toFixed(0);
      missed.set(`${by} ${swatches}`, mean(misses));
      row(
        `${swatches} swatches, ${by === "planner" ? "as asked for" : "at random"}`,
        `dE00 mean ${mean(misses).toFixed(2)}, median ${quantile(misses, 0.5).toFixed(2)}, 90 % ${quantile(misses, 0.9).toFixed(1)}; told median ${mean(list.map(({ told }) => told.median)).toFixed(2)}; under told median ${under("median")} % (40 to 60), under told 90 % ${under("p90")} % (82 to 96)`,
      );
    });
  }
  row(
    "ratio of the means after 20, at random to as asked for",
    (missed.get("random 20")! / missed.get("planner 20")!).toFixed(2),
  );
}
