/// <reference lib="webworker" />
import { DEFAULT_MATCH, prepareMatch, type MixMetric } from "@/core/mixing";
import { paperById, type Paper } from "@/core/optics";
import { choosePrepared, darkDemand, mixCosts, prepareChoice, savedMixing, servedBy, startingPoints, traitsOf, wishFor, withinDemand, worthOf, type MixCosts, type PreparedChoice } from "@/core/palette";
import { answerWith } from "./answering";
import { modelOf } from "./paint-message";
import type { FoundSize, Opening, PaletteAnswers, PaletteQuestion, PaletteReply, PaletteRequest, ServedPalette } from "./palette-messages";

const reply = (message: PaletteReply): void => self.postMessage(message);

/** What is being weighed, kept so that a change of rules asks for no mixing again. */
interface Bench {
  readonly opening: Opening;
  readonly paper: Paper;
  readonly table: ReturnType<typeof prepareMatch>;
  readonly metric: MixMetric;
  readonly costs: MixCosts;
  readonly prepared: PreparedChoice;
}
let bench: Bench | null = null;

function open(job: number, opening: Opening): PaletteAnswers["open"] {
  const { paperId, valueWeight, freeHue, maxPigments, maxPaints, paints, targets } = opening;
  const paper = paperById(paperId);
  const models = paints.map(modelOf);
  const strongest = new Map(paints.map((p) => [p.id, p.strongest]));
  const metric: MixMetric = { valueWeight, freeHue, strongest: ({ id }) => strongest.get(id) ?? 1 };
  reply({ kind: "progress", job, words: "Mixing every two and three paints", share: 0 });
  const table = prepareMatch(models, paper, { ...DEFAULT_MATCH, maxPaints, maxPigments, valueWeight }, bench?.table);
  const costs = mixCosts(targets, table, metric, (done) => reply({ kind: "progress", job, words: "Trying every mix on every area", share: 0.4 + (0.5 * done) / targets.length }));
  bench = { opening, paper, table, metric, costs, prepared: prepareChoice(costs) };
  return { targets: targets.map((target) => target.lab) };
}

function opened(): Bench {
  if (!bench) throw new Error("Nothing is being weighed yet.");
  return bench;
}

const served = (costs: MixCosts, paints: readonly number[]): ServedPalette => {
  if (paints.length === 0) return { paints, error: Infinity, served: [] };
  const each = servedBy(costs, paints);
  const total = costs.weights.reduce((sum, weight) => sum + weight, 0);
  return { paints, served: each, error: each.reduce((sum, { error }, t) => sum + costs.weights[t] * error, 0) / total };
};

function choose({ job, sizes, must, never, kinds, darkest, within }: Extract<PaletteRequest, { kind: "choose" }>): PaletteAnswers["choose"] {
  const { costs, prepared, table } = opened();
  const demands = [...(darkest === null ? [] : [darkDemand(table, darkest)]), ...within.map(({ target, most }) => withinDemand(costs, target, most))];
  const ready = demands.length === 0 ? prepared : prepareChoice({ ...costs, demands });
  // Sizes are proven one after another, so that the small palettes are there while the large ones are still sought.
  const found: FoundSize[] = [];
  let starts: readonly (readonly number[])[] = [];
  for (const [i, size] of sizes.entries()) {
    reply({ kind: "progress", job, words: size === 1 ? "Palettes of 1 paint" : `Palettes of ${size} paints`, share: i / sizes.length });
    const [choice] = choosePrepared(ready, [size], { must, never, kinds }, 5, () => false, starts);
    if (!choice) continue;
    starts = choice.best.map(({ paints }) => paints);
    const whole = { ...choice, best: choice.best.map(({ paints }) => served(costs, paints)) };
    found.push(whole);
    reply({ kind: "size", job, choice: whole });
  }
  return { sizes: found };
}

function answer(request: PaletteRequest): PaletteAnswers[PaletteQuestion] {
  if (request.kind === "open") return open(request.job, request.opening);
  const { costs, paper, table, metric, opening } = opened();
  switch (request.kind) {
    case "choose": return choose(request);
    case "serve": return { palettes: request.palettes.map((paints) => served(costs, paints)) };
    case "weigh": return { ...worthOf(costs, request.palette), savings: savedMixing(costs, request.palette, request.convenience) };
    case "wish": return { wishes: wishFor(request.targets.map((t) => opening.targets[t].lab), request.errors, request.atHand.map((p) => table.paints[p]), paper, metric) };
    case "start": {
      const models = request.among.map((p) => table.paints[p]);
      const points = startingPoints(models, traitsOf(models, paper), paper);
      return { points: points.map((point) => ({ ...point, paints: point.paints.map((p) => request.among[p]) })) };
    }
  }
}

answerWith(answer);
