/// <reference lib="webworker" />
import { expose, wrap, type Remote } from "comlink";
import {
  closeUp,
  figuresOf,
  findingOthers,
  findingUntasted,
  packBox,
  savedMixing,
  servedIn,
  solvingPalette,
  startingPoints,
  traitsOf,
  wishFor,
  worthOf,
  type BoxProblem,
  type PaletteChoice,
  type PaletteProblem,
  type ServedPalette,
} from "@/core/palette";
import { inTurns, Superseded } from "./in-turns";
import { packTogether, poseTogether, reweighed, type HelpersArrive } from "./palette-crew";
import type { PaletteHelperApi } from "./palette-helper-api";
import type { Opening, OtherPalettes, PaletteApi } from "./palette-api";

/** Others that take their share of the mixing and weighing. */
let helpers: readonly Remote<PaletteHelperApi>[] = [];
addEventListener("message", ({ data }: MessageEvent<Partial<HelpersArrive>>) => {
  if (data.helpers) helpers = data.helpers.map((port) => wrap<PaletteHelperApi>(port));
});

/** What is being weighed. */
let opened: { readonly opening: Opening; readonly problem: PaletteProblem } | null = null;
let lastAsked: Promise<unknown> = Promise.resolve();
/** What takes long is done one after another: helpers keep one question at a time. */
function queued<T>(work: () => Promise<T>): Promise<T> {
  const mine = lastAsked.then(work, work);
  lastAsked = mine;
  return mine;
}

/** Counts what was asked that ends what was asked before: openings and choices. */
let asked = 0;
let othersAsked = 0;
/** The last paintings that a box was packed for, so that another size asks for no weighing again. */
let packedFor = "";
let lastPacked: Promise<BoxProblem> | null = null;

function problem(): PaletteProblem {
  if (!opened) throw new Error("Nothing is being weighed yet.");
  return opened.problem;
}

/** What stands beside a palette, step by step. */
function* besideIt(
  problem: PaletteProblem,
  paints: readonly number[],
  choice: PaletteChoice,
  mood: readonly number[],
): Generator<void, OtherPalettes> {
  const best = servedIn(problem, paints);
  const others = yield* findingOthers(problem, choice, best);
  const withMood: { paint: number; palette: ServedPalette }[] = [];
  for (const paint of mood.filter((one) => !paints.includes(one))) {
    const asked = { ...choice, sizes: [paints.length], must: [...choice.must, paint] };
    const palette = (yield* solvingPalette(problem, asked, () => {}))[0]?.best[0];
    if (palette) withMood.push({ paint, palette });
  }
  const untasted = yield* findingUntasted(problem, choice, best);
  return { figures: figuresOf(problem, best), others, withMood, untasted };
}

expose({
  open(opening, progress) {
    const mine = ++asked;
    const wanted = (): boolean => mine === asked;
    return queued(async () => {
      if (!wanted()) throw new Superseded();
      const problem =
        reweighed(opening, opened) ?? (await poseTogether(opening, opened?.problem ?? null, helpers, progress, wanted));
      opened = { opening, problem };
    });
  },
  pack(openings, { size, must, never }, progress) {
    const key = JSON.stringify(openings);
    const box =
      key === packedFor ? lastPacked! : queued(() => packTogether(openings, helpers, (share) => progress(share)));
    [packedFor, lastPacked] = [key, box];
    box.catch(() => (packedFor = ""));
    return box.then((problem) => packBox(problem, size, must, never));
  },
  choose(choice, progress) {
    const mine = ++asked;
    return inTurns(solvingPalette(problem(), choice, progress), () => mine === asked);
  },
  serve: (palettes) => palettes.map((paints) => servedIn(problem(), paints)),
  others(paints, choice, mood) {
    const mine = ++othersAsked;
    const now = problem();
    return inTurns(besideIt(now, paints, choice, mood), () => mine === othersAsked && opened?.problem === now);
  },
  weigh: (palette, convenience) => ({
    ...worthOf(closeUp(problem(), palette).costs, palette),
    savings: savedMixing(closeUp(problem(), [...palette, ...convenience]).costs, palette, convenience),
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
