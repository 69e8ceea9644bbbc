import { drained } from "../numeric/in-turn";
import type { PaletteTarget } from "./mix-costs";
import { nearTargets } from "./near-targets";
import type { PaletteQuestion } from "./problem";
import { findingPromising } from "./promising";

/** Most targets that are weighed each by itself. */
const MOST_STANDING = 60;
/** Most mixes times targets that are weighed: ten to fifteen seconds of a processor. */
const MIXES_WEIGHED = 400_000;

/** What of a question is weighed: all of it, or of a very large one what answers it while one waits. */
export interface Weighed {
  /** Targets that are weighed, and for each target of the question the place of the one that stands for it. */
  readonly standing: readonly PaletteTarget[];
  readonly by: readonly number[];
  /** Paints that are mixed, by their places; null: all. */
  readonly among: readonly number[] | null;
}

const mixesOf = (paints: number): number => (paints * (paints * paints + 5)) / 6;

/** So many paints can be weighed on so many targets. */
function mostPaints(targets: number): number {
  let most = 12;
  while (mixesOf(most + 1) * Math.max(1, targets) <= MIXES_WEIGHED) most++;
  return most;
}

/** Whether so much is asked that {@link weighedOf} leaves some of it out. */
export const isLarge = (paints: number, targets: number): boolean =>
  targets > MOST_STANDING || paints > mostPaints(targets);

/** What of a question is weighed. */
export const weighedOf = (question: PaletteQuestion): Weighed => drained(findingWeighed(question));

/** {@link weighedOf} step by step: it can be left between two of them. */
export function* findingWeighed(question: PaletteQuestion): Generator<void, Weighed> {
  const { standing, by } = nearTargets(question.targets, question.metric, MOST_STANDING);
  return { standing, by, among: yield* amongOf(question, standing, standing.length) };
}

/** Of several questions on the same paints what is weighed of each: all are answered from the same mixes. */
export function weighedTogether(questions: readonly PaletteQuestion[]): readonly Weighed[] {
  const each = questions.map(({ targets, metric }) => nearTargets(targets, metric, MOST_STANDING));
  const all = each.flatMap(({ standing }) => standing);
  const most = Math.max(...each.map(({ standing }) => standing.length));
  const [first] = questions;
  const standing = first ? nearTargets(all, first.metric, MOST_STANDING).standing : [];
  const among = first ? drained(amongOf(first, standing, most)) : null;
  return each.map(({ standing: own, by }) => ({ standing: own, by, among }));
}

/** The paints that are mixed where so many targets are weighed beside each other; null: all. */
function* amongOf(
  { paints, paper, metric, maxPaints, maxPigments, always = [], never = [] }: PaletteQuestion,
  standing: readonly PaletteTarget[],
  atATime: number,
): Generator<void, Weighed["among"]> {
  const most = Math.max(mostPaints(atATime), always.length);
  if (maxPaints < 3 || paints.length <= most) return null;
  return yield* findingPromising(paints, paper, metric, maxPigments, standing, most, always, never);
}
