import { randomUUID } from "node:crypto";
import { mkdtempSync, readdirSync, rmSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { PAPERS } from "@/core/optics";
import { newArea, newPainting, type PaintingDocument } from "@/model/painting";
import { createPainting, savePainting } from "@/storage/drizzle/paintings";
import { addPhoto } from "@/storage/drizzle/photos";
import { upkeepOf } from "@/storage/drizzle/upkeep";
import { openDatabase, type OpenDatabase } from "@/storage/drizzle/open";
import { openUnsynced } from "@/testing/database";
import { cutPower } from "@/testing/power-cuts";

const CUTS = 24;

const SAVES = 5000;

/** Milliseconds of a save, and what a folder grows by over thousands of them. */
async function saveMany(open: (folder: string) => Promise<OpenDatabase>, clears: boolean) {
  const folder = mkdtempSync(join(tmpdir(), "abendrot-saves-"));
  const { db, close } = await open(folder);
  const upkeep = upkeepOf(db, (error) => {
    throw error;
  });
  const began = sizeOf(folder);
  const id = await createPainting(db, await photoFor(db), sheetOfAreas());
  const writer = randomUUID();
  const start = performance.now();
  for (let step = 1; step <= SAVES; step++) {
    const document = { ...sheetOfAreas(), title: `Save ${step}` };
    await savePainting(db, id, { revision: 0, writer, step }, document);
    if (clears) upkeep.saved();
  }
  const ms = (performance.now() - start) / SAVES;
  if (clears) await upkeep.clear();
  const grown = sizeOf(folder) - began;
  upkeep.stop();
  await close();
  rmSync(folder, { recursive: true, force: true });
  return { ms, grownMb: grown / 1e6 };
}

function sizeOf(folder: string): number {
  return readdirSync(folder, { withFileTypes: true }).reduce((sum, entry) => {
    const path = join(folder, entry.name);
    return sum + (entry.isDirectory() ? sizeOf(path) : statSync(path).size);
  }, 0);
}

async function photoFor(db: OpenDatabase["db"]): Promise<string> {
  const id = "a".repeat(64);
  const size = { widthPx: 3, heightPx: 2, workingWidthPx: 3, workingHeightPx: 2 };
  await addPhoto(db, { id, fileName: "x.jpg", format: "jpeg", bytes: 9, ...size });
  return id;
}

const sheetOfAreas = (): PaintingDocument => ({
  ...newPainting("Canal", PAPERS[0].id),
  areas: Array.from({ length: 12 }, (_, i) =>
    newArea({
      id: randomUUID(),
      name: `Area ${i}`,
      sample: { x: 0.5, y: 0.5, radius: 0.004 },
      lab: { L: 50, a: 0, b: 0 },
    }),
  ),
});

/** What a power cut leaves of the database, beside PGlite as it comes; what syncing and clearing cost and save. */
export async function benchPowerCut(row: (name: string, text: string) => void): Promise<void> {
  for (const [name, open] of [
    ["as PGlite comes", openUnsynced],
    ["synced", openDatabase],
  ] as const) {
    for (const when of ["saving", "closed"] as const) {
      const { opened, whole, syncs, saves } = await cutPower(open, { cuts: CUTS, saves: 80, when, seed: 7 });
      row(
        `power cut, ${name}, ${when === "saving" ? "while saving" : "after a clean stop"}`,
        `${opened} of ${CUTS} open, ${whole} with every acknowledged save (${syncs} syncs over ${saves} saves)`,
      );
    }
  }
  const plain = await saveMany(openUnsynced, false);
  const kept = await saveMany(openDatabase, true);
  row(
    `${SAVES} saves of a painting of 12 areas, one by one`,
    `${kept.ms.toFixed(1)} ms each, ${(kept.ms / plain.ms).toFixed(2)} times as long as unsynced`,
  );
  row("the folder grew by", `${kept.grownMb.toFixed(0)} MB; uncleared and unsynced by ${plain.grownMb.toFixed(0)}`);
}
