import { randomUUID } from "node:crypto";
import { copyFile, mkdir, open, readFile, rename, rm } from "node:fs/promises";
import { join } from "node:path";
import type { Database } from "@/db/database";
import { addPhoto, type PhotoRow } from "@/db/photos";
import type { PhotoFormat } from "./developing/photo-format";
import { closeCopy, readPhoto, smallCopy, type ReadPhoto } from "./developing/read-photo";

const photoFolder = (data: string, id: string): string => join(data, "photos", id);

/** The copies made from a stored original: the one that is measured, one for going close, one for lists. */
export const COPIES = { working: "working-p3.png", close: "close-p3.jpg", small: "small.jpg" } as const;
export type PhotoCopy = keyof typeof COPIES;

async function writeSynced(path: string, bytes: Buffer): Promise<void> {
  const file = await open(path, "wx");
  try {
    await file.writeFile(bytes);
    await file.sync();
  } finally {
    await file.close();
  }
}

async function syncFile(path: string): Promise<void> {
  const file = await open(path);
  await file.sync().finally(() => file.close());
}

/**
 * Keeps a photo: its files first, written aside and moved into place whole, then its record. A
 * crash in between leaves at worst an unused folder, never half a photo. The original is copied
 * byte for byte from `path`.
 */
export async function storePhoto(db: Database, data: string, photo: ReadPhoto, path: string, fileName: string): Promise<void> {
  const place = photoFolder(data, photo.id);
  const aside = join(data, "photos", `.${randomUUID()}`);
  await mkdir(aside, { recursive: true });
  try {
    const original = join(aside, `original.${photo.format}`);
    await copyFile(path, original);
    await syncFile(original);
    await writeSynced(join(aside, COPIES.working), photo.working);
    await rename(aside, place).catch((error: NodeJS.ErrnoException) => {
      // The same photo is already there: its content is its name.
      if (error.code !== "ENOTEMPTY" && error.code !== "EEXIST") throw error;
    });
  } finally {
    await rm(aside, { recursive: true, force: true });
  }
  const { id, format, widthPx, heightPx, workingWidthPx, workingHeightPx, bytes } = photo;
  await addPhoto(db, { id, fileName, format, widthPx, heightPx, workingWidthPx, workingHeightPx, bytes });
}

/** A copy that is made at its first use, and kept. */
async function makeCopy(data: string, photo: Pick<PhotoRow, "id" | "format">, copy: PhotoCopy): Promise<Buffer> {
  const original = join(photoFolder(data, photo.id), `original.${photo.format}`);
  if (copy === "close") return closeCopy(original, photo.format as PhotoFormat);
  if (copy === "small") return smallCopy(await readCopy(data, photo, "working"));
  // Kept by an earlier Abendrot, whose working copies were sRGB: developed anew from the original.
  return (await readPhoto(original)).working;
}

/** A copy of a stored photo, made from its original if it is not there yet. */
export async function readCopy(data: string, photo: Pick<PhotoRow, "id" | "format">, copy: PhotoCopy): Promise<Buffer<ArrayBuffer>> {
  const path = join(photoFolder(data, photo.id), COPIES[copy]);
  const kept = await readFile(path).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== "ENOENT") throw error;
    return null;
  });
  if (kept) return kept;
  const made = Buffer.from(await makeCopy(data, photo, copy));
  const aside = join(photoFolder(data, photo.id), `.${randomUUID()}`);
  await writeSynced(aside, made);
  await rename(aside, path);
  return made;
}
