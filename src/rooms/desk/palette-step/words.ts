import { HARDLY_HELPS, type FoundSize, type PaletteStage, type ServedPalette } from "@/core/palette";
import type { KnownPaint } from "../paints";
import { counted, listed } from "@/model/text";

/** An error below this is called good, below the second fair (CIEDE2000 beyond what nobody sees). From memory. */
export const GOOD = 1.5;
export const FAIR = 4;

/** Whose hand a palette is judged in. */
export const HAND_WORDS = {
  usual: "a usual hand",
  careful: "a careful hand",
  loose: "a loose hand",
  own: "your own hand",
} as const;

export const paintsWord = (n: number): string => counted(n, "paint");
/** What the search is at. */
export function stageWords(stage: PaletteStage): string {
  if (stage === "mixes") return "Mixing every two and three paints";
  return stage === "costs" ? "Trying every mix on every area" : `Palettes of ${paintsWord(stage)}`;
}

export const areasWord = (n: number): string => counted(n, "area");
const ordinal = (n: number): string =>
  [
    "first",
    "second",
    "third",
    "fourth",
    "fifth",
    "sixth",
    "seventh",
    "eighth",
    "ninth",
    "tenth",
    "eleventh",
    "twelfth",
  ][n - 1] ?? `${n}th`;

/** At most so many names, and how many more there are. */
export const firstOf = (names: readonly string[], most: number): string =>
  names.length <= most ? listed(names) : `${names.slice(0, most).join(", ")} and ${names.length - most} more`;

/** What a size's palette is the best of, in words. */
export function bestOfWords({ size, outOf, proven, chosenFrom }: FoundSize, atHand: number): string {
  const palettes = `${outOf.toLocaleString("en")} palettes of ${paintsWord(size)}`;
  const among = chosenFrom < atHand ? `, of the ${chosenFrom} paints that promise most here` : "";
  if (proven) return `The best of all ${palettes}${among}.`;
  return `The best found among ${palettes}${among}. With so many paints and colours not all are weighed against each other, and colours that lie near each other are mixed as one.`;
}

/** What one more paint brings, in words. */
export function gainWords(
  now: FoundSize,
  next: FoundSize | undefined,
  paints: readonly KnownPaint[],
  areaNames: readonly string[],
): string {
  const [from, to] = [now.best[0], next?.best[0]];
  if (!next || !from || !to) return "";
  const gain = from.error - to.error;
  if (gain < HARDLY_HELPS) return `A ${ordinal(next.size)} paint hardly helps.`;
  const come = to.paints.filter((p) => !from.paints.includes(p)).map((p) => paints[p]!.name);
  const go = from.paints.filter((p) => !to.paints.includes(p)).map((p) => paints[p]!.name);
  const most = from.served
    .map(({ error }, i) => ({ name: areaNames[i] ?? "", gain: error - to.served[i]!.error }))
    .filter(({ gain: by }) => by > 1)
    .sort((a, b) => b.gain - a.gain)
    .slice(0, 2);
  const swap = go.length > 0 ? `${listed(come)} for ${listed(go)}` : listed(come);
  return `A ${ordinal(next.size)} paint (${swap}) gains ${gain.toFixed(1)}${most.length > 0 ? `, most for ${listed(most.map(({ name }) => name))}` : ""}.`;
}

/** An area gets better or worse when its error moves by this much, CIEDE2000. From memory. */
const MOVED = 0.5;

/** What a change of palette does to the areas. */
export interface Change {
  readonly better: readonly { readonly name: string; readonly by: number }[];
  readonly worse: readonly { readonly name: string; readonly by: number }[];
}

export function changeOf(before: ServedPalette, after: ServedPalette, areaNames: readonly string[]): Change {
  const moves = before.served.map(({ error }, t) => ({
    name: areaNames[t] ?? "",
    by: error - (after.served[t]?.error ?? Infinity),
  }));
  return {
    better: moves.filter(({ by }) => by > MOVED).sort((a, b) => b.by - a.by),
    worse: moves
      .filter(({ by }) => by < -MOVED)
      .map(({ name, by }) => ({ name, by: -by }))
      .sort((a, b) => b.by - a.by),
  };
}

const named = (moves: Change["better"]): string =>
  firstOf(
    moves.map(({ name, by }) => `${name} by ${Number.isFinite(by) ? by.toFixed(1) : "everything"}`),
    2,
  );

/** "Better: the brick by 2.1. Lost: the sky by 1.0." */
export function changeWords({ better, worse }: Change): string {
  if (better.length === 0 && worse.length === 0) return "Hardly any area changes.";
  return [
    worse.length > 0 ? `Lost: ${named(worse)}.` : "Nothing is lost.",
    better.length > 0 ? `Better: ${named(better)}.` : "Nothing gets better.",
  ].join(" ");
}
