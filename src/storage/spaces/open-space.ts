import { join } from "node:path";
import { sql } from "drizzle-orm";
import type { Pool } from "pg";
import type { Database } from "../drizzle/database";
import { allMigrations, isNewer, migrateWithin, migrationsDone, type Place } from "../drizzle/migrations";
import { MadeByNewer } from "../drizzle/open";
import type { Store } from "../ports";
import { storeIn } from "../store";
import { photosInDatabase } from "./photos-in-database";
import { photoFilesIn } from "../folder/photo-files";
import { alone, spaceDatabase, type Pools } from "./pool";

/** Where photos' originals are kept: in a folder that all processes share, or in the database. */
export type PhotosKept = "folder" | "database";

/** Folder of a space's photos and copies in the data folder. */
export const spaceFolder = (data: string, schema: string): string => join(data, "spaces", schema);

/** A space's tables as they are, without looking whether they are up to date. */
export function spaceStore(
  pool: Pool,
  schema: string,
  data: string,
  kept: PhotosKept,
): Store & { readonly db: Database } {
  const place: Place = { schema, journal: schema };
  const folder = spaceFolder(data, schema);
  const db = spaceDatabase(pool, schema);
  const files = photoFilesIn(folder);
  return { ...storeIn(db, folder, place, kept === "folder" ? files : photosInDatabase(pool, schema, files)), db };
}

/**
 * Opens a painter's space: makes its tables or brings them up to date, after a copy; of several processes one does, and
 * lays out what a new space begins with. Throws MadeByNewer.
 * @param begin lays out what a new space begins with
 */
export async function openSpace(
  pools: Pools,
  schema: string,
  data: string,
  kept: PhotosKept,
  begin: (store: Store) => Promise<void>,
): Promise<Store> {
  const place: Place = { schema, journal: schema };
  const store = spaceStore(pools.pool, schema, data, kept);
  await alone(pools, schema, async () => {
    const { db, keeping } = store;
    await db.execute(sql`create schema if not exists ${sql.identifier(schema)}`);
    if (await isNewer(db, place)) throw new MadeByNewer();
    const done = await migrationsDone(db, place);
    if (done > 0 && done < allMigrations().length) await keeping.copies.make("before a new version");
    if (done < allMigrations().length) await db.transaction((tx) => migrateWithin(tx, place));
    await begin(store);
  });
  return store;
}
