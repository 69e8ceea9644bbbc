import { searchPigments, type FoundPigment } from "./search";
import { wholeWords } from "./short-forms";

/** One paint of a list that somebody typed or pasted. */
interface ListedPaint {
  /** As it stood in the list. */
  readonly words: string;
  /** What it is called there; "" where only codes stand. */
  readonly name: string;
  /** Who makes it, where the list says so; "" else. */
  readonly maker: string;
  /** What it may be, likeliest first; none: the handbook knows nothing like it. */
  readonly candidates: readonly FoundPigment[];
  /** Whether the first is meant without a doubt. */
  readonly sure: boolean;
}

/** A list as it was read. */
export interface ReadList {
  readonly paints: readonly ListedPaint[];
  /** Lines and letters that were not looked at, since the list is longer than {@link LONGEST_LIST}. */
  readonly unread: { readonly paints: number; readonly letters: number };
}

/** Most paints read from one list, as many as a paintbox holds, and most letters looked at. */
export const LONGEST_LIST = { paints: 2000, letters: 400_000 } as const;
/** Candidates offered for one paint. */
const OFFERED = 12;

/** A Colour Index name, with a number after a colon that tells shades of one pigment apart. */
const CODE = /\b(?:P(?:Y|O|R|V|B|G|Br|Bk|W)|NR|BV)\s?\d{1,3}(?::\d{1,2})?\b/gi;
/** Something like a Colour Index name that is none: it stays in doubt what is in the tube. */
const LIKE_A_CODE = /\b[a-z]{1,2}\d{2,}/i;
/** What says how a paint is sold, not what it is called. */
const SOLD_AS = /\b\d+(?:[.,]\d+)?\s?ml\b|\b(?:half|whole)\s+pan\b|\b(?:tube|pan|stick)\b/gi;

/** Words of makers' labels that say nothing about the pigment. */
const EMPTY = new Set([
  ...["hue", "tube", "pan", "half", "whole", "ml", "genuine", "extra", "fine", "artist", "artists"],
  ...["the", "of", "and", "my"],
]);

/** Words of a name as the handbook may know them. */
const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/[^a-zäöüéèàß]+/g, " ")
    .split(" ")
    .filter((word) => word && !EMPTY.has(word))
    .flatMap(wholeWords);

const codesIn = (text: string): string[] =>
  [...text.matchAll(CODE)].map(([code]) => code.replace(/\s/g, "").replace(/:.*/, ""));

/** What a paint is called: its line without codes, brackets that are left empty, and how it is sold. */
const nameIn = (text: string): string =>
  text
    .replace(CODE, " ")
    .replace(SOLD_AS, " ")
    .replace(/\(\s*[,;+&/]*\s*\)|\[\s*\]/g, " ")
    .replace(/\s+/g, " ")
    .replace(/^[\s,;:+&/×–—-]+|[\s,;:+&/–—-]+$/g, "")
    .replace(/\s+([,)])/g, "$1");

/** Paints whose names hold the most of the words, at least one. */
function byWords(words: readonly string[]): readonly FoundPigment[] {
  for (let few = words.length; few > 0; few--) {
    const found = searchPigments(words.slice(0, few).join(" "), OFFERED);
    if (found.length > 0) return found;
  }
  return words.length > 1 ? byWords(words.slice(1)) : [];
}

const holds = ({ name }: FoundPigment, words: readonly string[]): number =>
  words.filter((word) => name.toLowerCase().includes(word)).length;

const isCalled = ({ name }: FoundPigment, words: readonly string[]): boolean =>
  wordsOf(name).join(" ") === words.join(" ");

type Meant = Pick<ListedPaint, "candidates" | "sure">;
const NOTHING: Meant = { candidates: [], sure: false };

/** What a name alone may mean. */
function meantByName(words: readonly string[]): Meant {
  const candidates = byWords(words);
  const [first, second] = candidates;
  const exact = first !== undefined && first.name.toLowerCase() === words.join(" ");
  const whole = first !== undefined && holds(first, words) === words.length && words.length > 0;
  return { candidates, sure: exact || (whole && (second === undefined || holds(second, words) < words.length)) };
}

/** What one code may mean, those that the words name first. */
const pigmentsOfCode = (code: string, words: readonly string[]): readonly FoundPigment[] =>
  searchPigments(code, OFFERED)
    .filter(({ codes, pigments }) => pigments.length === 1 && codes.toLowerCase() === code.toLowerCase())
    .sort((a, b) => Number(isCalled(b, words)) - Number(isCalled(a, words)) || holds(b, words) - holds(a, words));

