import { mkdirSync } from "node:fs";
import { join } from "node:path";
import { PGlite } from "@electric-sql/pglite";
import { drizzle } from "drizzle-orm/pglite";
import { migrate } from "drizzle-orm/pglite/migrator";
import { openDatabase, type OpenDatabase } from "@/storage/drizzle/open";
import * as schema from "@/storage/drizzle/schema";
import { cutPower } from "@/testing/power-cuts";

const CUTS = 24;

/** PGlite as it comes: nothing is synced. */
async function openUnsynced(folder: string): Promise<OpenDatabase> {
  mkdirSync(folder, { recursive: true });
  const client = await PGlite.create(join(folder, "postgres"));
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: "src/storage/drizzle/migrations" });
  return { db, close: () => client.close() };
}

/** What a power cut leaves of the database, beside PGlite as it comes, and what syncing costs. */
export async function benchPowerCut(): Promise<void> {
  console.log(`Power cuts, ${CUTS} each: pages written since the last sync are found old or new, as a coin falls.`);
  for (const [name, open] of [
    ["as PGlite comes", openUnsynced],
    ["synced", openDatabase],
  ] as const) {
    for (const when of ["saving", "closed"] as const) {
      const { opened, whole, syncs, saves } = await cutPower(open, { cuts: CUTS, saves: 80, when, seed: 7 });
      console.log(
        `  ${name}, cut ${when === "saving" ? "while saving" : "after a clean stop"}: ${opened} of ${CUTS} open, ` +
          `${whole} with every acknowledged save (${syncs} syncs over ${saves} saves)`,
      );
    }
  }
}
