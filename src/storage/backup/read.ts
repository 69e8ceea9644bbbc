import { createHash } from "node:crypto";
import { z } from "zod";
import { BACKUP_FILE, backupManifest, type BackupManifest } from "@/model/backup";
import { allMigrations } from "../drizzle/migrations";
import type { TableRows } from "../drizzle/rows";
import { FileRefused, openArchive, type Archive } from "./archive";

const FOREIGN = "This is no backup of Abendrot, or it is cut off. Nothing was changed.";
const CHANGED = "This backup has been changed since it was made, or it is damaged. Nothing was changed here.";
const NEWER = "This backup was made by a newer Abendrot. Nothing was changed. Bring this one up to date first.";

/** Rows of one table that are taken, bytes: two hundred paintings with all their areas stay far under it. */
const MOST_ROWS_BYTES = 1024 ** 3;

/** An open backup: what it says of itself, and its parts. */
export interface OpenBackup extends Pick<Archive, "photo" | "close"> {
  readonly manifest: BackupManifest;
  /** The rows of every table; throws FileRefused when they are not those that were written. */
  readonly tables: () => Promise<TableRows[]>;
}

const versioned = z.object({ version: z.number() });

function manifestIn(data: unknown): BackupManifest {
  if ((versioned.safeParse(data).data?.version ?? 0) > BACKUP_FILE.version) throw new FileRefused(NEWER);
  const read = backupManifest.safeParse(data);
  if (!read.success) throw new FileRefused(FOREIGN);
  if (read.data.migrations > allMigrations().length) throw new FileRefused(NEWER);
  return read.data;
}

/** Opens a backup and reads what it says of itself. Throws FileRefused. */
export async function openBackup(path: string): Promise<OpenBackup> {
  const { manifest: data, bytes, photo, close } = await openArchive(path, FOREIGN, CHANGED);
  try {
    const manifest = manifestIn(data);
    return {
      manifest,
      photo,
      close,
      async tables() {
        const tables: TableRows[] = [];
        for (const { name, rows, sha256 } of manifest.tables) {
          const written = await bytes(`${BACKUP_FILE.rows}${name}.jsonl`, MOST_ROWS_BYTES);
          const lines = written.toString("utf8").split("\n").slice(0, -1);
          if (createHash("sha256").update(written).digest("hex") !== sha256 || lines.length !== rows)
            throw new FileRefused(CHANGED);
          tables.push({ name, lines });
        }
        return tables;
      },
    };
  } catch (error) {
    close();
    throw error;
  }
}
