// @ts-nocheck
import { learnOnBench } from "@/testing/foreign-bench/learning";
learnOnBench(901, "planner", [20]);
const t0 = performance.now(); learnOnBench(900, "planner", [40]); console.log(performance.now() - t0);
