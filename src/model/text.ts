import { z } from "zod";

/** Half of a character outside the basic plane, standing alone: no text file and no database can hold it. */
const LONE_SURROGATE = /\p{Surrogate}/u;
/** Control characters other than tab and line breaks; PostgreSQL refuses NUL outright. */
const CONTROL = /[\0-\x08\x0B\x0C\x0E-\x1F\x7F]/u;
/** A character may have this many code units before it counts as several: a letter with a tower of marks is no name. */
const UNITS_A_CHARACTER = 16;

let segmenter: Intl.Segmenter | undefined;
/** Characters as people see them. Made when it is first needed: that takes longer than reading a whole painting. */
const charactersOf = (text: string): Intl.Segments =>
  (segmenter ??= new Intl.Segmenter("en", { granularity: "grapheme" })).segment(text);

/** Whether text has more characters, as people see them, than `most`. */
function isLonger(text: string, most: number): boolean {
  if (text.length <= most) return false;
  if (text.length > most * UNITS_A_CHARACTER) return true;
  let count = 0;
  for (const _ of charactersOf(text)) if (++count > most) return true;
  return false;
}

/** Text of at most `most` characters, cut between characters as people see them, without what can't be kept. */
export function cutText(text: string, most: number): string {
  const clean = text.replace(/\p{Surrogate}/gu, "").replace(new RegExp(CONTROL, "gu"), "");
  if (!isLonger(clean, most)) return clean;
  let out = "";
  let count = 0;
  for (const { segment } of charactersOf(clean)) {
    if (++count > most || out.length + segment.length > most * UNITS_A_CHARACTER) break;
    out += segment;
  }
  return out;
}

/** Trimmed text of at most `most` characters as people see them, of characters that can be kept. */
export const text = (most: number, tooLong = `At most ${most} letters.`) =>
  z
    .string()
    .trim()
    .refine(
      (t) => !LONE_SURROGATE.test(t) && !CONTROL.test(t),
      "There is a character in it that can't be kept. Type it anew.",
    )
    .refine((t) => !isLonger(t, most), tooLong);

/** So many of something: "1 area", "4 areas". */
export const counted = (n: number, one: string): string => `${n} ${n === 1 ? one : `${one}s`}`;

/** The same with a capital at its front. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Words one after the other: "a, b and c". */
export const listed = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? "") : `${words.slice(0, -1).join(", ")} and ${words[words.length - 1]}`;
