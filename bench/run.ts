/**
 * Speeds, as ratios against a reference in the same run. Nothing here is asserted: machines are noisy.
 * Run: npm run bench; with "shapes" behind it, shapes and washes alone; with "told", the errors that are told; with
 * "box", those of a box sheet alone; with "hands", palettes as a hand lays them; with "load", years of painting in one
 * folder; with "power", power cuts and what syncing costs; with "studio", thirty painters on a PostgreSQL server.
 */
import highs from "highs";
import * as spectral from "spectral.js";
import { matchOver, paintModel, prepareMatch, ringPixels, type PaintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import {
  choosePalettes,
  choosePrepared,
  latticeOf,
  mixCosts,
  prepareChoice,
  gamutTable,
  servedBy,
  sliceAt,
} from "@/core/palette";
import { HANDBOOK } from "@/core/pigments";
import { filmComputer, plainComputer, type FilmComputer } from "@/core/optics/kernel/film-kernel";
import { seededRandom } from "@/core/numeric/random";
import { benchCrew } from "./crew";
import { benchHands } from "./hands";
import { benchLearning } from "./learning";
import { benchLoad } from "./load";
import { paletteProgram } from "./palette-program";
import { benchPowerCut } from "./power-cut";
import { benchShapes, benchWashes } from "./shapes";
import { benchStudio } from "./studio";
import { swatchBench } from "./swatch-bench";
import { benchBoxSheet, benchToldErrors } from "./told-errors";

const paper = PAPERS[0];
const models: PaintModel[] = HANDBOOK.map(({ id }) => paintModel(id, [{ pigmentId: id, share: 1 }]));

/** Median milliseconds of several runs, after one to warm up. */
function median(run: () => void, times = 7): number {
  run();
  const spans = Array.from({ length: times }, () => {
    const start = performance.now();
    run();
    return performance.now() - start;
  });
  return spans.sort((a, b) => a - b)[Math.floor(times / 2)]!;
}

const row = (name: string, text: string): void => console.log(`${name.padEnd(58)} ${text}`);

if (process.argv.includes("shapes")) {
  await benchShapes(row);
  await benchWashes(row);
  process.exit(0);
}

if (process.argv.includes("load")) {
  await benchLoad(row);
  process.exit(0);
}

if (process.argv.includes("studio")) {
  await benchStudio(row);
  process.exit(0);
}

if (process.argv.includes("power")) {
  await benchPowerCut(row);
  process.exit(0);
}

if (process.argv.includes("hands")) {
  await benchHands(row);
  process.exit(0);
}

if (process.argv.includes("box")) {
  await benchBoxSheet(row);
  process.exit(0);
}

if (process.argv.includes("told")) {
  benchToldErrors(row);
  benchLearning(row);
  await benchBoxSheet(row);
  process.exit(0);
}

const MIXES = 20_000;
const random = seededRandom(1);
const pick = (): number => Math.floor(random() * models.length);
const inputs = Array.from({ length: MIXES }, (_, i) => {
  const [a, b, c] = [random(), random(), random()];
  const total = a + b + c;
  return {
    p0: pick(),
    p1: pick(),
    p2: pick(),
    c0: a / total,
    c1: b / total,
    c2: c / total,
    load: 0.05 + 0.9 * ((i & 15) / 16),
  };
});
function runAll(computer: FilmComputer, count: number): void {
  for (let i = 0; i < count; i++) {
    const m = inputs[i]!;
    computer.put(i, m.p0, m.p1, m.p2, m.c0, m.c1, m.c2, m.load);
  }
  computer.run(count);
}
const simd = filmComputer(models, paper);
const film = median(() => runAll(simd, MIXES));
const plain = plainComputer(models, paper);
const slow = median(() => runAll(plain, 4000));
const [red, yellow, blue] = ["#c0283a", "#f2c500", "#2b3fa8"].map((hex) => new spectral.Color(hex));
const reference = median(() => {
  for (let i = 0; i < MIXES; i++) {
    const { c0: a, c1: b, c2: c } = inputs[i]!;
    void spectral.mix([red!, a], [yellow!, b], [blue!, c]).OKLab;
  }
});
row("full film model, three paints", `${Math.round(MIXES / film)} thousand mixes a second`);
row("the same in plain JavaScript", `${Math.round(4000 / slow)} thousand mixes a second`);
row(
  "spectral.js, three colours (no film, paper or surface)",
  `${Math.round(MIXES / reference)} thousand mixes a second`,
);
row("ratio, ours to spectral.js", (reference / film).toFixed(2));

const paints = models.filter((_, i) => i % 4 === 0).slice(0, 24);
const target = { L: 48, a: 18, b: 26 };
const tableTime = median(() => void prepareMatch(paints, paper), 5);
const table = prepareMatch(paints, paper);
const matchTime = median(() => void matchOver(target, table), 5);
row("table of all mixes of up to 3 of 24 paints", `${tableTime.toFixed(0)} ms`);
row("one area over it", `${matchTime.toFixed(0)} ms`);
row("one area from nothing (goal 300 ms)", `${(tableTime + matchTime).toFixed(0)} ms`);
const twelve = Array.from({ length: 12 }, () => ({
  L: 25 + 65 * random(),
  a: -30 + 70 * random(),
  b: -35 + 80 * random(),
}));
const twelveTime = median(() => twelve.forEach((lab12) => void matchOver(lab12, table)), 3);
const forty = models.filter((_, i) => i % 2 === 0).slice(0, 40);
const fortyTime = median(() => void prepareMatch(forty, paper), 3);
const fortyTable = prepareMatch(forty, paper);
row("table for 40 paints (goal 4000 ms)", `${fortyTime.toFixed(0)} ms`);
row(
  "the same after one paint has changed",
  `${median(() => void prepareMatch([...forty.slice(0, 39), models[1]!], paper, undefined, fortyTable), 3).toFixed(0)} ms`,
);
row("one area over it (goal 20 ms)", `${median(() => void matchOver(target, fortyTable), 9).toFixed(0)} ms`);
row("12 areas from nothing (goal 2000 ms)", `${(tableTime + twelveTime).toFixed(0)} ms`);

const few = models.filter((_, i) => i % 8 === 3).slice(0, 12);
const wanted = twelve.slice(0, 6).map((lab6, i) => ({ lab: lab6, weight: [1, 4, 2, 1, 1, 0.5][i]! }));
const fewCosts = mixCosts(wanted, prepareMatch(few, paper), 1.5);
const solver = await highs();
const fourTime = median(() => void choosePalettes(fewCosts, [4], undefined, 1), 5);
const programText = paletteProgram(fewCosts, 4);
const highsTime = median(() => void solver.solve(programText, { mip_rel_gap: 0 }), 3);
row("best 4 of 12 paints for 6 areas, proven", `${fourTime.toFixed(1)} ms`);
row("the same by HiGHS (mixed-integer programming)", `${highsTime.toFixed(0)} ms`);
row("ratio, HiGHS to ours (goal 20)", (highsTime / fourTime).toFixed(1));

/** From nothing to the best five of sizes 1 to 8, and again after a rule has changed. */
function choiceTimes(count: number): { whole: number; rule: number } {
  const own = count > 60 ? models.slice(0, count) : models.filter((_, i) => i % 2 === 0).slice(0, count);
  const start = performance.now();
  const costs = mixCosts(
    twelve.map((lab, i) => ({ lab, weight: [1, 4, 2, 0.5][i % 4]! })),
    prepareMatch(own, paper),
    1.5,
  );
  const prepared = prepareChoice(costs);
  const sizes = [1, 2, 3, 4, 5, 6, 7, 8];
  const [, , three] = choosePrepared(prepared, sizes);
  const whole = performance.now() - start;
  const from = performance.now();
  choosePrepared(prepared, sizes, { must: [], never: [three!.best[0]!.paints[0]!] });
  return { whole, rule: performance.now() - from };
}
choiceTimes(20);
for (const [count, goal] of [
  [40, 3],
  [80, 15],
]) {
  const { whole, rule } = choiceTimes(count!);
  row(`${count} paints, 12 areas, sizes 1 to 8 from nothing (goal ${goal} s)`, `${(whole / 1000).toFixed(1)} s`);
  row(`the same after a rule has changed${count === 40 ? " (goal 300 ms)" : ""}`, `${rule.toFixed(0)} ms`);
}

const eight = ["PY154", "PV19-rose", "PB29", "PB15-green-shade", "PBr7-burnt-sienna", "PY43", "PR254", "PG7"].map(
  (id) => paintModel(id, [{ pigmentId: id, share: 1 }]),
);
const lattice = latticeOf(eight, paper);
const latticeTime = median(() => void latticeOf(eight, paper), 5);
const cubeTime = median(() => void gamutTable(lattice, (lab) => lab, 1.5), 5);
row("reach of 8 paints", `${latticeTime.toFixed(0)} ms`);
row("a slice of it", `${median(() => void sliceAt(lattice, 55), 9).toFixed(0)} ms`);
row(
  "photo through the palette, reach included (goal 400 ms)",
  `${(latticeTime + cubeTime).toFixed(0)} ms and one drawing`,
);
row(
  "ring test of 5 paints, 600 px",
  `${median(() => void ringPixels(eight.slice(0, 5), paper, 600, 1), 3).toFixed(0)} ms`,
);
const servedCosts = mixCosts(
  twelve.map((lab) => ({ lab, weight: 1 })),
  fortyTable,
  1.5,
);
row(
  "30 auditions over 40 paints, 12 areas (goal 100 ms)",
  `${median(() => {
    for (let p = 0; p < 30; p++) servedBy(servedCosts, [p, 31, 32, 33, 34, 35]);
  }, 5).toFixed(0)} ms`,
);

await benchCrew(row);
await swatchBench(row);
await benchShapes(row);
await benchWashes(row);
