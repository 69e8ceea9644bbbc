import { createHash } from "node:crypto";
import { z } from "zod";
import { BACKUP_FILE, backupManifest, photoInBackup, type BackupManifest } from "@/model/backup";
import { LIMITS } from "@/model/limits";
import { allMigrations } from "../drizzle/migrations";
import type { RowsToRead } from "../drizzle/rows";
import { FileRefused, openArchive, type Archive } from "./archive";
import { linesOf } from "./json-pieces";

const FOREIGN = "This is no backup of Abendrot, or it is cut off. Nothing was changed.";
const CHANGED = "This backup has been changed since it was made, or it is damaged. Nothing was changed here.";
const NEWER = "This backup was made by a newer Abendrot. Nothing was changed. Bring this one up to date first.";

/** What a backup says of itself, bytes: a hundred thousand photos stay under it. */
const MANIFEST_BYTES = 16 * 1024 * 1024;
/** Rows of one table that are taken, bytes: two hundred paintings with all their areas stay far under it. */
const MOST_ROWS_BYTES = 1024 ** 3;
/** One row: a document is taken up to a megabyte, and the database writes it with blanks between. */
const ROW_BYTES = 4 * 1024 * 1024;

/** An open backup: what it says of itself, and its parts. */
export interface OpenBackup extends Pick<Archive, "photo" | "close"> {
  readonly manifest: BackupManifest;
  /**
   * The rows of every table, read anew whenever they are gone through. All are gone through once before they are handed
   * out: throws FileRefused when they are not those that were written.
   */
  readonly tables: () => Promise<RowsToRead[]>;
}

const versioned = z.object({ version: z.number() });

function manifestIn(data: object, photos: readonly unknown[]): BackupManifest {
  if ((versioned.safeParse(data).data?.version ?? 0) > BACKUP_FILE.version) throw new FileRefused(NEWER);
  const read = backupManifest.safeParse({ ...data, photos });
  if (!read.success) throw new FileRefused(FOREIGN);
  if (read.data.migrations > allMigrations().length) throw new FileRefused(NEWER);
  return read.data;
}

/** Opens a backup and reads what it says of itself. Throws FileRefused. */
export async function openBackup(path: string): Promise<OpenBackup> {
  const archive = await openArchive(path, FOREIGN, CHANGED);
  const { json, bytes, reading, photo, close } = archive;
  try {
    const photos: unknown[] = [];
    const said = await json(BACKUP_FILE.manifest, MANIFEST_BYTES, ["photos"], (_, one) => {
      // Anything else there is no photo of ours, and so many of them would be no list of ours.
      if (!photoInBackup.safeParse(one).success || photos.push(one) > LIMITS.photosInFile) throw new Error("no photo");
    });
    if (typeof said !== "object" || said === null) throw new FileRefused(FOREIGN);
    const manifest = manifestIn(said, photos);
    const rowsOf = (name: string) => `${BACKUP_FILE.rows}${name}.jsonl`;
    return {
      manifest,
      photo,
      close,
      tables: () =>
        reading(async () => {
          for (const { name, rows, sha256 } of manifest.tables) {
            const hash = createHash("sha256");
            let lines = 0;
            for await (const chunk of bytes(rowsOf(name), MOST_ROWS_BYTES)) {
              hash.update(chunk);
              for (let at = chunk.indexOf(0x0a); at >= 0; at = chunk.indexOf(0x0a, at + 1)) lines++;
            }
            if (hash.digest("hex") !== sha256 || lines !== rows) throw new FileRefused(CHANGED);
          }
          return manifest.tables.map(({ name }) => ({
            name,
            lines: () => linesOf(bytes(rowsOf(name), MOST_ROWS_BYTES), ROW_BYTES),
          }));
        }),
    };
  } catch (error) {
    close();
    throw error;
  }
}
