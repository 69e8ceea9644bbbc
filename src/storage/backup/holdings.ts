import type { Holdings } from "@/model/backup";
import type { TableRows } from "../drizzle/rows";

interface Row {
  readonly id?: string;
  readonly demo?: boolean;
  readonly photo_id?: string;
}

/** What is the painter's own among rows: not the demo's, nor the photo that only the demo shows. */
export function holdingsOf(tables: readonly TableRows[]): Holdings {
  const rows = (name: string): Row[] =>
    (tables.find((table) => table.name === name)?.lines ?? []).map((line) => JSON.parse(line) as Row);
  const own = (name: string): Row[] => rows(name).filter(({ demo }) => demo !== true);
  const paintings = own("paintings");
  const shown = new Set(paintings.map(({ photo_id: id }) => id));
  const demos = new Set(
    rows("paintings").flatMap(({ demo, photo_id: id }) => (demo === true && !shown.has(id) ? [id] : [])),
  );
  return {
    paintings: paintings.length,
    paints: own("paints").length,
    entries: own("log_entries").length,
    photos: rows("photos").filter(({ id }) => !demos.has(id)).length,
  };
}
