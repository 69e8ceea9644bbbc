import { rm } from "node:fs/promises";
import { z } from "zod";
import { photoFormat, photoName, type BackupManifest } from "@/model/backup";
import { photoId } from "@/model/photo-id";
import type { Database } from "../drizzle/database";
import type { Place } from "../drizzle/migrations";
import { replaceAllRows, RowsUnfit, type TableRows } from "../drizzle/rows";
import type { Keeping, PhotoFiles } from "../ports";
import { copiesIn } from "./copies";
import { countHoldings } from "./holdings";
import { FileRefused } from "./archive";
import { openBackup, type OpenBackup } from "./read";
import { rowsIn, writeBackup } from "./write";

/** A photo's row, as far as files are named after it. */
const photoRow = z.object({ id: photoId, format: photoFormat });

const UNFIT = "The rows in this backup don't fit together: it has been changed. Nothing was changed here.";

/** Photos that rows name; files are named after them, so nothing else than ids and formats may stand there. */
function photoRowsOf(tables: readonly TableRows[]): z.infer<typeof photoRow>[] {
  const read = z.array(photoRow).safeParse(rowsIn(tables, "photos"));
  if (!read.success) throw new FileRefused(UNFIT);
  return read.data;
}

/** Reads everything in a file through: rows, and photos where it has them. */
async function readThrough(file: OpenBackup): Promise<TableRows[]> {
  const tables = await file.tables();
  const named = new Map(photoRowsOf(tables).map(({ id, format }) => [id, format]));
  const { photos, lost, withPhotos } = file.manifest;
  if (photos.some(({ id, format }) => named.get(id) !== format)) throw new FileRefused(UNFIT);
  const there = new Set([...photos.map(({ id }) => id), ...lost]);
  if ([...named.keys()].some((id) => !there.has(id))) throw new FileRefused(UNFIT);
  if (withPhotos) for (const photo of photos) await file.photo(photo.id, photoName(photo));
  return tables;
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
function isAboutRows(error: unknown): boolean {
  for (let at = error; at instanceof Error; at = at.cause)
    if ("code" in at && typeof at.code === "string" && /^2[23]/.test(at.code)) return true;
  return error instanceof RowsUnfit;
}

/** Puts a file's rows and photos in a store's place. Photos come first: rows never stand without them. */
export async function restoreInto(
  db: Database,
  place: Place,
  files: PhotoFiles,
  path: string,
): Promise<BackupManifest> {
  return open(path, async (file) => {
    const tables = await readThrough(file);
    await keepPhotos(file, files);
    await replaceAllRows(db, place, file.manifest.migrations, tables).catch((error: unknown) => {
      if (isAboutRows(error)) throw new FileRefused(UNFIT);
      throw error;
    });
    await markUnknown(files, tables);
    return file.manifest;
  });
}

/** Files that the rows know nothing of any more are swept at a later start, unless a dated copy stands on them. */
async function markUnknown(files: PhotoFiles, tables: readonly TableRows[]): Promise<void> {
  const known = new Set(photoRowsOf(tables).map(({ id }) => id));
  for (const { id, recorded, brokenOff } of await files.list())
    if (recorded && !brokenOff && !known.has(id)) await files.setRecorded(id, false);
}

/**
 * A whole store as one file, and back.
 * @param copies folder of the dated copies
 */
export function keepingOf(db: Database, place: Place, files: PhotoFiles, copies: string): Keeping {
  return {
    holdings: () => countHoldings(db),
    backup: () => writeBackup(db, place, files, { withPhotos: true, now: new Date() }),
    check: (path) =>
      open(path, async (file) => {
        await readThrough(file);
        return file.manifest;
      }),
    restore: async (path) => void (await restoreInto(db, place, files, path)),
    copies: copiesIn(copies, (now) => writeBackup(db, place, files, { withPhotos: false, now })),
  };
}
