import isEqual from "fast-deep-equal";
import { Unzip, UnzipInflate, Zip, ZipDeflate, ZipPassThrough, type UnzipFile } from "fflate";
import { closeSync, createReadStream, openSync, writeSync } from "node:fs";
import { rm } from "node:fs/promises";
import { LIMITS } from "@/model/limits";
import { LOG_FILE, logFile, readingsFile, swatchesTable, type LogFile, type LogFileTaken } from "@/model/log-file";
import type { PhotoRecord, Store } from "@/storage/ports";
import { PhotoRefused, readPhoto } from "./photo-import/read-photo";
import { storePhoto } from "./photo-import/photo-store";

/** A file that is no logbook's, or not whole: nothing of it was taken. The message is for the painter. */
export class LogFileRefused extends Error {}

/** Ten thousand entries with forty swatches each stay under this. */
const MOST_JSON_BYTES = 256 * 1024 * 1024;
const NO_LOGBOOK = "This is not a logbook's file, or it is cut off. Nothing was taken from it.";
const NOTHING = new Uint8Array(0);

const photosOf = (entries: LogFile["entries"]): ReadonlySet<string> =>
  new Set(
    entries.flatMap(({ document: { photos, mixes } }) => [
      ...photos,
      ...mixes.flatMap(({ read }) => read?.photoId ?? []),
    ]),
  );

/** A whole logbook as a zip, piece by piece: open data, tables for others, and every photo as it came. */
export async function* bookFile(store: Store): AsyncGenerator<Uint8Array> {
  const entries = (await store.logbook.list()).map(({ id, binned, document }) => ({ id, binned, document }));
  const records: PhotoRecord[] = [];
  for (const id of photosOf(entries)) {
    const record = await store.photos.find(id);
    if (record) records.push(record);
  }
  const pathOf = ({ id, format }: PhotoRecord): string => `${LOG_FILE.photos}${id}.${format}`;
  const whole: LogFile = {
    format: LOG_FILE.format,
    version: LOG_FILE.version,
    entries,
    photos: records.map((record) => ({ id: record.id, fileName: record.fileName, path: pathOf(record) })),
  };
  const ready: Uint8Array[] = [];
  let broken: Error | null = null as Error | null;
  const zip = new Zip((error, chunk) => {
    if (error) broken = error;
    else ready.push(chunk);
  });
  const taken = function* (): Generator<Uint8Array> {
    if (broken) throw broken;
    while (ready.length > 0) yield ready.shift()!;
  };
  const here = entries.filter(({ binned }) => !binned);
  for (const [name, words] of [
    [LOG_FILE.json, JSON.stringify(whole, null, 1)],
    ["swatches.csv", swatchesTable(here)],
    ["readings.cgats", readingsFile(here)],
  ] as const) {
    const file = new ZipDeflate(name);
    zip.add(file);
    file.push(Buffer.from(words, "utf8"), true);
    yield* taken();
  }
  for (const record of records) {
    const file = new ZipPassThrough(pathOf(record));
    zip.add(file);
    for await (const chunk of createReadStream(await store.photoFiles.original(record.id, record.format))) {
      file.push(chunk as Buffer);
      yield* taken();
    }
    file.push(NOTHING, true);
    yield* taken();
  }
  zip.end();
  yield* taken();
}

/** What was unpacked of a logbook's file. */
interface Unpacked {
  readonly json: string | null;
  /** Where each photo was laid, by its place in the file. */
  readonly photos: ReadonlyMap<string, string>;
}

