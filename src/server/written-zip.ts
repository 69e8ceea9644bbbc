import type { Readable } from "node:stream";
import type { ZipFile } from "yazl";
import { digestOf } from "@/storage/backup/write";
import type { PhotoFiles, PhotoRecord } from "@/storage/ports";

/** Where a photo's original lies, when its bytes are those that its id says; null where it is gone or damaged. */
export async function wholeOriginal(
  photoFiles: PhotoFiles,
  { id, format }: Pick<PhotoRecord, "id" | "format">,
): Promise<string | null> {
  const path = await photoFiles.original(id, format).catch(() => null);
  return path !== null && (await digestOf(path))?.sha256 === id ? path : null;
}

/** Says in a zip, for whoever opens it, that photos are missing from it. */
export const tellMissing = (zip: ZipFile, what: string): void =>
  zip.addBuffer(
    Buffer.from(
      `${what} could not be written: the original is gone from the data folder, or damaged. All else is here.\n`,
      "utf8",
    ),
    "missing.txt",
  );

/**
 * Ends a zip and hands its bytes out as they come. Where a file of it can't be read after all, the stream breaks off:
 * whoever loads it sees that, and does not wait for ever.
 */
export function streamOf(zip: ZipFile): Readable {
  const out = zip.outputStream as Readable;
  zip.on("error", (error: Error) => out.destroy(error));
  zip.end();
  return out;
}
