import { randomUUID } from "node:crypto";
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { seededRandom } from "@/core/numeric/random";
import { newLogEntry } from "@/model/logbook";
import type { Database } from "@/storage/drizzle/database";
import { createLogEntry, listLogEntries } from "@/storage/drizzle/logbook";
import type { OpenDatabase } from "@/storage/drizzle/open";
import { upkeepOf } from "@/storage/drizzle/upkeep";
import { layTables } from "./database";
import { PowerCutDisk } from "./power-cut";

/** What was found after the power had been cut. */
export interface AfterCuts {
  readonly cuts: number;
  /** Folders whose database opened. */
  readonly opened: number;
  /** Folders whose database opened with every save that had been acknowledged. */
  readonly whole: number;
  readonly syncs: number;
  readonly saves: number;
}

/** Saves of a painter's session; long words, so that they fill pages. */
async function save(db: Database, saved: string[]): Promise<void> {
  const id = randomUUID();
  const words = `${id} `.repeat(60);
  await createLogEntry(
    db,
    id,
    newLogEntry({ kind: "swatch", on: "2026-03-04", paperId: "cotton-rough", notes: words }),
  );
  saved.push(id);
}

/**
 * Saves into a database while the power is cut at moments chosen by chance, or after it was closed; opens what each
 * cut might have left, and looks for every save that had been acknowledged.
 */
export async function cutPower(
  openFolder: (folder: string) => Promise<OpenDatabase>,
  { cuts, saves, when, seed }: { cuts: number; saves: number; when: "saving" | "closed"; seed: number },
): Promise<AfterCuts> {
  const random = seededRandom(seed);
  const folder = mkdtempSync(join(tmpdir(), "abendrot-cut-"));
  const data = join(folder, "data");
  const kept: { at: string; saved: readonly string[] }[] = [];
  try {
    await layTables(data);
    const disk = new PowerCutDisk(data);
    const saved: string[] = [];
    const cut = (): void => {
      const at = join(folder, `cut-${kept.length}`);
      kept.push({ at, saved: [...saved] });
      disk.cut(at, random);
    };
    try {
      const { db, close } = await openFolder(data);
      const upkeep = upkeepOf(db, (error) => {
        throw error;
      });
      for (let i = 0; i < saves; i++) {
        // Somewhere in the writes of this save, or of the clearing behind it.
        const cutHere = when === "saving" && kept.length < cuts && random() < (cuts - kept.length) / (saves - i);
        let left = cutHere ? Math.floor(random() * 8) : Infinity;
        disk.beforeWrite = () => void (left-- === 0 && cut());
        await save(db, saved);
        if (i % 10 === 9) await upkeep.clear();
        if (cutHere && left >= 0) cut();
        disk.beforeWrite = () => {};
      }
      await close();
      if (when === "closed") while (kept.length < cuts) cut();
    } finally {
      disk.end();
    }
    let [opened, whole] = [0, 0];
    for (const { at, saved: acknowledged } of kept) {
      const found = await openFolder(at).catch(() => null);
      if (!found) continue;
      const there = await listLogEntries(found.db).catch(() => null);
      await found.close().catch(() => {});
      if (!there) continue;
      opened++;
      const ids = new Set(there.map(({ id }) => id));
      if (acknowledged.every((id) => ids.has(id))) whole++;
    }
    return { cuts: kept.length, opened, whole, syncs: disk.syncs, saves };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
