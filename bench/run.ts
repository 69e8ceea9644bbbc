/**
 * Speeds, as ratios against a reference in the same run. Nothing here is asserted: machines are noisy.
 * Run: npm run bench
 */
import * as spectral from "spectral.js";
import { HANDBOOK, matchOver, paintModel, PAPERS, prepareMatch, type PaintModel } from "@/core";
import { mixEvaluator } from "@/core/mix/reach-table";
import { seededRandom } from "@/core/random";

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
  return spans.sort((a, b) => a - b)[Math.floor(times / 2)];
}

const row = (name: string, text: string): void => console.log(`${name.padEnd(58)} ${text}`);

const MIXES = 20_000;
const evaluator = mixEvaluator([models[1], models[10], models[20]], paper);
const lab = new Float64Array(3);
const random = seededRandom(1);
const shares = Array.from({ length: 64 }, () => [random(), random(), random()]);
const film = median(() => {
  for (let i = 0; i < MIXES; i++) evaluator.evaluate(shares[i & 63], 0.05 + 0.9 * ((i & 15) / 16), lab);
});
const [red, yellow, blue] = ["#c0283a", "#f2c500", "#2b3fa8"].map((hex) => new spectral.Color(hex));
const reference = median(() => {
  for (let i = 0; i < MIXES; i++) {
    const [a, b, c] = shares[i & 63];
    void spectral.mix([red, a], [yellow, b], [blue, c]).OKLab;
  }
});
row("full film model, three paints", `${Math.round(MIXES / film)} thousand mixes a second`);
row("spectral.js, three colours (no film, paper or surface)", `${Math.round(MIXES / reference)} thousand mixes a second`);
row("ratio, ours to spectral.js", (reference / film).toFixed(2));

const paints = models.filter((_, i) => i % 4 === 0).slice(0, 24);
const target = { L: 48, a: 18, b: 26 };
const tableTime = median(() => void prepareMatch(paints, paper), 5);
const table = prepareMatch(paints, paper);
const matchTime = median(() => void matchOver(target, table), 5);
row("table of all mixes of up to 3 of 24 paints", `${tableTime.toFixed(0)} ms`);
row("one area over it", `${matchTime.toFixed(0)} ms`);
row("one area from nothing (goal 300 ms)", `${(tableTime + matchTime).toFixed(0)} ms`);
const twelve = Array.from({ length: 12 }, () => ({ L: 25 + 65 * random(), a: -30 + 70 * random(), b: -35 + 80 * random() }));
const twelveTime = median(() => twelve.forEach((lab12) => void matchOver(lab12, table)), 3);
row("12 areas from nothing (goal 2000 ms)", `${(tableTime + twelveTime).toFixed(0)} ms`);
