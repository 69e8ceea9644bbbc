import isEqual from "fast-deep-equal";
import { rm } from "node:fs/promises";
import type { Readable } from "node:stream";
import { ZipFile } from "yazl";
import { photoName } from "@/model/backup";
import { LOG_FILE, logFile, readingsFile, swatchesTable, type LogFile, type LogFileTaken } from "@/model/log-file";
import { FileRefused, openArchive, type Archive } from "@/storage/backup/archive";
import type { PhotoRecord, Store } from "@/storage/ports";
import { PhotoRefused, readPhoto } from "./photo-import/read-photo";
import { storePhoto } from "./photo-import/photo-store";

const NO_LOGBOOK = "This is not a logbook's file, or it is cut off. Nothing was taken from it.";
const CHANGED = "A photo in this file has been changed, or it can't be read. Nothing was taken.";

const photosOf = (entries: LogFile["entries"]): ReadonlySet<string> =>
  new Set(
    entries.flatMap(({ document: { photos, mixes } }) => [
      ...photos,
      ...mixes.flatMap(({ read }) => read?.photoId ?? []),
    ]),
  );

/** A whole logbook as a zip: open data, tables for others, and every photo as it came. */
export async function bookFile(store: Store): Promise<Readable> {
  const entries = (await store.logbook.list()).map(({ id, binned, document }) => ({ id, binned, document }));
  const records: PhotoRecord[] = [];
  for (const id of photosOf(entries)) {
    const record = await store.photos.find(id);
    if (record) records.push(record);
  }
  const whole: LogFile = {
    format: LOG_FILE.format,
    version: LOG_FILE.version,
    entries,
    photos: records.map((record) => ({ id: record.id, fileName: record.fileName, path: photoName(record) })),
  };
  const zip = new ZipFile();
  const here = entries.filter(({ binned }) => !binned);
  for (const [name, words] of [
    [LOG_FILE.json, JSON.stringify(whole, null, 1)],
    ["swatches.csv", swatchesTable(here)],
    ["readings.cgats", readingsFile(here)],
  ] as const)
    zip.addBuffer(Buffer.from(words, "utf8"), name);
  for (const record of records)
    zip.addFile(await store.photoFiles.original(record.id, record.format), photoName(record), { compress: false });
  zip.end();
  return zip.outputStream as Readable;
}

function bookIn({ manifest }: Archive): LogFile {
  const read = logFile.safeParse(manifest);
  if (!read.success) throw new FileRefused(`${read.error.issues[0]?.message ?? NO_LOGBOOK} Nothing was taken.`);
  return read.data;
}

/** Keeps the photos of a book that are in its file: all are read through first, so that none is kept of a bad one. */
async function keepPhotos(store: Store, book: LogFile, file: Archive): Promise<void> {
  const there = book.photos.filter(({ path }) => file.has(path));
  const inFile = new Set(there.map(({ id }) => id));
  for (const id of photosOf(book.entries))
    if (!inFile.has(id) && !(await store.photos.find(id)))
      throw new FileRefused("A photo is missing from this file. Nothing was taken.");
  for (const { id, path } of there) await file.photo(id, path);
  for (const { id, path, fileName } of there) {
    const place = await store.photoFiles.arrivingPath();
    try {
      await file.photo(id, path, place);
      await storePhoto(store, await readPhoto(place), place, fileName);
    } catch (error) {
      throw error instanceof PhotoRefused ? new FileRefused(CHANGED) : error;
    } finally {
      await rm(place, { force: true });
    }
  }
}

/**
 * Takes a logbook's file into the book, whole or not at all: entries that stand here already stay as they are.
 * Throws FileRefused.
 */
export async function takeBookFile(store: Store, path: string): Promise<LogFileTaken> {
  const file = await openArchive(path, NO_LOGBOOK, CHANGED, LOG_FILE.json);
  try {
    const book = bookIn(file);
    await keepPhotos(store, book, file);
    const stored = new Map((await store.logbook.list()).map((entry) => [entry.id, entry]));
    const coming = book.entries.filter(({ id }) => !stored.has(id));
    await store.transaction(async ({ logbook }) => {
      for (const { id, binned, document } of coming) {
        await logbook.create(id, document);
        if (binned) await logbook.bin(id, true);
      }
    });
    const same = book.entries.filter(({ id, document }) => isEqual(stored.get(id)?.document, document)).length;
    return { added: coming.length, same, kept: book.entries.length - coming.length - same };
  } finally {
    file.close();
  }
}
