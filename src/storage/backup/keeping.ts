import { rm } from "node:fs/promises";
import { z } from "zod";
import { photoFormat, photoName, type BackupManifest } from "@/model/backup";
import { LIMITS } from "@/model/limits";
import { photoId } from "@/model/photo-id";
import type { Database } from "../drizzle/database";
import { isNewer, type Place } from "../drizzle/migrations";
import { hasCode, replaceAllRows, RowsUnfit, type Replaced, type RowsToRead } from "../drizzle/rows";
import type { Keeping, PhotoFiles } from "../ports";
import { copiesIn } from "./copies";
import { countHoldings, photoSpace } from "./holdings";
import { FileRefused } from "./archive";
import { JsonUnfit } from "./json-pieces";
import { openBackup, type OpenBackup } from "./read";
import { writeBackup, zipOfRows } from "./write";

/** A photo's row, as far as files are named after it. */
const photoRow = z.object({ id: photoId, format: photoFormat });

const UNFIT = "The rows in this backup don't fit together: it has been changed. Nothing was changed here.";

/**
 * Photos that rows name, their formats by id; files are named after them, so nothing else than ids and formats may
 * stand there.
 */
async function photoRowsOf(tables: readonly RowsToRead[]): Promise<ReadonlyMap<string, string>> {
  const named = new Map<string, string>();
  for await (const line of tables.find(({ name }) => name === "photos")?.lines() ?? []) {
    const read = photoRow.safeParse(parsedOrNull(line));
    if (!read.success || named.size > LIMITS.photosInFile) throw new FileRefused(UNFIT);
    named.set(read.data.id, read.data.format);
  }
  return named;
}

function parsedOrNull(line: string): unknown {
  try {
    return JSON.parse(line) as unknown;
  } catch {
    return null;
  }
}

/** Reads everything in a file through: rows, and photos where it has them. */
async function readThrough(
  file: OpenBackup,
): Promise<{ readonly tables: RowsToRead[]; readonly named: ReadonlyMap<string, string> }> {
  const tables = await file.tables();
  const named = await photoRowsOf(tables);
  const { photos, lost, withPhotos } = file.manifest;
  if (photos.some(({ id, format }) => named.get(id) !== format)) throw new FileRefused(UNFIT);
  const there = new Set([...photos.map(({ id }) => id), ...lost]);
  if ([...named.keys()].some((id) => !there.has(id))) throw new FileRefused(UNFIT);
  if (withPhotos) for (const photo of photos) await file.photo(photo.id, photoName(photo));
  return { tables, named };
}

async function open<T>(path: string, work: (file: OpenBackup) => Promise<T>): Promise<T> {
  const file = await openBackup(path);
  try {
    return await work(file);
  } finally {
    file.close();
  }
}

async function keepPhotos(file: OpenBackup, files: PhotoFiles): Promise<void> {
  if (!file.manifest.withPhotos) return;
  for (const photo of file.manifest.photos) {
    const arriving = await files.arrivingPath();
    try {
      await file.photo(photo.id, photoName(photo), arriving);
      await files.keepOriginal(photo.id, photo.format, arriving);
    } finally {
      await rm(arriving, { force: true });
    }
  }
}

/** What PostgreSQL says of rows that it can't take: classes 22 (data) and 23 (integrity) of its manual's appendix A. */
const isAboutRows = (error: unknown): boolean =>
  error instanceof RowsUnfit || error instanceof JsonUnfit || hasCode(error, /^2[23]/);

/**
 * Puts a file's rows and photos in a store's place. Photos come first: rows never stand without them.
 * @param keep is handed what was there, as replaceAllRows says
 */
export async function restoreInto(
  db: Database,
  place: Place,
  files: PhotoFiles,
  path: string,
  keep: (replaced: Replaced) => Promise<void> = async () => {},
): Promise<BackupManifest> {
  return open(path, async (file) => {
    const { tables, named } = await readThrough(file);
    await keepPhotos(file, files);
    await replaceAllRows(db, place, file.manifest.migrations, tables, keep).catch((error: unknown) => {
      if (isAboutRows(error)) throw new FileRefused(UNFIT);
      throw error;
    });
    await markUnknown(files, named);
    return file.manifest;
  });
}

/** Files that the rows know nothing of any more are swept at a later start, unless a dated copy stands on them. */
async function markUnknown(files: PhotoFiles, known: ReadonlyMap<string, string>): Promise<void> {
  for (const { id, recorded, brokenOff } of await files.list())
    if (recorded && !brokenOff && !known.has(id)) await files.setRecorded(id, false);
}

/** Tables in which rows stand before anybody has kept anything. */
const BEGINS_WITH = new Set(["paintbox", "settings"]);

/**
 * A whole store as one file, and back.
 * @param copies folder of the dated copies
 */
export function keepingOf(db: Database, place: Place, files: PhotoFiles, copies: string): Keeping {
  const dated = copiesIn(copies, (now) => writeBackup(db, place, files, { withPhotos: false, now }));
  let underWay = 0;
  return {
    holdings: () => countHoldings(db),
    photoSpace: () => photoSpace(db),
    backup: () => writeBackup(db, place, files, { withPhotos: true, now: new Date() }),
    check: (path) =>
      open(path, async (file) => {
        await readThrough(file);
        return file.manifest;
      }),
    async restore(path) {
      underWay++;
      try {
        await restoreInto(db, place, files, path, async (replaced) => {
          // Of a store that holds nothing yet no copy is needed.
          if (replaced.tables.every(({ name, lines }) => lines.length === 0 || BEGINS_WITH.has(name))) return;
          await dated.keep("before something was put back", (now) =>
            zipOfRows(replaced, files, { withPhotos: false, now }),
          );
        });
      } finally {
        underWay--;
      }
    },
    outgrown: () => isNewer(db, place),
    beingReplaced: () => underWay > 0,
    copies: dated,
  };
}
