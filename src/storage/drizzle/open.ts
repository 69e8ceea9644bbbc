import { programFile } from "../program-folder";
import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { PGlite } from "@electric-sql/pglite";
import { drizzle } from "drizzle-orm/pglite";
import { migrate } from "drizzle-orm/pglite/migrator";
import type { Database } from "./database";
import * as schema from "./schema";

/** An open database and how to close it. */
export interface OpenDatabase {
  readonly db: Database;
  readonly close: () => Promise<void>;
}

/** Opens PGlite in `folder` (or in memory without one) and brings its tables up to date. */
export async function openDatabase(folder?: string): Promise<OpenDatabase> {
  if (folder) mkdirSync(folder, { recursive: true });
  const client = folder ? await PGlite.create(join(folder, "postgres")) : await PGlite.create();
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: programFile("src", "storage", "drizzle", "migrations") });
  return { db, close: () => client.close() };
}
