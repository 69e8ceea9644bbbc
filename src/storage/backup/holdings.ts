import type { Holdings } from "@/model/backup";
import type { TableRows } from "../drizzle/rows";

/** What is the painter's own among rows: not the demo's. Rows of any version are read. */
export function holdingsOf(tables: readonly TableRows[]): Holdings {
  const own = (name: string): number =>
    (tables.find((table) => table.name === name)?.lines ?? []).filter(
      (line) => (JSON.parse(line) as { demo?: boolean }).demo !== true,
    ).length;
  return { paintings: own("paintings"), paints: own("paints"), entries: own("log_entries"), photos: own("photos") };
}
