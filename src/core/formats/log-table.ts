import Papa from "papaparse";
import type { Lab } from "../colour/colour";
import { describeColour } from "../colour/describe";
import { guarded } from "./text";

/** A swatch of the logbook as a line of a table. */
export interface LogRow {
  readonly on: string;
  readonly entry: string;
  readonly paper: string;
  readonly name: string;
  readonly parts: readonly { readonly name: string; readonly codes: string; readonly parts: number }[];
  readonly waterParts: number;
  readonly over: string;
  readonly read: { readonly lab: Lab; readonly by: string } | null;
  readonly wetValue: number | null;
  readonly counts: boolean;
}

const hundredth = (n: number): number => Math.round(100 * n) / 100;

/** Swatches as CSV (RFC 4180): the mix in words, L* a* b* under D65, Munsell value; no cell computes. */
export function logTable(rows: readonly LogRow[]): string {
  return Papa.unparse({
    fields: [
      "day",
      "entry",
      "paper",
      "swatch",
      "mix",
      "pigments",
      "water parts",
      "over",
      "L*",
      "a*",
      "b*",
      "value",
      "read by",
      "value while wet",
      "learned from",
    ],
    data: rows.map(({ on, entry, paper, name, parts, waterParts, over, read, wetValue, counts }) => [
      on,
      guarded(entry),
      paper,
      guarded(name),
      guarded(parts.map((part) => `${part.parts} ${part.name}`).join(" + ")),
      guarded(parts.map(({ codes }) => codes).join(" + ")),
      waterParts,
      guarded(over),
      ...(read && read.by !== "value" ? [read.lab.L, read.lab.a, read.lab.b].map(hundredth) : ["", "", ""]),
      read ? hundredth(describeColour(read.lab).value) : "",
      read?.by ?? "",
      wetValue ?? "",
      counts ? "yes" : "no",
    ]),
  });
}
