import type { CrispBy, Reserve, RuleWhy, WashTask, Wetness } from "@/core/planning";
import { counted, listed } from "@/model/text";
import type { WashBrush } from "@/core/planning";

/** Minutes as a painter says them: "4 min", "1 h 20". */
export function minutesWords(minutes: number): string {
  const whole = Math.max(minutes > 0 ? 1 : 0, Math.round(minutes));
  if (whole < 60) return `${whole} min`;
  return whole % 60 === 0 ? `${whole / 60} h` : `${Math.floor(whole / 60)} h ${String(whole % 60).padStart(2, "0")}`;
}

/** Time from the first wash, "0:05". */
export const clockWords = (minutes: number): string =>
  `${Math.floor(Math.round(minutes) / 60)}:${String(Math.round(minutes) % 60).padStart(2, "0")}`;

export const TASK_WORDS: Readonly<Record<WashTask, string>> = {
  mask: "mask it",
  unmask: "take the mask off",
  lift: "lift it out",
  first: "first wash",
  second: "over the dry first wash",
  coat: "the same again, for depth",
  drop: "drop it in while wet",
};

/** Why one wash comes before another, in a painter's words. */
export const WHY_WORDS: Readonly<Record<RuleWhy, string>> = {
  layer: "a layer goes over a dry one",
  drop: "it is dropped in while the wash is wet",
  "lost edge": "their edge is lost, so both are wet together",
  light: "light before dark: a dark can be brought up to a light, not the other way",
  pure: "the purer first: a wash can be quietened later, never brightened",
  ground: "the ground before what stands on it",
  mask: "the mask is dry before paint comes near it",
  unmask: "the mask comes off when all around it is dry",
  lift: "it is lifted out of what lies there",
};

export const WETNESS_WORDS: Readonly<Record<Wetness, { name: string; title: string }>> = {
  lean: { name: "lean", title: "A damp brush: thin films that dry soon" },
  usual: { name: "usual", title: "A loaded brush on dry paper" },
  juicy: { name: "juicy", title: "Beads that run: thick films, more paint, long drying" },
};

export const CRISP_WORDS: Readonly<Record<CrispBy, { name: string; title: string }>> = {
  hairline: { name: "a hairline", title: "A thread of dry paper stays between two washes side by side: no waiting" },
  drying: { name: "drying", title: "The second comes when the first is dry" },
};

export const RESERVE_WORDS: Readonly<Record<Reserve, { name: string; title: string }>> = {
  around: { name: "paint around", title: "The brush stays out of it" },
  mask: { name: "mask", title: "Covered before, uncovered when all around it is dry" },
  lift: { name: "lift", title: "Taken out with a clean damp brush when what lies there is dry" },
};

/** A brush by its number or kind. */
export const brushWords = ({ number }: WashBrush): string =>
  number === null ? "flat wash brush" : `round no. ${number}`;

/** Millilitres as a painter measures them. */
export const mlWords = (ml: number): string =>
  ml >= 10 ? `${Math.round(ml)} ml` : ml >= 1 ? `${ml.toFixed(1)} ml` : ml >= 0.05 ? `${ml.toFixed(2)} ml` : "a trace";

/** Length of paint squeezed out. */
export const squeezedWords = (cm: number): string =>
  cm >= 1 ? `${cm.toFixed(1)} cm` : cm >= 0.2 ? `${Math.round(10 * cm)} mm` : "a dot";

/** What is said of colours that stand in no wash. */
export const unmixedWords = (names: readonly string[]): string =>
  `${listed(names.slice(0, 4))}${names.length > 4 ? ` and ${counted(names.length - 4, "colour")} more` : ""} ${names.length === 1 ? "has" : "have"} no mix yet, and ${names.length === 1 ? "stands" : "stand"} in no wash.`;

export const washesWords = (count: number): string => (count === 1 ? "1 wash" : `${count} washes`);

const FRACTIONS = [
  [1 / 4, "a quarter"],
  [1 / 3, "a third"],
  [1 / 2, "half as much"],
  [2 / 3, "two thirds"],
  [1, "twice as much"],
] as const;

/** How much more or less paint, from a factor: "a third more paint", "a quarter less paint". */
export function moreWords(factor: number): string {
  const by = factor > 1 ? factor - 1 : 1 - factor;
  const [size, words] = FRACTIONS.reduce((best, one) => (Math.abs(one[0] - by) < Math.abs(best[0] - by) ? one : best));
  if (by < 0.18) return factor > 1 ? "a little more paint" : "a little less paint";
  if (factor > 2.2) return `${factor.toFixed(1)} times the paint`;
  if (size === 1) return factor > 1 ? "twice the paint" : "hardly any paint";
  return size === 0.5
    ? factor > 1
      ? "half as much paint again"
      : "half the paint"
    : `${words} ${factor > 1 ? "more" : "less"} paint`;
}
