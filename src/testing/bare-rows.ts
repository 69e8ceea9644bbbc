import type { TableRows } from "@/storage/drizzle/rows";

/** Rows without their stamps: what is put back has new ones. */
export const bare = (tables: readonly TableRows[]): object[] =>
  tables.map(({ name, lines }) => ({
    name,
    rows: lines.map((line) => {
      const { revision: _revision, writer: _writer, step: _step, ...row } = JSON.parse(line) as Record<string, unknown>;
      return row;
    }),
  }));
