import { createHash } from "node:crypto";
import { createWriteStream } from "node:fs";
import type { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { openPromise, type Entry, type ZipFile } from "yauzl";
import { BACKUP_FILE, backupManifest, type BackupManifest } from "@/model/backup";
import { LIMITS } from "@/model/limits";
import { allMigrations } from "../drizzle/migrations";
import type { TableRows } from "../drizzle/rows";
import { NamedError } from "../named-error";

/** A file that is none of ours, not whole, or of a newer program: nothing of it was taken. */
export class BackupRefused extends NamedError {
  static override readonly kind = "BackupRefused";
}

const FOREIGN = "This is no backup of Abendrot, or it is cut off. Nothing was changed.";
const CHANGED = "This backup has been changed since it was made, or it is damaged. Nothing was changed here.";

/** Rows of one table that are taken, bytes: two hundred paintings with all their areas stay far under it. */
const MOST_ROWS_BYTES = 1024 ** 3;
const MANIFEST_BYTES = 64 * 1024 * 1024;

/** An open file: what it says of itself, and its parts. */
export interface OpenBackup {
  readonly manifest: BackupManifest;
  /** The rows of every table; throws BackupRefused when they are not those that were written. */
  readonly tables: () => Promise<TableRows[]>;
  /** Reads a photo through, into a file where one is named; throws BackupRefused when it is not the one it was. */
  readonly photo: (photo: BackupManifest["photos"][number], into?: string) => Promise<void>;
  readonly close: () => void;
}

async function readAll(stream: Readable, limit: number): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of stream) {
    bytes += (chunk as Buffer).length;
    if (bytes > limit) throw new BackupRefused(FOREIGN);
    chunks.push(chunk as Buffer);
  }
  return Buffer.concat(chunks);
}

async function entriesOf(zip: ZipFile): Promise<ReadonlyMap<string, Entry>> {
  const entries = new Map<string, Entry>();
  for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
  return entries;
}

/** Anything that goes wrong while a file is read means that it is not whole; what is refused says so itself. */
const refusing = async <T>(work: () => Promise<T>, words: string): Promise<T> => {
  try {
    return await work();
  } catch (error) {
    throw error instanceof BackupRefused ? error : new BackupRefused(words);
  }
};

function readManifest(words: string): BackupManifest {
  let data: unknown;
  try {
    data = JSON.parse(words);
  } catch {
    throw new BackupRefused(FOREIGN);
  }
  const version = (data as { version?: unknown }).version;
  const read = backupManifest.safeParse(data);
  if (typeof version === "number" && version > BACKUP_FILE.version)
    throw new BackupRefused(
      "This backup was made by a newer Abendrot. Nothing was changed. Bring this one up to date first.",
    );
  if (!read.success) throw new BackupRefused(FOREIGN);
  if (read.data.migrations > allMigrations().length)
    throw new BackupRefused(
      "This backup was made by a newer Abendrot. Nothing was changed. Bring this one up to date first.",
    );
  return read.data;
}

/** Opens a backup and reads what it says of itself. Throws BackupRefused. */
export async function openBackup(path: string): Promise<OpenBackup> {
  const zip = await refusing(() => openPromise(path, { autoClose: false }), FOREIGN);
  try {
    const entries = await refusing(() => entriesOf(zip), FOREIGN);
    const streamOf = async (name: string): Promise<Readable> => {
      const entry = entries.get(name);
      if (!entry) throw new BackupRefused(FOREIGN);
      return zip.openReadStreamPromise(entry);
    };
    const manifest = await refusing(
      async () => readManifest((await readAll(await streamOf(BACKUP_FILE.manifest), MANIFEST_BYTES)).toString("utf8")),
      FOREIGN,
    );
    return {
      manifest,
      close: () => zip.close(),
      tables: () =>
        refusing(async () => {
          const tables: TableRows[] = [];
          for (const { name, rows, sha256 } of manifest.tables) {
            const bytes = await readAll(await streamOf(`${BACKUP_FILE.rows}${name}.jsonl`), MOST_ROWS_BYTES);
            if (createHash("sha256").update(bytes).digest("hex") !== sha256) throw new BackupRefused(CHANGED);
            const lines = bytes.toString("utf8").split("\n").slice(0, -1);
            if (lines.length !== rows) throw new BackupRefused(CHANGED);
            tables.push({ name, lines });
          }
          return tables;
        }, CHANGED),
      photo: ({ id, format }, into) =>
        refusing(async () => {
          const hash = createHash("sha256");
          let bytes = 0;
          const watched = async function* (source: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
            for await (const chunk of source) {
              hash.update(chunk);
              bytes += chunk.length;
              if (bytes > LIMITS.photoBytes) throw new BackupRefused(CHANGED);
              yield chunk;
            }
          };
          const from = await streamOf(`${BACKUP_FILE.photos}${id}.${format}`);
          if (into) await pipeline(from, watched, createWriteStream(into, { flags: "wx" }));
          else for await (const _chunk of watched(from as AsyncIterable<Buffer>)) void _chunk;
          if (hash.digest("hex") !== id) throw new BackupRefused(CHANGED);
        }, CHANGED),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}
