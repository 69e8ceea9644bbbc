// @ts-nocheck
import { learnOnBench } from "@/testing/foreign-bench/learning";
import { quantile } from "@/testing/quantile";
const after = [0, 5, 10, 20, 40];
for (const by of ["planner", "random"] as const) {
  const t0 = performance.now();
  const all = Array.from({ length: 12 }, (_, s) => learnOnBench(900 + s, by, after));
  for (const [k, n] of after.entries()) {
    const misses = all.flatMap((r) => r[k].misses), exp = all.flatMap((r) => r[k].expected);
    const mean = misses.reduce((a, b) => a + b, 0) / misses.length;
    const under = misses.filter((m, i) => m < 0.82 * exp[i]).length / misses.length;
    const u90 = misses.filter((m, i) => m < 1.8 * exp[i]).length / misses.length;
    console.log(by, n, "mean", mean.toFixed(2), "median", quantile(misses, .5).toFixed(2), "p90", quantile(misses, .9).toFixed(1), "expected", (exp.reduce((a, b) => a + b, 0) / exp.length).toFixed(2), under.toFixed(2), u90.toFixed(2), "hand", all.map(r=>r[k].posterior.scale.water.toFixed(2)).slice(0,4).join(" "), all.map(r=>r[k].posterior.scale.parts.toFixed(2)).slice(0,4).join(" "), "w", quantile([...all.flatMap(r=>[...r[k].posterior.agreements.values()].map(a=>a.distance2)),0],.5).toFixed(1));
  }
  console.log((performance.now() - t0).toFixed(0), "ms");
}
