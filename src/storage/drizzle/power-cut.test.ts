import { randomBytes } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { sql } from "drizzle-orm";
import { expect, test } from "vitest";
import { newLogEntry } from "@/model/logbook";
import { openUnsynced } from "@/testing/database";
import { cutPower } from "@/testing/power-cuts";
import type { Database } from "./database";
import { createLogEntry } from "./logbook";
import { rowsOf } from "./migrations";
import { openDatabase } from "./open";
import { upkeepOf } from "./upkeep";

test("after a power cut every folder opens with every save that was acknowledged", async () => {
  const found = await cutPower(openDatabase, { cuts: 4, saves: 24, when: "saving", seed: 3 });
  expect(found).toMatchObject({ cuts: 4, opened: 4, whole: 4 });
  expect(found.syncs).toBeGreaterThanOrEqual(found.saves);
});

test("the same cuts lose a database that nothing is synced of: the disk that they are made on can tell", async () => {
  const found = await cutPower(openUnsynced, { cuts: 2, saves: 12, when: "closed", seed: 3 });
  expect(found.syncs).toBe(0);
  expect(found.whole).toBeLessThan(2);
});

const sizeOf = async (db: Database): Promise<number> =>
  Number((await rowsOf<{ size: string }>(db, sql`select pg_database_size(current_database()) as size`))[0]!.size);

test("saves upon saves of the same thing don't make it grow: what they leave is cleared when nobody writes", async () => {
  const folder = mkdtempSync(join(tmpdir(), "abendrot-upkeep-"));
  const { db, close } = await openDatabase(folder);
  try {
    const upkeep = upkeepOf(
      db,
      (error) => {
        throw error;
      },
      1,
    );
    const entry = newLogEntry({
      kind: "swatch",
      on: "2026-03-04",
      paperId: "cotton-rough",
      notes: randomBytes(900).toString("hex"),
    });
    const id = "11111111-1111-4111-8111-111111111111";
    await createLogEntry(db, id, entry);
    const replace = async (times: number): Promise<void> => {
      for (let i = 0; i < times; i++) {
        await db.execute(
          sql`update log_entries set document = document || ${`{"stars":${i % 3},"title":"${randomBytes(900).toString("hex")}"}`}::jsonb`,
        );
        upkeep.saved();
      }
    };
    const began = await sizeOf(db);
    await replace(90);
    const uncleared = (await sizeOf(db)) - began;
    for (let round = 0; round < 4; round++) {
      await upkeep.clear();
      await replace(90);
    }
    expect(uncleared).toBeGreaterThan(100_000);
    expect((await sizeOf(db)) - began).toBeLessThan(1.5 * uncleared);
    upkeep.stop();
  } finally {
    await close();
    rmSync(folder, { recursive: true, force: true });
  }
});
