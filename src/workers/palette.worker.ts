/// <reference lib="webworker" />
import { expose, wrap, type Remote } from "comlink";
import {
  figuresOf,
  otherPalettes,
  packBox,
  savedMixing,
  servedPalette,
  solvePalette,
  solvingPalette,
  startingPoints,
  traitsOf,
  untastedPalette,
  wishFor,
  worthOf,
  type BoxProblem,
  type PaletteProblem,
} from "@/core/palette";
import { breathe, packTogether, poseTogether, reweighed, Superseded, type HelpersArrive } from "./palette-crew";
import type { PaletteHelperApi } from "./palette-helper-api";
import type { Opening, PaletteApi } from "./palette-api";

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
/** So long a choice is worked on before other questions are let in. */
const TURN_MS = 40;

/** Works step by step until it is done, or something else is asked. */
async function inTurns<T>(steps: Generator<void, T>, wanted: () => boolean): Promise<T> {
  for (let since = -TURN_MS; ;) {
    if (performance.now() - since > TURN_MS) {
      await breathe();
      if (!wanted()) throw new Superseded();
      since = performance.now();
    }
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The last paintings that a box was packed for, so that another size asks for no weighing again. */
let packedFor = "";
let lastPacked: Promise<BoxProblem> | null = null;

function problem(): PaletteProblem {
  if (!opened) throw new Error("Nothing is being weighed yet.");
  return opened.problem;
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
  serve: (palettes) => palettes.map((paints) => servedPalette(problem().costs, paints)),
  others(paints, choice, mood) {
    const best = servedPalette(problem().costs, paints);
    return {
      figures: figuresOf(problem(), best),
      others: otherPalettes(problem(), choice, best),
      withMood: mood
        .filter((paint) => !paints.includes(paint))
        .flatMap((paint) => {
          const asked = { ...choice, sizes: [paints.length], must: [...choice.must, paint] };
          const palette = solvePalette(problem(), asked, () => {})[0]?.best[0];
          return palette ? [{ paint, palette }] : [];
        }),
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
