import { createHash } from "node:crypto";
import sharp from "sharp";
import { DiskFull } from "@/storage/folder/disk-space";
import type { PhotoCopy, PhotoFiles, PhotoRecord, Store } from "@/storage/ports";
import type { PhotoFormat } from "./photo-format";
import { closeCopy, PhotoRefused, readPhoto, smallCopy, viewCopy, type ReadPhoto } from "./read-photo";

/** A stored photo can't be shown: its files are gone or damaged. The message says what to do. */
export class PhotoLost extends Error {}

/** Keeps a photo that was read from `path`: its files first, then its record. */
export async function storePhoto(
  { photos, photoFiles }: Pick<Store, "photos" | "photoFiles">,
  photo: ReadPhoto,
  path: string,
  fileName: string,
): Promise<void> {
  const { id, format, widthPx, heightPx, workingWidthPx, workingHeightPx, bytes, working } = photo;
  await photoFiles.keep(id, format, path, working);
  await photos.add({ id, fileName, format, widthPx, heightPx, workingWidthPx, workingHeightPx, bytes });
  await photoFiles.setRecorded(id, true);
}

/** Digests of copies that were found whole: the same bytes need not be decoded again. */
const foundWhole = new Set<string>();

/** Whether a copy can be decoded to its last row. */
async function isWhole(copy: Buffer): Promise<boolean> {
  const digest = createHash("sha256").update(copy).digest("base64");
  if (foundWhole.has(digest)) return true;
  try {
    await sharp(copy, { failOn: "truncated" }).stats();
    foundWhole.add(digest);
    return true;
  } catch {
    return false;
  }
}

type Stored = Pick<PhotoRecord, "id" | "format">;

async function makeCopy(files: PhotoFiles, photo: Stored, copy: PhotoCopy): Promise<Buffer> {
  const original = await files.original(photo.id, photo.format);
  if (copy === "close") return closeCopy(original, photo.format as PhotoFormat);
  if (copy === "view") return viewCopy(await readCopy(files, photo, "working"));
  if (copy === "small") return smallCopy(await readCopy(files, photo, "working"));
  // Kept by an earlier Abendrot, whose working copies were sRGB: read anew from the original.
  return (await readPhoto(original)).working;
}

/** Copies that are being made: whoever asks meanwhile waits for the same one. */
const underWay = new Map<string, Promise<Buffer<ArrayBuffer>>>();

async function makeAndKeep(files: PhotoFiles, photo: Stored, copy: PhotoCopy): Promise<Buffer<ArrayBuffer>> {
  const made = Buffer.from(
    await makeCopy(files, photo, copy).catch((error: NodeJS.ErrnoException) => {
      if (error.code === "ENOENT" || error instanceof PhotoRefused)
        throw new PhotoLost(
          "The photo's file in the data folder is gone or damaged. Put it back from a copy of the folder, or bring the photo in anew.",
        );
      throw error;
    }),
  );
  await files.keepCopy(photo.id, copy, made).catch((error: NodeJS.ErrnoException) => {
    // It is shown all the same, and made again the next time.
    if (!(error instanceof DiskFull) && error.code !== "ENOSPC") throw error;
  });
  return made;
}

/**
 * A copy of a stored photo, made from its original if it is not there yet or no longer whole: what is
 * given out may be kept for ever, so it is decoded before. Throws PhotoLost.
 */
export async function readCopy(files: PhotoFiles, photo: Stored, copy: PhotoCopy): Promise<Buffer<ArrayBuffer>> {
  const kept = await files.readCopy(photo.id, copy);
  if (kept && (await isWhole(kept))) return kept;
  const key = `${files.where} ${photo.id} ${copy}`;
  let making = underWay.get(key);
  if (!making) {
    making = makeAndKeep(files, photo, copy).finally(() => underWay.delete(key));
    underWay.set(key, making);
  }
  return making;
}
