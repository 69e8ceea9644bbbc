import { sql } from "drizzle-orm";
import type { Database } from "./database";
import { migrateWithin, rowsOf, type Place } from "./migrations";

/** A table's rows as open data: a line of JSON for each, as PostgreSQL writes it. */
export interface TableRows {
  readonly name: string;
  readonly lines: readonly string[];
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

/** All rows of a store as they stand at one moment, whatever version its tables are of. */
export async function readAllRows(db: Database, { schema }: Pick<Place, "schema">): Promise<TableRows[]> {
  return db.transaction(
    async (tx) => {
      const tables: TableRows[] = [];
      for (const name of await tablesOf(tx, schema)) {
        const rows = await rowsOf<{ line: string }>(
          tx,
          sql`select to_jsonb(t)::text as line from ${tableIn(schema, name)} t order by 1`,
        );
        tables.push({ name, lines: rows.map(({ line }) => line) });
      }
      return tables;
    },
    { isolationLevel: "repeatable read", accessMode: "read only" },
  );
}

/** Rows that are sent to the database in one piece, in characters. */
const PIECE_LETTERS = 2_000_000;

async function insertLines(tx: Database, schema: string, name: string, lines: readonly string[]): Promise<void> {
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
  };
  for (const line of lines) {
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

/**
 * Puts rows in a store's place, whole or not at all: tables as they were when the rows were written out, the rows, and
 * then all later migrations, beside what is there; then it takes its place. Throws RowsUnfit, or what the database says
 * of rows that it can't take.
 * @param migrations how many migrations the rows had been through
 */
export async function replaceAllRows(
  db: Database,
  place: Place,
  migrations: number,
  tables: readonly TableRows[],
): Promise<void> {
  const aside: Place = { schema: `${place.schema}_aside`, journal: `${place.schema}_aside` };
  await db.transaction(async (tx) => {
    await tx.execute(sql`drop schema if exists ${sql.identifier(aside.schema)} cascade`);
    await tx.execute(sql`create schema ${sql.identifier(aside.schema)}`);
    await tx.execute(sql`set local search_path to ${sql.identifier(aside.schema)}`);
    await migrateWithin(tx, aside, migrations);
    const expected = await tablesOf(tx, aside.schema);
    const given = new Map(tables.map((table) => [table.name, table.lines]));
    if (expected.length !== given.size || expected.some((name) => !given.has(name))) throw new RowsUnfit();
    for (const name of expected) await insertLines(tx, aside.schema, name, given.get(name)!);
    await countOn(tx, aside.schema);
    await migrateWithin(tx, aside);
    await tx.execute(sql`drop schema ${sql.identifier(place.schema)} cascade`);
    if (place.journal !== place.schema)
      await tx.execute(sql`drop table ${sql.identifier(aside.schema)}.__drizzle_migrations`);
    await tx.execute(sql`alter schema ${sql.identifier(aside.schema)} rename to ${sql.identifier(place.schema)}`);
    await tx.execute(sql`set local search_path to ${sql.identifier(place.schema)}`);
  });
}
