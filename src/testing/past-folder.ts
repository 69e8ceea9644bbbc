import { cpSync, mkdirSync, readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { gunzipSync } from "node:zlib";
import { PGlite } from "@electric-sql/pglite";
import { drizzle } from "drizzle-orm/pglite";
import { EMBEDDED, migrateWithin } from "@/storage/drizzle/migrations";
import { insertLines, type RowsToRead } from "@/storage/drizzle/rows";
import * as schema from "@/storage/drizzle/schema";

/**
 * What each past shape of the data looked like: all rows that the last program of that shape wrote when it laid out its
 * demo, got by running that program; "00" are those of the very first one. The name is the number of migrations that
 * the tables had been through. A new migration gets the rows of the program before it.
 */
const SHAPES = join(import.meta.dirname, "past-shapes");

export const PAST_SHAPES: readonly string[] = readdirSync(SHAPES)
  .map((name) => name.replace(".json.gz", ""))
  .sort();

/** Migrations that rows of a past shape had been through. */
export const migrationsOf = (shape: string): number => Math.max(1, Number(shape));

/** The first program's demo photo is not kept; the present one, of the same scene, stands for it. */
const FIRST_PHOTO = "ffcfe68796b36dc3bfe9ba407ccf8fa5d7e60a00eba0285a8fa6e9268bdaf365";
const DEMO_PHOTO = "0ebf242da458bb272ca8525cf050562ede263feb1a7abee6fd348be3d038477f";

/** The rows of a past shape. */
export function pastRows(shape: string): RowsToRead[] {
  const text = gunzipSync(readFileSync(join(SHAPES, `${shape}.json.gz`))).toString("utf8");
  const tables = JSON.parse(text.replaceAll(FIRST_PHOTO, DEMO_PHOTO)) as { name: string; lines: string[] }[];
  return tables.map(({ name, lines }) => ({
    name,
    async *lines() {
      yield* lines;
    },
  }));
}

/** Makes a data folder as the program of a past shape left it. */
export async function layPastFolder(folder: string, shape: string): Promise<void> {
  const client = await PGlite.create(join(folder, "postgres"));
  const db = drizzle(client, { schema });
  await db.transaction(async (tx) => {
    await migrateWithin(tx, EMBEDDED, migrationsOf(shape));
    const rows = new Map(pastRows(shape).map((table) => [table.name, table]));
    for (const name of ["photos", "paints", "paintings", ...rows.keys()]) {
      const table = rows.get(name);
      if (table && rows.delete(name)) await insertLines(tx, EMBEDDED.schema, table);
    }
  });
  await client.close();
  mkdirSync(join(folder, "photos", DEMO_PHOTO), { recursive: true });
  cpSync(join("src", "server", "demo", "pump-house.jpg"), join(folder, "photos", DEMO_PHOTO, "original.jpeg"));
}
