import type { Agreement } from "@/core/learning";
import type { EyeKind } from "@/core/training";
import type { LogKind, LoggedMix } from "@/model/logbook";

export const KIND_WORDS: Readonly<Record<LogKind, string>> = {
  swatch: "swatch of a paint",
  mix: "mix",
  ring: "ring of a palette",
  test: "test sheet",
  pairs: "chart of pairs",
  sitting: "sitting",
  finished: "finished painting",
  note: "note",
};

/** The 99.9 % point of chi-square with three degrees of freedom (Abramowitz and Stegun, table 26.8). */
const DISAGREES = 16.27;
/** With fewer others nobody can tell which of two is right. */
const ENOUGH_OTHERS = 3;

/** How a swatch stands to the others, in words; null for nothing to say. */
export function agreementWords({ distance2, others }: Agreement): { readonly words: string; readonly off: boolean } {
  if (others === 0) return { words: "the first swatch with these paints", off: false };
  const all = others === 1 ? "the other swatch of its paints" : `${others} other swatches of its paints`;
  if (distance2 < DISAGREES) return { words: `agrees with ${all}`, off: false };
  return others < ENOUGH_OTHERS
    ? { words: `disagrees with ${all}: a third would tell`, off: true }
    : { words: `disagrees with ${all}, and counts little: was it this mix, and dry?`, off: true };
}

const MONTHS = ["January", "February", "March", "April", "May", "June", "July", "August"].concat([
  "September",
  "October",
  "November",
  "December",
]);

/** A day without its year, which is shown larger: "27 November". */
export const dayWords = (on: string): string => `${Number(on.slice(8))} ${MONTHS[Number(on.slice(5, 7)) - 1] ?? ""}`;

/** Number of swatches that were read, and of all: "3 of 5 read". */
export function readWords(mixes: readonly LoggedMix[]): string {
  if (mixes.length === 0) return "";
  const read = mixes.filter((mix) => mix.read).length;
  const swatches = mixes.length === 1 ? "1 swatch" : `${mixes.length} swatches`;
  return read === 0
    ? `${swatches}, none read yet`
    : read === mixes.length
      ? `${swatches}, read`
      : `${swatches}, ${read} read`;
}

/** With fewer swatches than this nothing is said of a hand's scatter. From memory. */
export const HAND_KNOWN_FROM = 8;

/** How much more pigment than meant, in words; what is less than is known for sure is not said. */
export function habitWords(habit: number, unsure: number): string {
  if (Math.abs(Math.log(habit)) < unsure) return "as they are meant, as far as is known";
  const percent = Math.round(100 * Math.abs(habit - 1));
  return percent < 3
    ? "as strong as they are meant"
    : `${percent} % ${habit > 1 ? "stronger" : "weaker"} than they are meant`;
}

/** What each kind of question to the eye asks. */
export const QUESTION_WORDS: Readonly<Record<EyeKind, string>> = {
  value: "Which value?",
  warmth: "Which is warmer?",
  hue: "Which hue?",
  mix: "Which mix made this?",
  grey: "Why is it grey?",
};
