import { deltaE00, type Lab } from "@/core/colour";
import type { LogKind, StoredLogEntry } from "@/model/logbook";
import { codesOf } from "./book";

/** What is looked for in the book; empty fields ask for nothing. */
export interface Query {
  readonly words: string;
  readonly kind: LogKind | "";
  readonly paintId: string;
  readonly paperId: string;
  readonly year: string;
  readonly paintingId: string;
  readonly stars: number;
  readonly today: boolean;
  /** Something made like this colour. */
  readonly like: Lab | null;
}

export const NO_QUERY: Query = {
  words: "",
  kind: "",
  paintId: "",
  paperId: "",
  year: "",
  paintingId: "",
  stars: 0,
  today: false,
  like: null,
};

/** As near as this a swatch counts as made like a colour, dE00. From memory: another eye would call them alike. */
const ALIKE = 12;

/** All that can be found by words: title, notes, moods, paints by name, maker and pigment, swatches' names. */
function textOf({ document: { title, notes, moods, paints, mixes, painting, seen } }: StoredLogEntry): string {
  return [
    title,
    notes,
    ...moods,
    seen.separates,
    painting?.title,
    ...paints.flatMap((paint) => [paint.name, paint.maker, codesOf(paint)]),
    ...mixes.map(({ name }) => name),
  ]
    .join(" ")
    .toLowerCase();
}

/** How near an entry's nearest swatch comes to a colour, dE00; by how its swatches are shown. */
function nearestTo(like: Lab, colours: readonly (Lab | null)[]): number {
  let nearest = Infinity;
  for (const colour of colours) if (colour) nearest = Math.min(nearest, deltaE00(colour, like));
  return nearest;
}

/**
 * The entries that answer to a query: as they stand in the book, or nearest colour first where one is looked for.
 * @param coloursOf the colours that an entry's swatches are shown in
 */
export function found(
  entries: readonly StoredLogEntry[],
  query: Query,
  coloursOf: (entry: StoredLogEntry) => readonly (Lab | null)[],
): readonly StoredLogEntry[] {
  const words = query.words.toLowerCase().split(/\s+/).filter(Boolean);
  const answering = entries.filter((entry) => {
    const { kind, paints, paperId, on, painting, stars, mixes } = entry.document;
    if (query.kind && kind !== query.kind) return false;
    if (query.paintId && !paints.some(({ id }) => id === query.paintId)) return false;
    if (query.paperId && paperId !== query.paperId) return false;
    if (query.year && !on.startsWith(query.year)) return false;
    if (query.paintingId && painting?.id !== query.paintingId) return false;
    if (stars < query.stars) return false;
    if (query.today && !mixes.some(({ today }) => today)) return false;
    if (words.length === 0) return true;
    const text = textOf(entry);
    return words.every((word) => text.includes(word));
  });
  const { like } = query;
  if (!like) return answering;
  return answering
    .map((entry) => ({ entry, away: nearestTo(like, coloursOf(entry)) }))
    .filter(({ away }) => away <= ALIKE)
    .sort((a, b) => a.away - b.away)
    .map(({ entry }) => entry);
}

/** The years of a book, newest first. */
export const yearsOf = (entries: readonly StoredLogEntry[]): readonly string[] =>
  [...new Set(entries.map(({ document }) => document.on.slice(0, 4)))].sort().reverse();
