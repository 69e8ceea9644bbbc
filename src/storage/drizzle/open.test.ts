import { existsSync, mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { sql } from "drizzle-orm";
import { afterEach, expect, test, vi } from "vitest";
import { createLogEntry, listLogEntries } from "./logbook";
import { newLogEntry } from "@/model/logbook";
import { rowsOf } from "./migrations";
import { openDatabase } from "./open";

/** The number that PostgreSQL gives a database when it is made; a copy keeps it (its manual, pg_control_system). */
async function madeAs(folder: string): Promise<string> {
  const { db, close } = await openDatabase(folder);
  try {
    await createLogEntry(
      db,
      "11111111-1111-4111-8111-111111111111",
      newLogEntry({ kind: "swatch", on: "2026-03-04", paperId: "cotton-rough" }),
    );
    expect((await listLogEntries(db)).length).toBe(1);
    const [row] = await rowsOf<{ id: string }>(db, sql`select system_identifier::text as id from pg_control_system()`);
    return row!.id;
  } finally {
    await close();
  }
}

const folders: string[] = [];
const fresh = (): string => {
  folders.push(mkdtempSync(join(tmpdir(), "abendrot-open-")));
  return folders.at(-1)!;
};
afterEach(() => {
  vi.unstubAllEnvs();
  for (const folder of folders.splice(0)) rmSync(folder, { recursive: true, force: true });
});

test("new folders begin as copies of the empty database that lies ready; where none does, one is made", async () => {
  expect(existsSync(process.env.ABENDROT_EMPTY_DATABASE!)).toBe(true);
  const copied = await madeAs(fresh());
  expect(await madeAs(fresh())).toBe(copied);
  vi.stubEnv("ABENDROT_EMPTY_DATABASE", join(fresh(), "none"));
  expect(await madeAs(fresh())).not.toBe(copied);
});
