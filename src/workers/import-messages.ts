import type { ColumnMap } from "@/core/formats";
import type { PaintEntry } from "@/model/paintbox";
import type { Answered } from "./answering";

/** What the import worker is asked: a file first, then its rows under a reading of its columns. */
export type ImportRequest =
  | { readonly kind: "open"; readonly job: number; readonly bytes: Uint8Array; readonly mostLines: number }
  | { readonly kind: "rows"; readonly job: number; readonly map: ColumnMap; readonly today: string };

/** A line that can't be taken, and why. */
export interface BadLine {
  readonly line: number;
  readonly reason: string;
}

export interface ImportAnswers {
  /** What the file is: a table whose columns are guessed at, paints already, or nothing that can be read. */
  readonly open:
    | { readonly is: "table"; readonly headers: readonly string[]; readonly map: ColumnMap }
    | { readonly is: "paints"; readonly entries: readonly PaintEntry[] }
    | { readonly is: "refused"; readonly message: string };
  readonly rows: { readonly entries: readonly PaintEntry[]; readonly bad: readonly BadLine[] };
}

export type ImportReply = { readonly kind: "progress"; readonly job: number; readonly share: number } | Answered<ImportAnswers[keyof ImportAnswers]>;
