import { cpSync, existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { PGlite } from "@electric-sql/pglite";
import { drizzle } from "drizzle-orm/pglite";
import { openDatabase, type OpenDatabase } from "@/storage/drizzle/open";
import * as schema from "@/storage/drizzle/schema";

let template: Promise<string> | null = null;

/** A data folder whose database has all tables and no rows; made once for a process, which takes seconds. */
const emptyFolder = (): Promise<string> =>
  (template ??= (async () => {
    const folder = mkdtempSync(join(tmpdir(), "abendrot-tables-"));
    process.once("exit", () => rmSync(folder, { recursive: true, force: true }));
    await (await openDatabase(folder)).close();
    return folder;
  })());

/** Lays a database with all tables and no rows into a data folder. */
export async function layTables(folder: string): Promise<void> {
  cpSync(await emptyFolder(), folder, { recursive: true });
}

/** PGlite as it comes, which syncs nothing, on a data folder; tables are laid into one that has none. */
export async function openUnsynced(folder: string): Promise<OpenDatabase> {
  if (!existsSync(join(folder, "postgres"))) await layTables(folder);
  const client = await PGlite.create(join(folder, "postgres"));
  return { db: drizzle(client, { schema }), close: () => client.close() };
}

/** A database of one's own with all tables and no rows, gone when it is closed. */
export async function newDatabase(): Promise<OpenDatabase> {
  const folder = mkdtempSync(join(tmpdir(), "abendrot-database-"));
  const { db, close } = await openUnsynced(folder);
  return {
    db,
    close: async () => {
      await close();
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
