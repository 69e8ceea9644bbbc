import { searchPigments, type FoundPigment } from "./search";

/** One paint of a list that somebody typed or pasted. */
export interface ListedPaint {
  /** As it stood in the list. */
  readonly words: string;
  /** What it may be, likeliest first; none: the handbook knows nothing like it. */
  readonly candidates: readonly FoundPigment[];
  /** Whether the first is meant without a doubt. */
  readonly sure: boolean;
}

/** Most paints read from one list, and most letters looked at. */
export const LONGEST_LIST = { paints: 400, letters: 40_000 } as const;
/** Candidates offered for one paint. */
const OFFERED = 12;

/** A Colour Index name, with a number after a colon that tells shades of one pigment apart. */
const CODE = /\b(?:P(?:Y|O|R|V|B|G|Br|Bk|W)|NR|BV)\s?\d{1,3}(?::\d{1,2})?\b/gi;

/** Short forms that stand on tubes and lists. Common practice, no source. */
const SHORT: Readonly<Record<string, string>> = {
  quin: "quinacridone",
  quinac: "quinacridone",
  thalo: "phthalo",
  pthalo: "phthalo",
  phthalocyanine: "phthalo",
  cad: "cadmium",
  cob: "cobalt",
  ultra: "ultramarine",
  diox: "dioxazine",
  bt: "burnt",
  yel: "yellow",
  grn: "green",
  gs: "green shade",
  rs: "red shade",
  grey: "grey",
  gray: "grey",
};

/** Words of makers' labels that say nothing about the pigment. */
const EMPTY = new Set([
  "hue",
  "tube",
  "pan",
  "half",
  "whole",
  "ml",
  "genuine",
  "extra",
  "fine",
  "artist",
  "artists",
  "the",
  "of",
  "and",
  "my",
]);

const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    .replace(/[^a-zäöüéèàß]+/g, " ")
    .split(" ")
    .filter((word) => word && !EMPTY.has(word))
    .flatMap((word) => (SHORT[word] ?? word).split(" "));

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

/** Something like a Colour Index name that is none: it stays in doubt what is in the tube. */
const LIKE_A_CODE = /\b[a-z]{1,2}\d{2,}/i;

function readOne(text: string): ListedPaint {
  const read = readWords(text);
  return { ...read, sure: read.sure && !LIKE_A_CODE.test(text.replace(CODE, " ")) };
}

/** One paint by its codes and words. */
function readWords(text: string): ListedPaint {
  const codes = [...text.matchAll(CODE)].map(([code]) => code.replace(/\s/g, "").replace(/:.*/, ""));
  const words = wordsOf(text.replace(CODE, " "));
  if (codes.length === 0) {
    const candidates = byWords(words);
    const [first, second] = candidates;
    const exact = first !== undefined && first.name.toLowerCase() === words.join(" ");
    const whole = first !== undefined && holds(first, words) === words.length && words.length > 0;
    return {
      words: text,
      candidates,
      sure: exact || (whole && (second === undefined || holds(second, words) < words.length)),
    };
  }
  const each = codes.map((code) =>
    searchPigments(code, OFFERED).filter(
      ({ codes: own, pigments }) => pigments.length === 1 && own.toLowerCase() === code.toLowerCase(),
    ),
  );
  if (each.length > 1) {
    // Several pigments in one tube: in equal shares, until the painter knows better.
    if (each.some((found) => found.length === 0)) return { words: text, candidates: [], sure: false };
    const firsts = each.map((found) => [...found].sort((a, b) => holds(b, words) - holds(a, words))[0]!);
    const distinct = firsts.filter((one, i) => firsts.findIndex(({ id }) => id === one.id) === i);
    const name = words.length > 0 ? words.join(" ") : distinct.map(({ name: own }) => own).join(" and ");
    return {
      words: text,
      sure: each.every((found) => found.length === 1),
      candidates: [
        {
          id: distinct.map(({ id }) => id).join(" "),
          name,
          codes: distinct.map(({ codes: own }) => own).join(" "),
          pigments: distinct.flatMap(({ pigments }) => pigments),
        },
      ],
    };
  }
  const ranked = [...each[0]!].sort((a, b) => holds(b, words) - holds(a, words));
  const [first, second] = ranked;
  return {
    words: text,
    candidates: ranked,
    sure: first !== undefined && (second === undefined || holds(first, words) > holds(second, words)),
  };
}

/**
 * Reads a list of paints from anywhere: a line, comma, semicolon or slash between them, codes or names, in any order.
 * Nothing is guessed silently: what is not sure is said to be. Lists beyond {@link LONGEST_LIST} are cut.
 */
export function readPaintList(text: string): readonly ListedPaint[] {
  return text
    .slice(0, LONGEST_LIST.letters)
    .split(/[\n\r;,/|•·]+/)
    .map((one) => one.replace(/^[\s\-*–\d.)]+(?=[^\d\s.)])/, "").trim())
    .filter((one) => /[\p{L}\p{N}]/u.test(one))
    .slice(0, LONGEST_LIST.paints)
    .map(readOne);
}
