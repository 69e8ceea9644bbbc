import { tripleOf } from "../numeric/tuples";
import { isCgats, readCgats } from "./cgats";
import { FileError } from "./file-problem";
import { looksPercent, numberIn, reflectanceOf, wavelengthIn, type MeasuredColours } from "./measured-colours";
import { readTable } from "./paint-table";

/** Columns of a Lab colour by their names. */
const LAB_NAMES = [/^l\*?$|^lab_l$|^cie_?l$/i, /^a\*?$|^lab_a$|^cie_?a$/i, /^b\*?$|^lab_b$|^cie_?b$/i];

/** Spectra in rows (a column for each wavelength) or in columns (the first column holds the wavelengths). */
function spectraIn(headers: readonly string[], rows: readonly (readonly string[])[]): MeasuredColours | null {
  const bands = headers.flatMap((header, at) =>
    Number.isNaN(wavelengthIn(header)) ? [] : [{ at, nm: wavelengthIn(header) }],
  );
  if (bands.length > 1) {
    const filled = rows.filter((row) => row.some((cell) => cell.trim() !== ""));
    const values = filled.map((row) => bands.map(({ at }) => numberIn(row[at] ?? "")));
    const percent = looksPercent(values.flat());
    const name = headers.findIndex((header) => Number.isNaN(wavelengthIn(header)));
    return {
      white: "D50",
      colours: values.map((own, i) => ({
        name: (name >= 0 && filled[i]![name]) || String(i + 1),
        reflectance: reflectanceOf(
          bands.map(({ nm }) => nm),
          own,
          percent,
        ),
      })),
    };
  }
  const down = rows.filter((row) => !Number.isNaN(wavelengthIn(row[0] ?? "")));
  if (down.length < 2) return null;
  const nm = down.map((row) => wavelengthIn(row[0]!));
  const columns = headers
    .slice(1)
    .map((name, i) => ({ name: name || String(i + 1), own: down.map((row) => numberIn(row[i + 1] ?? "")) }))
    .filter(({ own }) => own.some(Number.isFinite));
  const percent = looksPercent(columns.flatMap(({ own }) => own));
  return {
    white: "D50",
    colours: columns.map(({ name, own }) => ({ name, reflectance: reflectanceOf(nm, own, percent) })),
  };
}

/**
 * Reads a file of measured colours: CGATS text, or CSV with spectra in rows or in columns, or with
 * Lab columns. Throws a FileError.
 */
export function readMeasuredColours(text: string): MeasuredColours {
  if (isCgats(text)) return readCgats(text);
  const { headers, rows } = readTable(text);
  const spectra = spectraIn(headers, rows);
  if (spectra) return spectra;
  const [L, a, b] = tripleOf(LAB_NAMES.map((name) => headers.findIndex((header) => name.test(header))));
  if (L < 0 || a < 0 || b < 0) throw new FileError({ code: "no colours named" });
  const named = headers.findIndex((_, i) => ![L, a, b].includes(i));
  return {
    white: "D50",
    colours: rows
      .filter((row) => row.some((cell) => cell.trim() !== ""))
      .map((row, i) => {
        const lab = { L: numberIn(row[L] ?? ""), a: numberIn(row[a] ?? ""), b: numberIn(row[b] ?? "") };
        if (!Object.values(lab).every(Number.isFinite))
          throw new FileError({ code: "lab is no number", in: "line", at: i + 2 });
        return { name: (named >= 0 && row[named]) || String(i + 1), lab };
      }),
  };
}
