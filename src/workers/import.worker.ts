/// <reference lib="webworker" />
import { expose } from "comlink";
import {
  decodeText,
  FileError,
  guessColumns,
  readGimpPalette,
  readPaintRows,
  readTable,
  type RawTable,
} from "@/core/formats";
import { lineWords, whyUnread } from "@/model/file-words";
import { entriesOfJson, entryOfRow } from "@/model/import";
import type { PaintEntry } from "@/model/paintbox";
import type { BadLine, ImportApi } from "./import-api";

/** The table opened last. */
let table: RawTable | null = null;
const PROGRESS_EVERY = 250;

expose({
  open(bytes, mostLines) {
    try {
      const text = decodeText(bytes);
      const entries = entriesOfJson(text);
      if (entries) return { is: "paints", entries };
      table = readGimpPalette(text) ?? readTable(text, mostLines);
      if (table.rows.length > mostLines) throw new FileError({ code: "too many lines", most: mostLines });
      return { is: "table", headers: table.headers, map: guessColumns(table.headers) };
    } catch (error) {
      return {
        is: "refused",
        message: whyUnread(error, "The file could not be read. Save it as CSV and try again."),
      };
    }
  },
  rows(map, today, progress) {
    if (!table) throw new Error("No table has been opened.");
    const all = table.rows.length;
    const { good, bad } = readPaintRows(
      table,
      map,
      (done) => done % PROGRESS_EVERY === 0 && progress((0.5 * done) / all),
    );
    const entries: PaintEntry[] = [];
    const faults: BadLine[] = bad.map(({ line, problem }) => ({ line, reason: lineWords(problem) }));
    for (const [i, row] of good.entries()) {
      if (i % PROGRESS_EVERY === 0) progress(0.5 + (0.5 * i) / good.length);
      const entry = entryOfRow(row, today);
      if ("reason" in entry) faults.push({ line: row.fileLine, reason: entry.reason });
      else entries.push(entry);
    }
    return { entries, bad: faults.sort((a, b) => a.line - b.line) };
  },
} satisfies ImportApi);
