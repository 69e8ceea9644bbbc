import { randomInt } from "node:crypto";
import { sql } from "drizzle-orm";
import type { Database } from "./database";
import { EMBEDDED, migrateWithin, migrationsDone, othersTurn, rowsOf, type Place } from "./migrations";

/** A table's rows as open data: a line of JSON for each, as PostgreSQL writes it. */
export interface TableRows {
  readonly name: string;
  readonly lines: readonly string[];
}

/** The same to be put back: read through as often as it is asked for, so that a large table is never held whole. */
export interface RowsToRead {
  readonly name: string;
  readonly lines: () => AsyncIterable<string>;
}

/** Tables of a schema, those first that others point at. */
async function tablesOf(db: Database, schema: string): Promise<string[]> {
  const tables = await rowsOf<{ name: string }>(
    db,
    sql`select relname as name from pg_class where relkind = 'r' and relnamespace = ${schema}::text::regnamespace
        and relname <> '__drizzle_migrations' order by relname`,
  );
  const points = await rowsOf<{ from: string; to: string }>(
    db,
    sql`select a.relname as "from", b.relname as "to" from pg_constraint c
        join pg_class a on a.oid = c.conrelid join pg_class b on b.oid = c.confrelid
        where c.contype = 'f' and c.connamespace = ${schema}::text::regnamespace and a.oid <> b.oid`,
  );
  const left = new Set(tables.map(({ name }) => name));
  const ordered: string[] = [];
  while (left.size > 0) {
    const ready = [...left].filter((name) => !points.some(({ from, to }) => from === name && left.has(to)));
    if (ready.length === 0) throw new Error("Tables point at each other in a circle.");
    for (const name of ready) left.delete(name);
    ordered.push(...ready);
  }
  return ordered;
}

const tableIn = (schema: string, name: string) => sql`${sql.identifier(schema)}.${sql.identifier(name)}`;

/** So many blocks of a table are read in one piece (8 KB each, without what lies out of line). */
const PIECE_BLOCKS = 16;

/** A table's rows, a piece at a time, in the order of their texts. */
async function linesOf(db: Database, schema: string, name: string): Promise<string[]> {
  const table = tableIn(schema, name);
  const [{ blocks }] = (await rowsOf<{ blocks: number }>(
    db,
    sql`select (pg_relation_size(${`"${schema}"."${name}"`}) / current_setting('block_size')::int)::int as blocks`,
  )) as [{ blocks: number }];
  const lines: string[] = [];
  for (let from = 0; from < blocks; from += PIECE_BLOCKS) {
    const rows = await rowsOf<{ line: string }>(
      db,
      sql`select to_jsonb(t)::text as line from ${table} t
          where ctid >= ${`(${from},0)`}::tid and ctid < ${`(${from + PIECE_BLOCKS},0)`}::tid`,
    );
    for (const { line } of rows) lines.push(line);
    await othersTurn();
  }
  return lines.sort();
}

/** All rows of a store, whatever version its tables are of. */
async function rowsWithin(db: Database, schema: string): Promise<TableRows[]> {
  const tables: TableRows[] = [];
  for (const name of await tablesOf(db, schema)) tables.push({ name, lines: await linesOf(db, schema, name) });
  return tables;
}

/** Rises with everything that is written. */
async function writesSoFar(db: Database): Promise<string> {
  const [row] = await rowsOf<{ writes: string }>(
    db,
    sql`select pg_snapshot_xmax(pg_current_snapshot())::text as writes`,
  );
  return row!.writes;
}

/** So often rows are read in the hope that nobody writes meanwhile. */
const QUIET_TRIES = 2;

/** All rows of a store as they stand at one moment. */
export async function readAllRows(db: Database, { schema }: Pick<Place, "schema">): Promise<TableRows[]> {
  // The embedded database has one connection: a transaction of seconds would keep everybody waiting. Where nothing was
  // written meanwhile, pieces are of one moment as well.
  for (let tries = 0; schema === EMBEDDED.schema && tries < QUIET_TRIES; tries++) {
    const before = await writesSoFar(db);
    const tables = await rowsWithin(db, schema).catch((error: unknown) => error);
    if ((await writesSoFar(db)) !== before) continue;
    if (!Array.isArray(tables)) throw tables;
    return tables as TableRows[];
  }
  return db.transaction((tx) => rowsWithin(tx, schema), { isolationLevel: "repeatable read", accessMode: "read only" });
}

/** The records of a store as they were when something else took their place. */
export interface Replaced {
  readonly tables: readonly TableRows[];
  readonly migrations: number;
}

/** Rows that are sent to the database in one piece, in characters. */
const PIECE_LETTERS = 200_000;

/** Puts rows into a table of a schema, a piece at a time. */
export async function insertLines(tx: Database, schema: string, { name, lines }: RowsToRead): Promise<void> {
  const table = tableIn(schema, name);
  let piece: string[] = [];
  let letters = 0;
  const send = async (): Promise<void> => {
    if (piece.length === 0) return;
    await tx.execute(
      sql`insert into ${table} overriding system value
          select * from jsonb_populate_recordset(null::${table}, ${`[${piece.join(",")}]`}::jsonb)`,
    );
    [piece, letters] = [[], 0];
    await othersTurn();
  };
  for await (const line of lines()) {
    piece.push(line);
    letters += line.length;
    if (letters > PIECE_LETTERS) await send();
  }
  await send();
}