/** Several pigments in one tube: in equal shares, until the painter knows better; each way to read the codes. */
function meantByCodes(codes: readonly string[], words: readonly string[]): Meant {
  const each = [...new Set(codes.map((code) => code.toLowerCase()))].map((code) => pigmentsOfCode(code, words));
  if (each.some((found) => found.length === 0)) return NOTHING;
  if (each.length === 1) {
    const [first, second] = each[0]!;
    const sure = second === undefined || isCalled(first!, words) || holds(first!, words) > holds(second, words);
    return { candidates: each[0]!, sure };
  }
  const ways = each.reduce<readonly (readonly FoundPigment[])[]>(
    (all, found) => all.flatMap((way) => found.map((one) => [...way, one])).slice(0, OFFERED),
    [[]],
  );
  const candidates = ways.map((way) => ({
    id: way.map(({ id }) => id).join(" "),
    name: way.map(({ name }) => name).join(" and "),
    codes: way.map(({ codes: own }) => own).join(" "),
    pigments: way.flatMap(({ pigments }) => pigments),
  }));
  return { candidates, sure: candidates.length === 1 };
}

function readOne(text: string, maker = ""): ListedPaint {
  const codes = codesIn(text);
  const name = nameIn(text);
  const words = wordsOf(name);
  const meant = codes.length > 0 ? meantByCodes(codes, words) : meantByName(words);
  const sure = meant.sure && !LIKE_A_CODE.test(text.replace(CODE, " "));
  return { words: maker ? `${text}, ${maker}` : text, name, maker, candidates: meant.candidates, sure };
}

/** Parts of a text between marks that stand in no brackets. */
function partedAt(text: string, mark: RegExp): string[] {
  const parts = [""];
  let depth = 0;
  for (const piece of text.split(new RegExp(`(${mark.source}|[()\\[\\]])`))) {
    if (piece === "(" || piece === "[") depth++;
    if (piece === ")" || piece === "]") depth = Math.max(0, depth - 1);
    if (depth === 0 && new RegExp(`^(?:${mark.source})$`).test(piece)) parts.push("");
    else parts[parts.length - 1] += piece;
  }
  return parts.map((part) => part.trim()).filter((part) => /[\p{L}\p{N}]/u.test(part));
}

/**
 * A line with commas, semicolons or bars is one paint (its name, perhaps its maker, its codes) or several. It is one
 * where a name stands first and everything behind it is codes, or words that are no pigment's; a name that means
 * another pigment than the codes behind it begins a list.
 */
function readLine(line: string, alone: boolean): readonly ListedPaint[] {
  const fields = partedAt(line, /[,;|\t]/).filter((field) => nameIn(field) !== "" || codesIn(field).length > 0);
  const [first, ...more] = fields;
  if (first === undefined) return [];
  const whole = readOne(line);
  // Some of the handbook's own names have a comma in them.
  const called = whole.candidates[0] && isCalled(whole.candidates[0], wordsOf(whole.name));
  if (more.length === 0 || called) return [more.length === 0 ? readOne(first) : whole];
  const isCodes = (field: string): boolean => codesIn(field).length > 0 && wordsOf(nameIn(field)).length === 0;
  const isUnknown = (field: string): boolean =>
    codesIn(field).length === 0 && !LIKE_A_CODE.test(field) && !meantByName(wordsOf(nameIn(field))).sure;
  const several = (): readonly ListedPaint[] => fields.map((field) => readOne(field));
  const codes = more.filter(isCodes);
  const words = more.filter((field) => !isCodes(field));
  if (wordsOf(nameIn(first)).length === 0 || !words.every(isUnknown)) return several();
  // Without a code it can't be told whether a second name is a maker or a paint that nobody here knows; one line by
  // itself is rather a list.
  if (codes.length === 0 && (alone || codesIn(first).length === 0 || words.length > 1)) return several();
  const name = wordsOf(nameIn(first));
  const named = meantByName(name).candidates.filter((one) => holds(one, name) === name.length);
  const own = codes.map((code) => codesIn(code).join(" "));
  const told = own.join(" ").toLowerCase().split(" ");
  const other =
    named.length > 0 &&
    codesIn(first).length === 0 &&
    words.length === 0 &&
    !named.some(({ codes: its }) => its.split(" ").some((code) => told.includes(code.toLowerCase())));
  if (other) return several();
  const read = readOne([first, ...own].join(" "), words.join(", "));
  return [{ ...read, words: line }];
}

/**
 * Reads a list of paints from anywhere: a line each, or parted by commas, semicolons, bars, dots or slashes
 * between blanks; codes or names, in any order. What a paint is called is kept as it is written. Nothing is guessed
 * silently: what is not sure is said to be, and what is beyond {@link LONGEST_LIST} is told.
 */
export function readPaintList(text: string): ReadList {
  const seen = text.slice(0, LONGEST_LIST.letters);
  const lines = seen
    .split(/[\n\r]+/)
    .flatMap((line) => partedAt(line, /•|·|\s\/\s/))
    .map((line) => line.replace(/^[\s\-*–\d.)]+(?=[^\d\s.)])/, "").trim())
    .filter((line) => /[\p{L}\p{N}]/u.test(line));
  const paints = lines.slice(0, LONGEST_LIST.paints).flatMap((line) => readLine(line, lines.length === 1));
  return {
    paints: paints.slice(0, LONGEST_LIST.paints),
    unread: {
      paints: Math.max(0, lines.length - LONGEST_LIST.paints) + Math.max(0, paints.length - LONGEST_LIST.paints),
      letters: text.length - seen.length,
    },
  };
}
