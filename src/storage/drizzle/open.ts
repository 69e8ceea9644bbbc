import { existsSync, mkdirSync } from "node:fs";
import { cp } from "node:fs/promises";
import { join } from "node:path";
import { PGlite } from "@electric-sql/pglite";
import { drizzle } from "drizzle-orm/pglite";
import { syncTree } from "../folder/sync-tree";
import { NamedError } from "../named-error";
import type { Database } from "./database";
import { allMigrations, EMBEDDED, isNewer, migrateWithin, migrationsDone } from "./migrations";
import * as schema from "./schema";
import { SyncedFiles, syncedStartParams } from "./synced-files";

/** An open database and how to close it. */
export interface OpenDatabase {
  readonly db: Database;
  readonly close: () => Promise<void>;
}

/** Old log is kept no longer than it is needed: segments are 16 MB (PostgreSQL manual, WAL configuration). */
const SHORT_LOG = ["-c", "min_wal_size=32MB", "-c", "max_wal_size=64MB"];

/** Pages held in memory: a painter's years are some tens of megabytes, and the system holds files in its own. */
const FEW_BUFFERS = ["-c", "shared_buffers=16MB"];

/**
 * A database without tables that new ones begin as a copy of (scripts/empty-database.mjs): PostgreSQL takes seconds to
 * make one. Null where none lies ready.
 */
const readyMade = (): string | null => {
  const path = process.env.ABENDROT_EMPTY_DATABASE;
  return path && existsSync(path) ? path : null;
};

/** PGlite on a folder, all of it on the disk before anything is acknowledged. */
async function openFiles(folder: string): Promise<PGlite> {
  const ready = readyMade();
  // A copy that is broken off is not marked as made, and cleared at the next start (folder/data-folder.ts).
  if (ready && !existsSync(folder)) await cp(ready, folder, { recursive: true });
  const files = new SyncedFiles(folder);
  const client = await PGlite.create({
    fs: files,
    startParams: [...syncedStartParams(), ...SHORT_LOG, ...FEW_BUFFERS],
  });
  // What was made just now, or by an Abendrot that did not sync.
  await syncTree(folder);
  return client;
}

/** The database has been through migrations that this program does not know. */
export class MadeByNewer extends NamedError {
  static override readonly kind = "MadeByNewer";
}

/**
 * Opens PGlite in `folder` (or in memory without one) and brings its tables up to date. Throws MadeByNewer.
 * @param beforeMigrating called before tables that are in use are changed
 */
export async function openDatabase(
  folder?: string,
  beforeMigrating: (db: Database) => Promise<void> = async () => {},
): Promise<OpenDatabase> {
  if (folder && !existsSync(folder)) mkdirSync(folder, { recursive: true });
  const client = folder ? await openFiles(join(folder, "postgres")) : await PGlite.create();
  try {
    const db = drizzle(client, { schema });
    if (await isNewer(db, EMBEDDED)) throw new MadeByNewer();
    const done = await migrationsDone(db, EMBEDDED);
    if (done > 0 && done < allMigrations().length) await beforeMigrating(db);
    if (done < allMigrations().length) await db.transaction((tx) => migrateWithin(tx, EMBEDDED));
    return { db, close: () => client.close() };
  } catch (error) {
    await client.close().catch(() => {});
    throw error;
  }
}
