import { HANDBOOK, type Pigment } from "./handbook";
import { CONVENIENCE_MIXES } from "./handbook/convenience";
import type { PigmentShare } from "./share";
import { wholeWords } from "./short-forms";

/** What a painter may mean by a few letters of a code or a name. */
export interface FoundPigment {
  readonly id: string;
  readonly name: string;
  /** Colour Index names, e.g. "PB29" or "PG7 PY150 PR101". */
  readonly codes: string;
  readonly pigments: readonly PigmentShare[];
}

const codeOf = (id: string): string => id.replace(/-.*$/, "");

const ALL: readonly (FoundPigment & { readonly words: string })[] = [
  ...HANDBOOK.map(({ id, name, code, also = [] }) => ({
    id,
    name,
    codes: code,
    pigments: [{ pigmentId: id, share: 1 }],
    words: [code, name, ...also].join(" ").toLowerCase(),
  })),
  ...CONVENIENCE_MIXES.map(({ id, name, pigments }) => {
    const codes = pigments.map(({ pigmentId }) => codeOf(pigmentId)).join(" ");
    return { id, name, codes, pigments, words: `${name} ${codes}`.toLowerCase() };
  }),
];

/** The words of a search as the handbook writes them: short forms are known everywhere. */
const searchedWords = (search: string): string[] =>
  search.toLowerCase().trim().split(/\s+/).filter(Boolean).flatMap(wholeWords);

/** Whether a pigment's code or one of its names holds every word of a search; an empty one finds all. */
export function answersTo({ name, code, also = [] }: Pick<Pigment, "name" | "code" | "also">, search: string): boolean {
  const text = [code, name, ...also].join(" ").toLowerCase();
  return searchedWords(search).every((word) => text.includes(word));
}

/**
 * Pigments and convenience mixes whose code or names hold every word, best first: the exact code,
 * then codes and names that begin so, then the rest. An empty search finds nothing.
 */
export function searchPigments(search: string, most: number): readonly FoundPigment[] {
  const words = searchedWords(search);
  if (words.length === 0) return [];
  const rank = ({ codes, name, words: text }: (typeof ALL)[number]): number => {
    const whole = words.join(" ");
    if (codes.toLowerCase() === whole || name.toLowerCase() === whole) return 0;
    if (codes.toLowerCase().startsWith(whole) || name.toLowerCase().startsWith(whole)) return 1;
    return text.split(" ").some((word) => word.startsWith(words[0]!)) ? 2 : 3;
  };
  return ALL.filter((entry) => words.every((word) => entry.words.includes(word)))
    .map((entry) => ({ entry, rank: rank(entry) }))
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most)
    .map(({ entry: { id, name, codes, pigments } }) => ({ id, name, codes, pigments }));
}
