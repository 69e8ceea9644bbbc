import { readMigrationFiles } from "drizzle-orm/migrator";
import { sql } from "drizzle-orm";
import { programFile } from "../program-folder";
import type { Database } from "./database";

/** Where a store's tables stand in a database, and where the migrations that made them are noted. */
export interface Place {
  readonly schema: string;
  readonly journal: string;
}

/** In the embedded database, as every Abendrot has had it. */
export const EMBEDDED: Place = { schema: "public", journal: "drizzle" };

const JOURNAL_TABLE = "__drizzle_migrations";

interface Migration {
  readonly sql: readonly string[];
  readonly hash: string;
  readonly folderMillis: number;
}

let read: readonly Migration[] | undefined;

/** All migrations in order. They name no schema, so that each store's tables stand where its search path begins. */
export function allMigrations(): readonly Migration[] {
  read ??= readMigrationFiles({ migrationsFolder: programFile("src", "storage", "drizzle", "migrations") }).map(
    (migration) => ({ ...migration, sql: migration.sql.map((statement) => statement.replaceAll('"public".', "")) }),
  );
  return read;
}

const journalOf = ({ journal }: Pick<Place, "journal">) =>
  sql`${sql.identifier(journal)}.${sql.identifier(JOURNAL_TABLE)}`;

/** Rows of a raw query, whichever driver gave them. */
export async function rowsOf<Row>(db: Database, query: ReturnType<typeof sql>): Promise<Row[]> {
  const answer: unknown = await db.execute(query);
  return (answer as { rows: Row[] }).rows;
}

/** How many migrations a store has been through; none for one that is not there. */
export async function migrationsDone(db: Database, place: Place): Promise<number> {
  const [there] = await rowsOf<{ found: string | null }>(
    db,
    sql`select to_regclass(${`"${place.journal}"."${JOURNAL_TABLE}"`})::text as found`,
  );
  if (!there?.found) return 0;
  const [last] = await rowsOf<{ at: string | number | null }>(
    db,
    sql`select max(created_at) as at from ${journalOf(place)}`,
  );
  return allMigrations().filter(({ folderMillis }) => folderMillis <= Number(last?.at ?? 0)).length;
}

/** Whether a store has been through migrations that this program does not know: a newer one made it. */
export async function isNewer(db: Database, place: Place): Promise<boolean> {
  if ((await migrationsDone(db, place)) === 0) return false;
  const hashes = await rowsOf<{ hash: string }>(db, sql`select hash from ${journalOf(place)}`);
  const known = new Set(allMigrations().map(({ hash }) => hash));
  return hashes.some(({ hash }) => !known.has(hash));
}

/** Lets others be answered: the embedded database answers within the turn, and would keep them waiting. */
export const othersTurn = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/**
 * Brings a store's tables up to a migration (all by default), in the transaction that it is given; the search path
 * begins with the store's schema there. Notes them as Drizzle's own migrator does.
 */
export async function migrateWithin(tx: Database, place: Place, upTo = allMigrations().length): Promise<void> {
  await tx.execute(sql`create schema if not exists ${sql.identifier(place.journal)}`);
  await tx.execute(
    sql`create table if not exists ${journalOf(place)} (id serial primary key, hash text not null, created_at bigint)`,
  );
  const done = await migrationsDone(tx, place);
  for (const { sql: statements, hash, folderMillis } of allMigrations().slice(done, upTo)) {
    for (const statement of statements) {
      if (statement.trim() !== "") await tx.execute(sql.raw(statement));
      await othersTurn();
    }
    await tx.execute(sql`insert into ${journalOf(place)} (hash, created_at) values (${hash}, ${folderMillis})`);
  }
}
