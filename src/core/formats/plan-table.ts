import Papa from "papaparse";
import { guarded } from "./text";

/** A wash as a line of a table. */
export interface PlanRow {
  readonly startMin: number;
  readonly minutes: number;
  readonly dryMin: number;
  readonly waitMin: number;
  readonly mark: string;
  readonly name: string;
  readonly task: string;
  readonly areaCm2: number;
  readonly brush: string;
  readonly mixes: readonly {
    readonly parts: readonly { readonly name: string; readonly parts: number }[];
    readonly strength: string;
  }[];
  readonly mind: readonly string[];
}

const tenth = (n: number): number => Math.round(10 * n) / 10;

/**
 * Washes in their order as CSV (RFC 4180): minutes and cm² as numbers, a mix as "6 Burnt sienna + 2 Cerulean", no
 * cell a formula to a spreadsheet.
 */
export function planTable(washes: readonly PlanRow[]): string {
  return Papa.unparse({
    fields: [
      "order",
      "start min",
      "minutes",
      "dry after min",
      "wait min",
      "mark",
      "wash",
      "task",
      "cm2",
      "brush",
      "mixes",
      "strengths",
      "mind",
    ],
    data: washes.map((wash, i) => [
      i + 1,
      tenth(wash.startMin),
      tenth(wash.minutes),
      tenth(wash.dryMin),
      tenth(wash.waitMin),
      wash.mark,
      guarded(wash.name),
      wash.task,
      Math.round(wash.areaCm2),
      wash.brush,
      guarded(wash.mixes.map(({ parts }) => parts.map((part) => `${part.parts} ${part.name}`).join(" + ")).join("; ")),
      wash.mixes.map(({ strength }) => strength).join("; "),
      wash.mind.join(" "),
    ]),
  });
}
