import { searchPigments } from "../pigments/search";
import { FileError } from "./file-problem";
import type { RawTable } from "./paint-table";
import type { PigmentShare } from "../pigments/share";
import { readPigments, writePigments } from "./pigment-words";

/** One colour of a palette file: encoded sRGB bytes and a name. */
export interface PaletteColour {
  readonly rgb: readonly [number, number, number];
  readonly name: string;
}

const oneLine = (text: string): string => text.replace(/[\r\n\t]+/g, " ").trim();

/**
 * A GIMP palette file: "GIMP Palette", Name, Columns, #, then R G B and a name a line (the format's own description,
 * from memory).
 */
export function writeGimpPalette(name: string, colours: readonly PaletteColour[], columns = 4): string {
  const lines = colours.map(
    ({ rgb, name: colour }) => `${rgb.map((byte) => String(byte).padStart(3)).join(" ")}\t${oneLine(colour)}`,
  );
  return ["GIMP Palette", `Name: ${oneLine(name)}`, `Columns: ${columns}`, "#", ...lines, ""].join("\n");
}

const isGimpPalette = (text: string): boolean => /^\uFEFF?GIMP Palette\s*$/m.test(text.split("\n", 1)[0]!);

/** A paint's name in a palette file, with what is in it behind it. */
export const paletteName = ({
  name,
  pigments,
}: {
  readonly name: string;
  readonly pigments: readonly PigmentShare[];
}) => `${oneLine(name)} [${writePigments(pigments)}]`;

/** A paint's name and its pigments, where {@link paletteName} wrote them or something like it; else as it stands. */
function partsOfName(text: string): readonly [name: string, pigments: string] {
  const [, name, pigments] = /^(.*\S)\s+\[([^[\]]+)\]$/.exec(text) ?? [];
  return name && pigments && "pigments" in readPigments(pigments, name)
    ? [name, pigments]
    : [text, pigmentsNamed(text)];
}

/** Pigments of the best answer to a colour's name, as text; none when the handbook knows nothing by it. */
function pigmentsNamed(name: string): string {
  const [best] = searchPigments(name, 1);
  return best ? writePigments(best.pigments) : "";
}

/**
 * Reads a GIMP palette file as a table of names and the pigments they name, a row for each line after the first, so
 * that a line of the file is found again; what is no colour is an empty row. Returns null when the text is no GIMP
 * palette. Throws a FileError when a colour line can't be right.
 */
export function readGimpPalette(text: string): RawTable | null {
  if (!isGimpPalette(text)) return null;
  const lines = text.trimEnd().split(/\r?\n/);
  const rows = lines.slice(1).map((raw, i) => {
    const line = raw.trim();
    if (/^(#|$)/.test(line) || /^(Name|Columns):/.test(line)) return ["", "", ""];
    const colour = /^(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$/.exec(line);
    if (!colour || [colour[1], colour[2], colour[3]].some((byte) => Number(byte) > 255)) {
      throw new FileError({ code: "no palette colour", line: i + 2 });
    }
    const [name, pigments] = partsOfName((colour[4] ?? "").trim());
    return [
      name && name !== "Untitled" ? name : `Colour of line ${i + 2}`,
      pigments,
      `From a palette file, there ${colour[1]} ${colour[2]} ${colour[3]}.`,
    ];
  });
  return { headers: ["name", "pigments", "notes"], rows };
}
