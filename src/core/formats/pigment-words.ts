import { HANDBOOK, presentPigmentId, type Pigment } from "../pigments/handbook";
import type { PigmentShare } from "../pigments/share";
import type { PigmentProblem } from "./file-problem";

/** Pigments read from a cell, or why they can't be. */
export type ReadPigments = { readonly pigments: readonly PigmentShare[] } | { readonly problem: PigmentProblem };

/**
 * A code, perhaps with a share: blanks are single, and no two that may be missing stand side by side, so that it takes
 * no time to say no.
 */
const PIECE = /^([A-Za-z]{2,3} ?\d+(?:-[a-z-]+)?)(?: ?[:(]? ?(\d+(?:[.,]\d+)?) ?%?\)?)?$/;
/** More than this in a cell is no list of pigments. */
const MOST_LETTERS = 400;

/**
 * A pigment in a word that means no other: its id, or, where that is also the code of further shades, with its name
 * behind it ("PR108-cadmium-red").
 */
const WRITTEN: ReadonlyMap<string, string> = new Map(
  HANDBOOK.map(({ id, code, name }) => [
    id,
    id === code && HANDBOOK.filter((other) => other.code === code).length > 1
      ? `${id}-${name.toLowerCase().replace(/[^a-z]+/g, "-")}`
      : id,
  ]),
);
const READ: ReadonlyMap<string, Pigment> = new Map(
  HANDBOOK.map((pigment) => [WRITTEN.get(pigment.id)!.toLowerCase(), pigment]),
);

/** Of several shades of one code, the one whose name shares most words with the paint's. */
function shadeFor(shades: readonly Pigment[], paintName: string): Pigment {
  const words = paintName
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter(Boolean);
  const shared = ({ name, also = [] }: Pigment): number => {
    const own = [name, ...also].join(" ").toLowerCase();
    return words.filter((word) => own.includes(word)).length;
  };
  return shades.reduce((best, shade) => (shared(shade) > shared(best) ? shade : best));
}

/**
 * Reads pigments as painters and makers write them: "PB29", "PB 29, PG7", "PB29 60 % + PBk9 40 %",
 * or this handbook's own words for them. A code with several shades takes the one that fits the paint's name.
 */
export function readPigments(cell: string, paintName: string): ReadPigments {
  if (cell.length > MOST_LETTERS) return { problem: { code: "pigments too long" } };
  const pieces = cell
    .replace(/\s+/g, " ")
    .split(/[+;/&|]|,(?!\d)|\band\b/)
    .map((piece) => piece.trim())
    .filter(Boolean);
  if (pieces.length === 0) return { problem: { code: "no pigment" } };
  const found: PigmentShare[] = [];
  for (const piece of pieces) {
    const [, written, share] = PIECE.exec(piece) ?? [];
    if (!written) return { problem: { code: "no index name", piece } };
    const key = written.replace(/\s/g, "").toLowerCase();
    const exact = READ.get(presentPigmentId(written.replace(/\s/g, "")).toLowerCase());
    const shades = HANDBOOK.filter(({ code }) => code.toLowerCase() === key);
    if (!exact && shades.length === 0) return { problem: { code: "unknown pigment", written } };
    const pigment = exact ?? shadeFor(shades, paintName);
    const amount = share ? Number(share.replace(",", ".")) : 1;
    if (!(amount > 0)) return { problem: { code: "share not above 0", written } };
    if (!found.some(({ pigmentId }) => pigmentId === pigment.id)) found.push({ pigmentId: pigment.id, share: amount });
  }
  return { pigments: found };
}

/** Pigments in words that {@link readPigments} reads back: "PB29 50 + PBk6 35". */
export function writePigments(pigments: readonly PigmentShare[]): string {
  const written = (id: string): string => WRITTEN.get(id) ?? id;
  if (pigments.length === 1) return written(pigments[0]!.pigmentId);
  return pigments
    .map(({ pigmentId, share }) => `${written(pigmentId)} ${Number((share * 100).toPrecision(6))}`)
    .join(" + ");
}
