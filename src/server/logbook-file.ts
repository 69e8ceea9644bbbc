import isEqual from "fast-deep-equal";
import { rm } from "node:fs/promises";
import type { Readable } from "node:stream";
import { ZipFile } from "yazl";
import type { z } from "zod";
import { photoName } from "@/model/backup";
import { LIMITS } from "@/model/limits";
import {
  entryInFile,
  LOG_FILE,
  logFile,
  readingsFile,
  swatchesTable,
  type EntryInFile,
  type LogFile,
  type LogFileTaken,
} from "@/model/log-file";
import { DATA_SHAPE, newerIn } from "@/model/shape";
import { FileRefused, openArchive, type Archive } from "@/storage/backup/archive";
import type { PhotoRecord, Store } from "@/storage/ports";
import { PhotoRefused, readPhoto } from "./photo-import/read-photo";
import { storePhoto } from "./photo-import/photo-store";
import { streamOf, tellMissing, wholeOriginal } from "./written-zip";

/** Ten thousand entries with forty swatches each stay under this. */
const MOST_JSON_BYTES = 256 * 1024 * 1024;
const NO_LOGBOOK = "This is not a logbook's file, or it is cut off. Nothing was taken from it.";
const CHANGED = "A photo in this file has been changed, or it can't be read. Nothing was taken.";

const photosOf = ({ document: { photos, mixes } }: EntryInFile): readonly string[] => [
  ...photos,
  ...mixes.flatMap(({ read }) => read?.photoId ?? []),
];

/**
 * A whole logbook as a zip: open data, tables for others, and every photo as it came. A photo whose original is gone
 * is told in it, and keeps nothing else from being written.
 */
export async function bookFile(store: Store): Promise<Readable> {
  const entries = (await store.logbook.list()).map(({ id, binned, document }) => ({ id, binned, document }));
  const here: { readonly record: PhotoRecord; readonly path: string }[] = [];
  const lost: string[] = [];
  for (const id of new Set(entries.flatMap(photosOf))) {
    const record = await store.photos.find(id);
    const path = record && (await wholeOriginal(store.photoFiles, record));
    if (record && path) here.push({ record, path });
    else lost.push(id);
  }
  const whole: LogFile = {
    format: LOG_FILE.format,
    version: LOG_FILE.version,
    least: DATA_SHAPE,
    entries,
    photos: here.map(({ record }) => ({ id: record.id, fileName: record.fileName, path: photoName(record) })),
    lost,
  };
  const zip = new ZipFile();
  const shown = entries.filter(({ binned }) => !binned);
  for (const [name, words] of [
    [LOG_FILE.json, JSON.stringify(whole, null, 1)],
    ["swatches.csv", swatchesTable(shown)],
    ["readings.cgats", readingsFile(shown)],
  ] as const)
    zip.addBuffer(Buffer.from(words, "utf8"), name);
  if (lost.length > 0) tellMissing(zip, lost.length === 1 ? "One photo" : `${lost.length} photos`);
  for (const { record, path } of here) zip.addFile(path, photoName(record), { compress: false });
  return streamOf(zip);
}

/** What a logbook's file holds: what it says of itself, and its entries whenever they are asked for. */
interface OpenBook {
  readonly said: z.infer<typeof logFile>;
  readonly entries: (take: (entry: EntryInFile) => void | Promise<void>) => Promise<void>;
}

async function bookIn(file: Archive): Promise<OpenBook> {
  let count = 0;
  let fault: string | null = null;
  const read = (take: (entry: EntryInFile) => void | Promise<void>) =>
    file.json(LOG_FILE.json, MOST_JSON_BYTES, ["entries", "photos"], async (list, one) => {
      if (list !== "entries") return;
      const entry = entryInFile.safeParse(one);
      // A newer program's entries need not be ones that are known here: that it is newer is what is told.
      if (!entry.success) fault ??= entry.error.issues[0]!.message;
      else await take(entry.data);
    });
  const photos: unknown[] = [];
  const all = await file.json(LOG_FILE.json, MOST_JSON_BYTES, ["entries", "photos"], (list, one) => {
    if (list === "photos" && photos.push(one) > LIMITS.photosInFile) throw new Error("too many photos");
    if (list === "entries" && ++count > LIMITS.logEntries)
      throw new FileRefused(`A logbook holds at most ${LIMITS.logEntries} entries. Nothing was taken.`);
  });
  const said = logFile.safeParse(typeof all === "object" && all !== null ? { ...all, photos } : all);
  if (!said.success)
    throw new FileRefused(`${newerIn(said.error) ?? said.error.issues[0]?.message ?? NO_LOGBOOK} Nothing was taken.`);
  return {
    said: said.data,
    entries: async (take) => {
      await read(take);
      if (fault) throw new FileRefused(`${fault} Nothing was taken.`);
    },
  };
}

/** Keeps the photos of a book that are in its file: all are read through first, so that none is kept of a bad one. */
async function keepPhotos(store: Store, { said, entries }: OpenBook, file: Archive): Promise<void> {
  const there = said.photos.filter(({ path }) => file.has(path));
  const known = new Set([...there.map(({ id }) => id), ...said.lost]);
  const shown = new Set<string>();
  await entries((entry) => {
    for (const id of photosOf(entry)) shown.add(id);
  });
  for (const id of shown)
    if (!known.has(id) && !(await store.photos.find(id)))
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

/** An entry without the photos that had been gone where its file was made, and are not here either. */
function withoutPhotos(document: EntryInFile["document"], gone: ReadonlySet<string>): EntryInFile["document"] {
  if (gone.size === 0) return document;
  return {
    ...document,
    photos: document.photos.filter((id) => !gone.has(id)),
    mixes: document.mixes.map((mix) =>
      mix.read?.photoId && gone.has(mix.read.photoId) ? { ...mix, read: { ...mix.read, photoId: null } } : mix,
    ),
  };
}

/**
 * Takes a logbook's file into the book, whole or not at all: entries that stand here already stay as they are.
 * Throws FileRefused.
 */
export async function takeBookFile(store: Store, path: string): Promise<LogFileTaken> {
  const file = await openArchive(path, NO_LOGBOOK, CHANGED);
  try {
    const book = await bookIn(file);
    await keepPhotos(store, book, file);
    const gone = new Set<string>();
    for (const id of book.said.lost) if (!(await store.photos.find(id))) gone.add(id);
    const stored = new Map((await store.logbook.list()).map((entry) => [entry.id, entry]));
    const taken = { added: 0, same: 0, kept: 0, lost: gone.size };
    await store.transaction(async ({ logbook }) => {
      await book.entries(async ({ id, binned, document: written }) => {
        const document = withoutPhotos(written, gone);
        const here = stored.get(id);
        if (here) return void taken[isEqual(here.document, document) ? "same" : "kept"]++;
        await logbook.create(id, document);
        if (binned) await logbook.bin(id, true);
        taken.added++;
      });
    });
    return taken;
  } finally {
    file.close();
  }
}
