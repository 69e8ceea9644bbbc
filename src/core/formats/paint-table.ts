import Papa from "papaparse";
import { guarded, unguarded } from "./text";
import type { PigmentShare } from "../pigments/share";
import { FileError, type LineProblem } from "./file-problem";
import { readPigments, writePigments } from "./pigment-words";

/** What a column of a table of paints can hold. */
export const PAINT_COLUMNS = [
  "name",
  "pigments",
  "maker",
  "line",
  "status",
  "form",
  "sizeMl",
  "price",
  "currency",
  "boughtOn",
  "openedOn",
  "batch",
  "notes",
  "left",
  "tintingStrength",
  "transparency",
  "staining",
  "granulation",
  "lightfastness",
  "favourite",
] as const;
export type PaintColumn = (typeof PAINT_COLUMNS)[number];

/** A paint as it stands in a table: all text, but for its pigments. */
export type PaintRow = Readonly<Partial<Record<Exclude<PaintColumn, "pigments" | "name">, string>>> & {
  readonly name: string;
  readonly pigments: readonly PigmentShare[];
  /** Line of the file it begins on, the header being line 1. */
  readonly fileLine: number;
};

/** A table as read, before anyone says what its columns mean. */
export interface RawTable {
  readonly headers: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Which column of the table holds what; -1 for none. */
export type ColumnMap = Readonly<Record<PaintColumn, number>>;

/** Headers that painters and shops use, for a first guess. From memory. */
const GUESSES: Readonly<Record<PaintColumn, RegExp>> = {
  name: /^(paint|colou?r|paint name|colou?r name|name|title)$/i,
  pigments: /pigment|colou?r index|^c\.?i\.?/i,
  maker: /maker|brand|manufacturer|company/i,
  line: /^(line|range|series name|quality)$/i,
  status: /status|have|own/i,
  form: /form|type|container/i,
  sizeMl: /size|ml|volume/i,
  price: /price|cost|paid/i,
  currency: /currency/i,
  boughtOn: /bought|purchas/i,
  openedOn: /opened/i,
  batch: /batch|year|lot/i,
  notes: /note|remark|comment/i,
  left: /^(left|remaining|rest)$/i,
  tintingStrength: /^tint/i,
  transparency: /transparen|opacity/i,
  staining: /stain/i,
  granulation: /granul/i,
  lightfastness: /light ?fast|permanence/i,
  favourite: /favou?rite/i,
};

/** Longest cell that is looked at; notes have at most 2000 letters. */
const MOST_IN_A_CELL = 8000;

/**
 * Reads CSV (RFC 4180: quoted fields, doubled quotes, line breaks in fields) with commas, semicolons
 * or tabs. The first line is the header. Throws a FileError when there is no
 * table, or more than `most` lines.
 */
export function readTable(text: string, most = Infinity): RawTable {
  const plain = text.replace(/^\uFEFF/, "").trimEnd();
  const { data } = Papa.parse<string[]>(plain, {
    skipEmptyLines: false,
    delimitersToGuess: [",", ";", "\t", "|"],
    preview: Number.isFinite(most) ? most + 2 : 0,
  });
  if (data.length > most + 1) throw new FileError({ code: "too many lines", most });
  const filled = data.filter((row) => row.some((cell) => cell.trim() !== ""));
  if (filled.length < 2) throw new FileError({ code: "no table" });
  return { headers: data[0]!.map((header) => header.trim()), rows: data.slice(1) };
}

/** First guess at what the columns mean, from their headers; each column is used once. */
export function guessColumns(headers: readonly string[]): ColumnMap {
  const used = new Set<number>();
  const guess = (column: PaintColumn): number => {
    const at = headers.findIndex((header, i) => !used.has(i) && GUESSES[column].test(header));
    if (at >= 0) used.add(at);
    return at;
  };
  return Object.fromEntries(PAINT_COLUMNS.map((column) => [column, guess(column)])) as Record<PaintColumn, number>;
}

export interface ReadRows {
  readonly good: readonly PaintRow[];
  /** Line of the file and why it can't be taken. */
  readonly bad: readonly { readonly line: number; readonly problem: LineProblem }[];
}

/**
 * Paints of a table under a column map; rows that can't be right are told by line and reason. Blank rows are passed
 * over.
 * @param onRow told how many rows have been read
 */
export function readPaintRows({ rows }: RawTable, map: ColumnMap, onRow: (done: number) => void = () => {}): ReadRows {
  const good: PaintRow[] = [];
  const bad: { line: number; problem: LineProblem }[] = [];
  let line = 2;
  for (const [done, row] of rows.entries()) {
    onRow(done);
    const at = line;
    line += 1 + row.reduce((breaks, cell) => breaks + (cell.match(/\n/g)?.length ?? 0), 0);
    if (row.every((cell) => cell.trim() === "")) continue;
    const cell = (column: PaintColumn): string => (map[column] >= 0 ? unguarded((row[map[column]] ?? "").trim()) : "");
    if (row.some(({ length }) => length > MOST_IN_A_CELL)) {
      bad.push({ line: at, problem: { code: "cell too long", most: MOST_IN_A_CELL } });
      continue;
    }
    const name = cell("name");
    if (!name) {
      bad.push({ line: at, problem: { code: "no name" } });
      continue;
    }
    const read = readPigments(cell("pigments"), name);
    if ("problem" in read) {
      bad.push({ line: at, problem: { paint: name, ...read.problem } });
      continue;
    }
    const rest: Partial<Record<PaintColumn, string>> = {};
    for (const column of PAINT_COLUMNS)
      if (column !== "name" && column !== "pigments" && cell(column) !== "") rest[column] = cell(column);
    good.push({ ...rest, name, pigments: read.pigments, fileLine: at });
  }
  return { good, bad };
}

/**
 * Paints as CSV (RFC 4180, commas, CRLF) with all columns, no cell a formula to a spreadsheet; {@link readTable} reads
 * it back.
 */
export function writeTable(
  paints: readonly (Readonly<Partial<Record<Exclude<PaintColumn, "pigments">, string | number | boolean | null>>> & {
    readonly pigments: readonly PigmentShare[];
  })[],
): string {
  return Papa.unparse({
    fields: [...PAINT_COLUMNS],
    data: paints.map((paint) =>
      PAINT_COLUMNS.map((column) =>
        column === "pigments" ? writePigments(paint.pigments) : guarded(String(paint[column] ?? "")),
      ),
    ),
  });
}
