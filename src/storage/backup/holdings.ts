import type { Holdings, PhotoSpace } from "@/model/backup";
import { sql } from "drizzle-orm";
import { logEntries, logPhotos, measurements, paintings, paints, photos } from "../drizzle/schema";
import type { Database } from "../drizzle/database";
import type { TableRows } from "../drizzle/rows";
import { othersTurn, rowsOf } from "../drizzle/migrations";

interface Row {
  readonly id?: string;
  readonly demo?: boolean;
  readonly photo_id?: string;
}

/** Rows that are read before others have their turn. */
const ROWS_AT_ONCE = 100;

async function rowsNamed(tables: readonly TableRows[], name: string): Promise<Row[]> {
  const rows: Row[] = [];
  for (const line of tables.find((table) => table.name === name)?.lines ?? []) {
    const { id, demo, photo_id } = JSON.parse(line) as Row;
    rows.push({ id, demo, photo_id });
    if (rows.length % ROWS_AT_ONCE === 0) await othersTurn();
  }
  return rows;
}

/** What is the painter's own among rows: not the demo's, nor the photo that only the demo shows. */
export async function holdingsOf(tables: readonly TableRows[]): Promise<Holdings> {
  const own = (rows: readonly Row[]): Row[] => rows.filter(({ demo }) => demo !== true);
  const all = await rowsNamed(tables, "paintings");
  const paintings = own(all);
  const shown = new Set(paintings.map(({ photo_id: id }) => id));
  const demos = new Set(all.flatMap(({ demo, photo_id: id }) => (demo === true && !shown.has(id) ? [id] : [])));
  return {
    paintings: paintings.length,
    paints: own(await rowsNamed(tables, "paints")).length,
    entries: own(await rowsNamed(tables, "log_entries")).length,
    photos: (await rowsNamed(tables, "photos")).filter(({ id }) => !demos.has(id)).length,
  };
}

/** The same of a store as it stands. */
export async function countHoldings(db: Database): Promise<Holdings> {
  const [row] = await rowsOf<Record<keyof Holdings, number>>(
    db,
    sql`select (select count(*)::int from ${paintings} where not ${paintings.demo}) as paintings,
      (select count(*)::int from ${paints} where not ${paints.demo}) as paints,
      (select count(*)::int from ${logEntries} where not ${logEntries.demo}) as entries,
      (select count(*)::int from ${photos} where not exists (select from ${paintings} where ${paintings.photoId} =
        ${photos.id} and ${paintings.demo}) or exists (select from ${paintings} where ${paintings.photoId} =
        ${photos.id} and not ${paintings.demo})) as photos`,
  );
  return row!;
}

/** What the photos of a store weigh as they came; what the bin alone still shows goes once it is emptied. */
export async function photoSpace(db: Database): Promise<PhotoSpace> {
  const shown = sql`exists (select from ${paintings} where ${paintings.photoId} = ${photos.id}
      and ${paintings.binnedAt} is null)
    or exists (select from ${logPhotos} join ${logEntries} on ${logEntries.id} = ${logPhotos.entryId}
      where ${logPhotos.photoId} = ${photos.id} and ${logEntries.binnedAt} is null)
    or exists (select from ${measurements} where ${measurements.photoId} = ${photos.id})`;
  const [row] = await rowsOf<{ bytes: string; binned: string }>(
    db,
    sql`select coalesce(sum(${photos.bytes}::bigint), 0) as bytes,
      coalesce(sum(${photos.bytes}::bigint) filter (where not (${shown})), 0) as binned from ${photos}`,
  );
  return { bytes: Number(row!.bytes), binnedBytes: Number(row!.binned) };
}
