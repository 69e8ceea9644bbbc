/// <reference lib="webworker" />
import { expose } from "comlink";
import { HANDS, NO_TASTE } from "@/core/mixing";
import { paperById } from "@/core/optics";
import {
  EFFORT_COUNTS,
  figuresOf,
  NEAR_ENOUGH,
  otherPalettes,
  posePalette,
  savedMixing,
  servedPalette,
  solvePalette,
  startingPoints,
  traitsOf,
  untastedPalette,
  wishFor,
  worthOf,
  type PaletteProblem,
} from "@/core/palette";
import { modelOf } from "./paint-message";
import type { PaletteApi } from "./palette-api";

/** What is being weighed. */
let posed: PaletteProblem | null = null;

function problem(): PaletteProblem {
  if (!posed) throw new Error("Nothing is being weighed yet.");
  return posed;
}

expose({
  open({ paperId, hand, near, effort, valueWeight, freeHue, maxPigments, maxPaints, paints, targets }, progress) {
    const of = new Map(paints.map((paint) => [paint.id, paint]));
    posed = posePalette(
      {
        paper: paperById(paperId),
        paints: paints.map(modelOf),
        targets,
        maxPaints,
        maxPigments,
        metric: {
          valueWeight,
          freeHue,
          strongest: ({ id }) => of.get(id)?.strongest ?? 1,
          hand: HANDS[hand],
          nearEnough: NEAR_ENOUGH[near],
          effort: EFFORT_COUNTS[effort],
          reluctance: ({ id }) => of.get(id)?.reluctance ?? 0,
          taste: ({ id }) => of.get(id)?.taste ?? NO_TASTE,
        },
      },
      posed,
      progress,
    );
  },
  choose: (choice, progress) => solvePalette(problem(), choice, progress),
  serve: (palettes) => palettes.map((paints) => servedPalette(problem().costs, paints)),
  others(paints, choice) {
    const best = servedPalette(problem().costs, paints);
    return {
      figures: figuresOf(problem(), best),
      others: otherPalettes(problem(), choice, best),
      untasted: untastedPalette(problem(), choice, best),
    };
  },
  weigh: (palette, convenience) => ({
    ...worthOf(problem().costs, palette),
    savings: savedMixing(problem().costs, palette, convenience),
  }),
  wish(atHand, targets, errors) {
    const {
      question: { paper, metric, targets: all },
      table,
    } = problem();
    return wishFor(
      targets.map((t) => all[t]!.lab),
      errors,
      atHand.map((p) => table.paints[p]!),
      paper,
      metric,
    );
  },
  start(among) {
    const {
      question: { paper },
      table,
    } = problem();
    const models = among.map((p) => table.paints[p]!);
    return startingPoints(models, traitsOf(models, paper), paper).map((point) => ({
      ...point,
      paints: point.paints.map((p) => among[p]!),
    }));
  },
} satisfies PaletteApi);
