import { programFile } from "@/storage/program-folder";
import { readFileSync } from "node:fs";
import { sfntOfWoff } from "./sfnt";

export type Face = "serif" | "sans";

const FILES: Readonly<Record<Face, string>> = { serif: "alegreya", sans: "source-sans-3" };

/** Alphabets that the shipped fonts have a file for, by what their letters match. */
const ALPHABETS: readonly (readonly [string, RegExp])[] = [
  ["latin", /[\u0000-\u00ff\u2010-\u2027\u2030-\u203a\u20ac\u2122\u2212]/],
  ["latin-ext", /[\u0100-\u02ff\u1e00-\u1eff]/],
  ["cyrillic", /[\u0400-\u045f\u0490-\u0491]/],
  ["greek", /[\u0370-\u03ff]/],
];

/** A piece of text that one font file can set. */
export interface Run {
  readonly alphabet: string;
  readonly text: string;
}

/** A text as runs of one alphabet each; a sign that no shipped font has becomes a question mark. */
export function runsOf(text: string): readonly Run[] {
  const runs: Run[] = [];
  for (const sign of text.normalize("NFC")) {
    const known = ALPHABETS.find(([, letters]) => letters.test(sign))?.[0];
    const [alphabet, letter] = known ? [known, sign] : ["latin", "?"];
    const last = runs[runs.length - 1];
    // Blanks stay with the letters before them; stops don't: only the Latin files have them.
    if (last && (last.alphabet === alphabet || /^\s$/.test(letter)))
      runs[runs.length - 1] = { ...last, text: last.text + letter };
    else runs.push({ alphabet, text: letter });
  }
  return runs;
}

const read = new Map<string, Buffer>();

/** Bytes of a shipped font, as sfnt. */
export function fontFile(face: Face, alphabet: string): Buffer {
  const key = `${face} ${alphabet}`;
  const name = FILES[face];
  const bytes =
    read.get(key) ??
    sfntOfWoff(
      readFileSync(programFile("node_modules", "@fontsource", name, "files", `${name}-${alphabet}-400-normal.woff`)),
    );
  read.set(key, bytes);
  return bytes;
}