/** Unpacks a zip piece by piece: its open data into memory, photos into files beside the store's own. */
async function unpack(path: string, store: Store, laid: Map<string, string>): Promise<Unpacked> {
  const json: Uint8Array[] = [];
  let jsonWhole = false;
  let size = 0;
  const wrong: { fault: Error | null } = { fault: null };
  const opened = new Set<number>();
  const places: string[] = [];
  // Paths are asked for beforehand: what comes out of the zip can't wait.
  const nextPlace = async (): Promise<void> => void places.push(await store.photoFiles.arrivingPath());
  const intoFile = (file: UnzipFile): void => {
    const place = places.pop();
    if (!place) return void (wrong.fault ??= new LogFileRefused(NO_LOGBOOK));
    const handle = openSync(place, "wx");
    opened.add(handle);
    laid.set(file.name, place);
    let bytes = 0;
    file.ondata = (error, chunk, final) => {
      if (error) wrong.fault ??= error;
      bytes += chunk?.length ?? 0;
      if (bytes > LIMITS.photoBytes) wrong.fault ??= new LogFileRefused("A photo in this file is over 300 MB.");
      if (!wrong.fault) writeSync(handle, chunk);
      if (final && opened.delete(handle)) closeSync(handle);
    };
    file.start();
  };
  const unzip = new Unzip((file) => {
    if (file.name.startsWith(LOG_FILE.photos)) return intoFile(file);
    if (file.name !== LOG_FILE.json) return;
    file.ondata = (error, chunk, final) => {
      if (error) wrong.fault ??= error;
      size += chunk?.length ?? 0;
      if (size > MOST_JSON_BYTES) wrong.fault ??= new LogFileRefused("This logbook's file is larger than any logbook.");
      else if (!wrong.fault) json.push(chunk);
      if (final) jsonWhole = true;
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for await (const chunk of createReadStream(path)) {
      // A piece of 64 KB holds the beginnings of a few hundred files at most: far fewer photos.
      while (places.length < PLACES_READY) await nextPlace();
      unzip.push(chunk as Buffer);
      if (wrong.fault) throw wrong.fault;
    }
    unzip.push(NOTHING, true);
  } catch (error) {
    throw error instanceof LogFileRefused ? error : new LogFileRefused(NO_LOGBOOK);
  } finally {
    for (const handle of opened) closeSync(handle);
  }
  if (opened.size > 0) throw new LogFileRefused(NO_LOGBOOK);
  return { json: jsonWhole ? Buffer.concat(json).toString("utf8") : null, photos: laid };
}

/** Photos that may begin in one piece of the file. */
const PLACES_READY = 16;

function bookIn({ json }: Unpacked): LogFile {
  if (json === null) throw new LogFileRefused(NO_LOGBOOK);
  let data: unknown;
  try {
    data = JSON.parse(json);
  } catch {
    throw new LogFileRefused(NO_LOGBOOK);
  }
  const read = logFile.safeParse(data);
  if (!read.success) throw new LogFileRefused(`${read.error.issues[0]?.message ?? NO_LOGBOOK} Nothing was taken.`);
  return read.data;
}

/**
 * Takes a logbook's file into the book, whole or not at all: entries that stand here already stay as they are.
 * Throws LogFileRefused.
 */
export async function takeBookFile(store: Store, path: string): Promise<LogFileTaken> {
  const laid = new Map<string, string>();
  try {
    const unpacked = await unpack(path, store, laid);
    const book = bookIn(unpacked);
    for (const id of photosOf(book.entries)) {
      const inFile = book.photos.find((photo) => photo.id === id);
      const place = inFile && unpacked.photos.get(inFile.path);
      if (!place && !(await store.photos.find(id)))
        throw new LogFileRefused("A photo is missing from this file. Nothing was taken.");
    }
    for (const { id, path: inZip, fileName } of book.photos) {
      const place = unpacked.photos.get(inZip);
      if (!place) continue;
      const photo = await readPhoto(place);
      if (photo.id !== id) throw new LogFileRefused("A photo in this file has been changed. Nothing was taken.");
      await storePhoto(store, photo, place, fileName);
    }
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
  } catch (error) {
    if (error instanceof PhotoRefused)
      throw new LogFileRefused(`A photo in this file can't be read: ${error.message} Nothing was taken.`);
    throw error;
  } finally {
    for (const place of laid.values()) await rm(place, { force: true });
  }
}
