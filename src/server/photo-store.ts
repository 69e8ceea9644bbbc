import { randomUUID } from "node:crypto";
import { copyFile, mkdir, open, readFile, rename, rm, writeFile } from "node:fs/promises";
import { join } from "node:path";
import sharp from "sharp";
import type { Database } from "@/db/database";
import { addPhoto, type PhotoRow } from "@/db/photos";
import type { PhotoFormat } from "./developing/photo-format";
import { needRoom, NoRoom } from "./disk-room";
import { closeCopy, PhotoRefused, readPhoto, smallCopy, type ReadPhoto } from "./developing/read-photo";

export const photosFolder = (data: string): string => join(data, "photos");
const photoFolder = (data: string, id: string): string => join(photosFolder(data), id);

/** Lies beside a photo's files until its record is written, and from before its record is removed. */
export const ARRIVED = ".without-record";

/** A stored photo can't be shown: its files are gone or damaged. The message says what to do. */
export class PhotoLost extends Error {}

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
    await writeSynced(join(aside, ARRIVED), Buffer.alloc(0));
    await rename(aside, place).catch((error: NodeJS.ErrnoException) => {
      // The same photo is already there: its content is its name.
      if (error.code !== "ENOTEMPTY" && error.code !== "EEXIST") throw error;
    });
  } finally {
    await rm(aside, { recursive: true, force: true });
  }
  const { id, format, widthPx, heightPx, workingWidthPx, workingHeightPx, bytes } = photo;
  await addPhoto(db, { id, fileName, format, widthPx, heightPx, workingWidthPx, workingHeightPx, bytes });
  await rm(join(place, ARRIVED), { force: true });
}

/** Marks a photo's files as without a record, before that is removed: what a crash leaves of them is swept at the next start. */
export async function markUnrecorded(data: string, id: string): Promise<void> {
  await writeFile(join(photoFolder(data, id), ARRIVED), "").catch((error: NodeJS.ErrnoException) => {
    if (error.code !== "ENOENT") throw error;
  });
}

/** A copy that is made at its first use, and kept. */
async function makeCopy(data: string, photo: Pick<PhotoRow, "id" | "format">, copy: PhotoCopy): Promise<Buffer> {
  const original = join(photoFolder(data, photo.id), `original.${photo.format}`);
  if (copy === "close") return closeCopy(original, photo.format as PhotoFormat);
  if (copy === "small") return smallCopy(await readCopy(data, photo, "working"));
  // Kept by an earlier Abendrot, whose working copies were sRGB: developed anew from the original.
  return (await readPhoto(original)).working;
}

/** Whether a copy can be decoded to its last row. */
async function isWhole(copy: Buffer): Promise<boolean> {
  try {
    await sharp(copy, { failOn: "truncated" }).stats();
    return true;
  } catch {
    return false;
  }
}

/** Copies that are being made: whoever asks meanwhile waits for the same one. */
const underWay = new Map<string, Promise<Buffer<ArrayBuffer>>>();

async function makeAndKeep(data: string, photo: Pick<PhotoRow, "id" | "format">, copy: PhotoCopy, path: string): Promise<Buffer<ArrayBuffer>> {
  const made = Buffer.from(await makeCopy(data, photo, copy).catch((error: NodeJS.ErrnoException) => {
    if (error.code === "ENOENT" || error instanceof PhotoRefused) throw new PhotoLost("The photo's file in the data folder is gone or damaged. Put it back from a copy of the folder, or bring the photo in anew.");
    throw error;
  }));
  const aside = join(photoFolder(data, photo.id), `.${randomUUID()}`);
  try {
    await needRoom(photosFolder(data), made.length);
    await writeSynced(aside, made);
    await rename(aside, path);
  } catch (error) {
    await rm(aside, { force: true });
    // It is shown all the same, and made again the next time.
    if (!(error instanceof NoRoom) && (error as NodeJS.ErrnoException).code !== "ENOSPC") throw error;
  }
  return made;
}

/**
 * A copy of a stored photo, made from its original if it is not there yet or no longer whole: what is
 * given out may be kept for ever, so it is decoded before. Throws PhotoLost.
 */
export async function readCopy(data: string, photo: Pick<PhotoRow, "id" | "format">, copy: PhotoCopy): Promise<Buffer<ArrayBuffer>> {
  const path = join(photoFolder(data, photo.id), COPIES[copy]);
  const kept = await readFile(path).catch((error: NodeJS.ErrnoException) => {
    if (error.code !== "ENOENT") throw error;
    return null;
  });
  if (kept && (await isWhole(kept))) return kept;
  let making = underWay.get(path);
  if (!making) {
    making = makeAndKeep(data, photo, copy, path).finally(() => underWay.delete(path));
    underWay.set(path, making);
  }
  return making;
}
