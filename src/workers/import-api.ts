import type { ColumnMap } from "@/core/formats";
import type { PaintEntry } from "@/model/paintbox";

/** A line that can't be taken, and why. */
export interface BadLine {
  readonly line: number;
  readonly reason: string;
}

/** What a file is: a table whose columns are guessed at, paints already, or nothing that can be read. */
export type OpenedFile =
  | { readonly is: "table"; readonly headers: readonly string[]; readonly map: ColumnMap }
  | { readonly is: "paints"; readonly entries: readonly PaintEntry[] }
  | { readonly is: "refused"; readonly message: string };

/** Paints read from a table, and the lines that none was read from. */
export interface ReadRows {
  readonly entries: readonly PaintEntry[];
  readonly bad: readonly BadLine[];
}

/** What the import worker offers. */
export interface ImportApi {
  open(bytes: Uint8Array, mostLines: number): OpenedFile;
  /** Reads the table opened last under a reading of its columns; `progress` hears shares of 1. */
  rows(map: ColumnMap, today: string, progress: (share: number) => void): ReadRows;
}
