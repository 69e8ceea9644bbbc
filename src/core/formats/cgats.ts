import { WAVELENGTHS_NM } from "../colour/bands";
import { FileError } from "./file-problem";
import {
  labOfReflectanceD50,
  labUnderD50,
  looksPercent,
  numberIn,
  reflectanceOf,
  wavelengthIn,
  type MeasuredColour,
  type MeasuredColours,
} from "./measured-colours";
import type { Lab } from "../colour/colour";

/** Words of a line: parted by blanks, quoted ones kept whole. */
const wordsOf = (line: string): string[] =>
  [...line.matchAll(/"((?:[^"]|"")*)"|(\S+)/g)].map(([, quoted, plain]) => quoted?.replace(/""/g, '"') ?? plain!);

/** True for text that looks like CGATS: it says where its data begin. */
export const isCgats = (text: string): boolean =>
  /^[ \t]*BEGIN_DATA_FORMAT[ \t]*$/m.test(text) && /^[ \t]*BEGIN_DATA[ \t]*$/m.test(text);

/**
 * Reads CGATS text (CGATS.17; the first table of the file): spectra in any of the usual namings,
 * else Lab. Throws a FileError.
 */
export function readCgats(text: string): MeasuredColours {
  const lines = text
    .replace(/^\uFEFF/, "")
    .split(/\r\n?|\n/)
    .map((line) => line.trim())
    .map((line) => (line.startsWith("#") ? "" : line));
  const section = (begin: string, end: string): string[] => {
    const from = lines.indexOf(begin);
    const to = lines.indexOf(end, from);
    if (from < 0 || to < 0) throw new FileError({ code: "section missing", begin, end });
    return lines.slice(from + 1, to);
  };
  const fields = section("BEGIN_DATA_FORMAT", "END_DATA_FORMAT").flatMap(wordsOf);
  const words = section("BEGIN_DATA", "END_DATA").flatMap(wordsOf);
  if (fields.length === 0 || words.length === 0 || words.length % fields.length !== 0) {
    throw new FileError({ code: "ragged rows", values: words.length, fields: fields.length });
  }
  const rows = Array.from({ length: words.length / fields.length }, (_, i) =>
    words.slice(i * fields.length, (i + 1) * fields.length),
  );
  const upper = fields.map((field) => field.toUpperCase());
  /** Column of the first of these names that the file has. */
  const column = (...names: string[]): number => names.map((name) => upper.indexOf(name)).find((at) => at >= 0) ?? -1;
  const bands = fields.flatMap((field, at) =>
    Number.isNaN(wavelengthIn(field)) ? [] : [{ at, nm: wavelengthIn(field) }],
  );
  const [L, a, b] = [column("LAB_L"), column("LAB_A"), column("LAB_B")];
  const name = column("SAMPLE_NAME", "SAMPLE_LOC", "SAMPLE_ID", "SAMPLEID", "SAMPLE");
  const spectral = bands.length > 1;
  if (!spectral && L < 0) throw new FileError({ code: "neither spectra nor lab" });
  const percent = spectral && looksPercent(rows.flatMap((row) => bands.map(({ at }) => numberIn(row[at]!))));
  return {
    white: /ILLUMINANT[",\s]*D65/i.test(text) ? "D65" : "D50",
    colours: rows.map((row, i): MeasuredColour => {
      const lab = L >= 0 ? { L: numberIn(row[L]!), a: numberIn(row[a]!), b: numberIn(row[b]!) } : undefined;
      if (lab && !Object.values(lab).every(Number.isFinite))
        throw new FileError({ code: "lab is no number", in: "row", at: i + 1 });
      return {
        name: name >= 0 ? row[name]! : String(i + 1),
        reflectance: spectral
          ? reflectanceOf(
              bands.map(({ nm }) => nm),
              bands.map(({ at }) => numberIn(row[at]!)),
              percent,
            )
          : undefined,
        lab,
      };
    }),
  };
}

/** A colour to write; Lab relative to D65. */
export interface WrittenColour {
  readonly name: string;
  readonly lab: Lab;
  readonly reflectance?: ArrayLike<number>;
}

const quoted = (text: string): string => `"${text.replace(/"/g, "'").replace(/\s+/g, " ")}"`;

/**
 * Writes CGATS text with Lab relative to D50 and, if every colour has one, spectra in per cent.
 * @param facts further lines for the head, keyword and value
 */
export function writeCgats(colours: readonly WrittenColour[], facts: Readonly<Record<string, string>> = {}): string {
  const spectral = colours.every(({ reflectance }) => reflectance);
  const fields = [
    "SAMPLE_ID",
    "SAMPLE_NAME",
    "LAB_L",
    "LAB_A",
    "LAB_B",
    ...(spectral ? WAVELENGTHS_NM.map((nm) => `SPEC_${nm}`) : []),
  ];
  const head = [
    "CGATS.17",
    "",
    'ORIGINATOR "Abendrot"',
    ...Object.entries(facts).map(([key, value]) => `${key} ${quoted(value)}`),
    'KEYWORD "SPECTRAL_BANDS"',
    'KEYWORD "SPECTRAL_START_NM"',
    'KEYWORD "SPECTRAL_END_NM"',
    'KEYWORD "SAMPLE_NAME"',
    ...(spectral
      ? [`SPECTRAL_BANDS "${WAVELENGTHS_NM.length}"`, 'SPECTRAL_START_NM "380.0"', 'SPECTRAL_END_NM "730.0"']
      : []),
  ];
  const rows = colours.map(({ name, lab, reflectance }, i) => {
    const { L, a, b } = reflectance ? labOfReflectanceD50(reflectance) : labUnderD50(lab);
    return [
      i + 1,
      quoted(name),
      ...[L, a, b].map((v) => v.toFixed(4)),
      ...(spectral ? Array.from(reflectance!, (r) => (100 * r).toFixed(4)) : []),
    ].join(" ");
  });
  return [
    ...head,
    "",
    `NUMBER_OF_FIELDS ${fields.length}`,
    "BEGIN_DATA_FORMAT",
    fields.join(" "),
    "END_DATA_FORMAT",
    "",
    `NUMBER_OF_SETS ${rows.length}`,
    "BEGIN_DATA",
    ...rows,
    "END_DATA",
    "",
  ].join("\n");
}
