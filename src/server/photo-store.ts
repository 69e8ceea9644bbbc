import { randomUUID } from "node:crypto";
import { mkdir, open, readFile, rename, rm } from "node:fs/promises";
import { join } from "node:path";
import type { Database } from "@/db/database";
import { addPhoto } from "@/db/photos";
import type { ReadPhoto } from "./photo-file";

const photoFolder = (data: string, id: string): string => join(data, "photos", id);
const WORKING = "working.webp";

async function writeSynced(path: string, bytes: Buffer): Promise<void> {
  const file = await open(path, "wx");
  try {
    await file.writeFile(bytes);
    await file.sync();
  } finally {
    await file.close();
  }
}

/**
 * Keeps a photo: its files first, written aside and moved into place whole, then its record. A
 * crash in between leaves at worst an unused folder, never half a photo.
 */
export async function storePhoto(db: Database, data: string, photo: ReadPhoto, fileName: string): Promise<void> {
  const place = photoFolder(data, photo.id);
  const aside = join(data, "photos", `.${randomUUID()}`);
  await mkdir(aside, { recursive: true });
  try {
    await writeSynced(join(aside, `original.${photo.format}`), photo.original);
    await writeSynced(join(aside, WORKING), photo.working);
    await rename(aside, place).catch((error: NodeJS.ErrnoException) => {
      // The same photo is already there: its content is its name.
      if (error.code !== "ENOTEMPTY" && error.code !== "EEXIST") throw error;
    });
  } finally {
    await rm(aside, { recursive: true, force: true });
  }
  const { id, format, widthPx, heightPx, workingWidthPx, workingHeightPx, original } = photo;
  await addPhoto(db, { id, fileName, format, widthPx, heightPx, workingWidthPx, workingHeightPx, bytes: original.length });
}

/** The working copy of a stored photo (lossless WebP). */
export function readWorkingCopy(data: string, id: string): Promise<Buffer<ArrayBuffer>> {
  return readFile(join(photoFolder(data, id), WORKING));
}
