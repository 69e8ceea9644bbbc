import { expect, test } from "vitest";
import { guessColumns, readMeasuredColours, readPaintRows, readTable } from "@/core/formats";
import { lineWords, whyUnread } from "./file-words";

/** What a painter is told of a file that a reader refuses. */
function told(read: () => unknown): string {
  try {
    read();
    return "nothing";
  } catch (error) {
    return whyUnread(error, "unforeseen");
  }
}

test.each([
  ["an empty file", () => readTable(""), /no table.*names the columns/],
  ["too long a table", () => readTable("name\na\nb\nc\n", 2), /more than 2 lines.*Split it/],
  ["nothing of use", () => readMeasuredColours("name,price\nneat,3\n"), /^No wavelengths and no columns L, a and b/],
  ["letters for numbers", () => readMeasuredColours("name,L,a,b\nneat,3o,1,2\n"), /^Line 2 .* no number/],
  ["half a spectrum", () => readMeasuredColours("name,400,420\nneat,0.1,0.1\n"), /from 400 to 700 nm/],
  ["more light than falls on it", () => readMeasuredColours("name,400,420\nneat,900,10\n"), /outside 0 to 160 %/],
  [
    "a lost end",
    () => readMeasuredColours("BEGIN_DATA_FORMAT\nSAMPLE_ID LAB_L\nEND_DATA_FORMAT\nBEGIN_DATA\n1 40\n"),
    /BEGIN_DATA or END_DATA is missing/,
  ],
  [
    "what another program is at fault for",
    () => {
      throw new TypeError("x is undefined");
    },
    /^unforeseen$/,
  ],
])("%s is told in words", (_, read, words) => expect(told(read)).toMatch(words));

test("a line without a paint says which paint, and what was read there", () => {
  const table = readTable("name,pigments\n,PG7\nOdd,PX12\nNone,\nWords,blue stuff\nThin,PB29 0\n");
  const { bad } = readPaintRows(table, guessColumns(table.headers));
  expect(bad.map(({ problem }) => lineWords(problem))).toEqual([
    "the paint has no name",
    "Odd: the handbook has no pigment “PX12”",
    "None: no pigment is given",
    "Words: “blue stuff” is no Colour Index name",
    "Thin: the share of PB29 is not above 0",
  ]);
});
