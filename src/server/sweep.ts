import { existsSync, readdirSync } from "node:fs";
import { rm } from "node:fs/promises";
import { join } from "node:path";
import type { Database } from "@/db/database";
import { findPhoto, listUnusedPhotos, removePhoto } from "@/db/photos";
import { DEMO_PHOTO_ID } from "./demo/photo-id";
import { ARRIVED, markUnrecorded, photosFolder } from "./photo-store";

/** A photo that nothing uses stays for a day: a card may be read from it, or a painting kept from another window. */
const UNUSED_MS = 24 * 3_600_000;

const entriesOf = (folder: string): string[] => (existsSync(photosFolder(folder)) ? readdirSync(photosFolder(folder)) : []);

/** Whether photos lie in the folder that the demo did not bring. */
export const hasOwnPhotos = (folder: string): boolean => entriesOf(folder).some((name) => !name.startsWith(".") && name !== DEMO_PHOTO_ID);

/**
 * Clears the photos' folder while nobody uses it: uploads that were broken off, photos whose record
 * was never written, photos that no painting and no measurement has used for a day. Photos that the
 * database knows nothing of, but which arrived whole, are left alone: an older copy of the database
 * may have been put back.
 */
export async function sweepPhotos(db: Database, folder: string, now: Date, say: (words: string) => void): Promise<{ readonly broken: number; readonly unused: number }> {
  let broken = 0;
  for (const name of entriesOf(folder)) {
    const place = join(photosFolder(folder), name);
    const arriving = existsSync(join(place, ARRIVED));
    if (arriving && (await findPhoto(db, name))) await rm(join(place, ARRIVED));
    else if (name.startsWith(".") || arriving) {
      await rm(place, { recursive: true, force: true });
      broken++;
    }
  }
  const unused = await listUnusedPhotos(db, new Date(now.getTime() - UNUSED_MS));
  for (const id of unused) {
    await markUnrecorded(folder, id);
    await removePhoto(db, id);
    await rm(join(photosFolder(folder), id), { recursive: true, force: true });
  }
  if (broken + unused.length > 0) say(`Cleared ${broken} uploads that were broken off and ${unused.length} photos that nothing uses any more.`);
  return { broken, unused: unused.length };
}