/** Numbers that the database counts on by itself go on behind those that are there. */
async function countOn(tx: Database, schema: string): Promise<void> {
  const counted = await rowsOf<{ table: string; column: string }>(
    tx,
    sql`select c.relname as "table", a.attname as "column" from pg_attribute a join pg_class c on c.oid = a.attrelid
        where a.attidentity <> '' and c.relkind = 'r' and c.relnamespace = ${schema}::text::regnamespace`,
  );
  for (const { table, column } of counted)
    await tx.execute(
      sql`select setval(pg_get_serial_sequence(${`"${schema}"."${table}"`}, ${column}),
          coalesce((select max(${sql.identifier(column)}) from ${tableIn(schema, table)}), 0) + 1, false)`,
    );
}

/** The rows don't fit the tables of the version that they are said to be of. */
export class RowsUnfit extends Error {}

/** Tables whose rows tell by a stamp which save they are (model: SaveStamp). */
const STAMPED = ["paintbox", "paintings", "log_entries"] as const;
/** How far behind all that were given out revisions may go on after something was put back. */
const REVISION_LEAP = 2 ** 16;

const greatestRevision = (schema: string) =>
  sql.join(
    STAMPED.map((name) => sql`coalesce((select max(revision) from ${tableIn(schema, name)}), 0)`),
    sql`, `,
  );

/**
 * Gives all documents that are put back stamps that nobody was given before: no window that was open meanwhile may
 * take one of them for the document that it has. Their revisions go on behind all that are there, by a leap that also
 * passes those of documents which had been removed.
 */
async function stampAnew(tx: Database, schema: string, before: string | null): Promise<void> {
  const [{ last }] = (await rowsOf<{ last: number }>(
    tx,
    sql`select greatest(${greatestRevision(schema)}${before === null ? sql`` : sql`, ${greatestRevision(before)}`}) as last`,
  )) as [{ last: number }];
  const revision = last + 1 + randomInt(REVISION_LEAP);
  for (const name of STAMPED)
    await tx.execute(sql`update ${tableIn(schema, name)} set revision = ${revision}, writer = null, step = 0`);
}

/** What PostgreSQL says where two wait for each other, or one for too long (its manual, appendix A). */
const IN_THE_WAY = /^(40P01|55P03)$/;
const TRIES = 5;

/** Whether an error, or what it was made from, has one of PostgreSQL's codes. */
export function hasCode(error: unknown, code: RegExp): boolean {
  for (let at = error; at instanceof Error; at = at.cause)
    if ("code" in at && typeof at.code === "string" && code.test(at.code)) return true;
  return false;
}

/**
 * Puts rows in a store's place, whole or not at all: tables as they were when the rows were written out, the rows, and
 * then all later migrations, beside what is there; then it takes its place. Throws RowsUnfit, or what the database says
 * of rows that it can't take.
 *
 * What was there is handed to `keep` first, within the same step: a save that was acknowledged is in it, or waits and
 * then meets what was put back. Where `keep` throws, nothing is changed.
 * @param migrations how many migrations the rows had been through
 */
export async function replaceAllRows(
  db: Database,
  place: Place,
  migrations: number,
  tables: readonly RowsToRead[],
  keep: (replaced: Replaced) => Promise<void>,
): Promise<void> {
  for (let tries = 1; ; tries++)
    try {
      return await replaceOnce(db, place, migrations, tables, keep);
    } catch (error) {
      // A save that was under way held what this waited for, and waited for this.
      if (tries === TRIES || !hasCode(error, IN_THE_WAY)) throw error;
    }
}

async function replaceOnce(
  db: Database,
  place: Place,
  migrations: number,
  tables: readonly RowsToRead[],
  keep: (replaced: Replaced) => Promise<void>,
): Promise<void> {
  const aside: Place = { schema: `${place.schema}_aside`, journal: `${place.schema}_aside` };
  await db.transaction(async (tx) => {
    const there = await tablesOf(tx, place.schema);
    // Those first that saves take first.
    const ordered = [...STAMPED.filter((name) => there.includes(name)), ...there];
    for (const name of new Set(ordered))
      await tx.execute(sql`lock table ${tableIn(place.schema, name)} in share row exclusive mode`);
    await keep({ tables: await rowsWithin(tx, place.schema), migrations: await migrationsDone(tx, place) });
    await tx.execute(sql`drop schema if exists ${sql.identifier(aside.schema)} cascade`);
    await tx.execute(sql`create schema ${sql.identifier(aside.schema)}`);
    await tx.execute(sql`set local search_path to ${sql.identifier(aside.schema)}`);
    await migrateWithin(tx, aside, migrations);
    const expected = await tablesOf(tx, aside.schema);
    const given = new Map(tables.map((table) => [table.name, table]));
    if (expected.length !== given.size || expected.some((name) => !given.has(name))) throw new RowsUnfit();
    for (const name of expected) await insertLines(tx, aside.schema, given.get(name)!);
    await countOn(tx, aside.schema);
    await migrateWithin(tx, aside);
    await stampAnew(tx, aside.schema, there.length > 0 ? place.schema : null);
    await tx.execute(sql`drop schema ${sql.identifier(place.schema)} cascade`);
    if (place.journal !== place.schema)
      await tx.execute(sql`drop table ${sql.identifier(aside.schema)}.__drizzle_migrations`);
    await tx.execute(sql`alter schema ${sql.identifier(aside.schema)} rename to ${sql.identifier(place.schema)}`);
    await tx.execute(sql`set local search_path to ${sql.identifier(place.schema)}`);
  });
}
