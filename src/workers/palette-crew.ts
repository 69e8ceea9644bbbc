import type { Remote } from "comlink";
import { combinationsOf, joinedTable, makingReachTable, pigmentCount, type GridColours } from "@/core/mixing";
import {
  costsShare,
  boxProblemOf,
  posePalette,
  problemOf,
  findingWeighed,
  weighedTogether,
  weighingOf,
  withWeights,
  type BoxProblem,
  type OnProgress,
  type PaletteProblem,
  type TargetCosts,
  type Weighed,
} from "@/core/palette";
import { inTurns, Superseded } from "./in-turns";
import type { Opening } from "./palette-api";
import type { PaletteHelperApi } from "./palette-helper-api";
import { questionOf } from "./palette-question";

/** The channels to its helpers, as they reach the palette worker. */
export interface HelpersArrive {
  readonly helpers: readonly MessagePort[];
}

type Helper = Remote<PaletteHelperApi>;

/** Mixes times targets from which handing shares out takes less than it saves. Measured: a tenth of a second's work. */
const WORTH_SHARING = 20_000;
/** A table most of which is known from before is made by one alone, mixes. */
const WORTH_SHARING_MIXES = 2_000;

/** Targets that a helper has in hand: the next one lies ready while the answer to the last is on its way. */
const IN_HAND = 2;

/**
 * Weighs every mix on every target as posePalette does, and to the same numbers, with helpers: each takes its share of
 * the mixes, then one target after the other. Small questions are answered alone.
 * @param wanted asked every some ten milliseconds; throws Superseded once it is false
 */
export async function poseTogether(
  opening: Opening,
  before: PaletteProblem | null,
  helpers: readonly Helper[],
  onProgress: OnProgress,
  wanted: () => boolean = () => true,
  weighing?: Weighed,
): Promise<PaletteProblem> {
  const question = questionOf(opening);
  const { paints, metric } = question;
  onProgress("mixes", 0);
  const weighed = weighing ?? (await inTurns(findingWeighed(question), wanted));
  const { standing: targets, among } = weighed;
  const combinations = combinationsOf(paints, { ...question, ...(among && { among }) });
  if (combinations.length * targets.length < WORTH_SHARING) return posePalette(question, before, onProgress, weighed);
  await Promise.all(helpers.map((helper) => helper.begin(opening, weighed)));
  const table = await tableTogether(question, combinations, before, helpers, wanted);
  const { L, a, b } = table;
  const rows = new Array<TargetCosts>(targets.length);
  const open = [...targets.keys()].reverse();
  let done = 0;
  const put = (target: number, row: TargetCosts): void => {
    if (!wanted()) throw new Superseded();
    rows[target] = row;
    onProgress("costs", costsShare(++done, targets.length));
  };
  const work = async (weigh: (target: number) => Promise<TargetCosts>): Promise<void> => {
    for (let target = open.pop(); target !== undefined; target = open.pop()) put(target, await weigh(target));
  };
  const theirs = helpers.map(async (helper) => {
    const taken = helper.take({ L, a, b });
    await Promise.all([taken, ...Array.from({ length: IN_HAND }, () => work((target) => helper.weigh(target)))]);
  });
  const weigh = weighingOf(table, metric);
  const mine = work((target) => inTurns(weigh(targets[target]!), wanted));
  await Promise.all([mine, ...theirs]);
  return problemOf(question, table, rows, weighed);
}

const unweighted = (opening: Opening): string =>
  JSON.stringify({ ...opening, targets: opening.targets.map(({ weight: _weight, ...target }) => target) });

/** A question that asks nothing new but how much each target counts: no mix is weighed again; null where it does. */
export function reweighed(
  opening: Opening,
  before: { readonly opening: Opening; readonly problem: PaletteProblem } | null,
): PaletteProblem | null {
  if (!before || unweighted(opening) !== unweighted(before.opening)) return null;
  return withWeights(before.problem, questionOf(opening));
}

/**
 * Weighs the same paints on several paintings, one after another: mixes are looked for as widely as any of their
 * approaches allows, and each painting counts on those that its own allows.
 */
export async function packTogether(
  openings: readonly Opening[],
  helpers: readonly Helper[],
  onProgress: (share: number) => void,
): Promise<BoxProblem> {
  const widest = {
    maxPaints: openings.some(({ mixing }) => mixing.maxPaints === 3) ? (3 as const) : (2 as const),
    maxPigments: Math.max(...openings.map(({ mixing }) => mixing.maxPigments)),
  };
  const wide = openings.map((opening) => ({ ...opening, mixing: { ...opening.mixing, ...widest } }));
  const weighed = weighedTogether(wide.map(questionOf));
  const problems: PaletteProblem[] = [];
  for (const [i, opening] of wide.entries()) {
    const before = problems.find(({ question }) => question.paper.id === opening.paperId) ?? null;
    const progress: OnProgress = (_, share) => onProgress((i + share) / openings.length);
    problems.push(await poseTogether(opening, before, helpers, progress, undefined, weighed[i]));
  }
  return boxProblemOf(
    problems,
    openings.map(({ mixing: { maxPaints, maxPigments } }, i) => {
      const { paints } = problems[i]!.question;
      return (combination) =>
        combination.length === 1 ||
        (combination.length <= maxPaints && pigmentCount(combination.map((p) => paints[p]!)) <= maxPigments);
    }),
  );
}

/** The table of all mixes, a share of its grid from each. */
async function tableTogether(
  { paints, paper }: PaletteProblem["question"],
  combinations: readonly (readonly number[])[],
  before: PaletteProblem | null,
  helpers: readonly Helper[],
  wanted: () => boolean,
): Promise<PaletteProblem["table"]> {
  const known = before?.table;
  if (combinations.length < WORTH_SHARING_MIXES || (known && known.combinations.length > combinations.length / 2))
    return inTurns(makingReachTable(combinations, paints, paper, known), wanted);
  const crew = helpers.length + 1;
  const bounds = Array.from({ length: crew + 1 }, (_, i) => Math.round((i * combinations.length) / crew));
  const theirs = helpers.map((helper, i): Promise<GridColours> => helper.mixes(bounds[i + 1]!, bounds[i + 2]!));
  const mine = inTurns(makingReachTable(combinations.slice(0, bounds[1]), paints, paper), wanted);
  return joinedTable(combinations, paints, paper, await Promise.all([mine, ...theirs]));
}
