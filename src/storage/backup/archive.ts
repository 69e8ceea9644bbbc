import { createHash } from "node:crypto";
import { createWriteStream } from "node:fs";
import type { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { openPromise, type Entry } from "yauzl";
import { BACKUP_FILE } from "@/model/backup";
import { LIMITS } from "@/model/limits";
import { NamedError } from "../named-error";

/** A file that is none of ours, not whole, or of a newer program: nothing of it was taken. */
export class FileRefused extends NamedError {
  static override readonly kind = "FileRefused";
}

/** Ten thousand entries of a logbook with forty swatches each stay under this. */
const MANIFEST_BYTES = 256 * 1024 * 1024;

/** An open zip of ours. Whatever is wrong with it is thrown as FileRefused, in the words that it was opened with. */
export interface Archive {
  /** What it says of itself, as JSON. */
  readonly manifest: unknown;
  /** One file in it whole, of at most `limit` bytes. */
  readonly bytes: (name: string, limit: number) => Promise<Buffer>;
  /** Whether there is a file of this name in it. */
  readonly has: (name: string) => boolean;
  /** Reads a photo through, into a new file where one is named; refused when it is not the one that its id says. */
  readonly photo: (id: string, name: string, into?: string) => Promise<void>;
  readonly close: () => void;
}

/** Anything that goes wrong while a file is read means that it is not whole; what is refused says so itself. */
async function refusing<T>(work: () => Promise<T>, words: string): Promise<T> {
  try {
    return await work();
  } catch (error) {
    // A disk that is full says nothing of the file.
    if (error instanceof FileRefused || (error as NodeJS.ErrnoException).code === "ENOSPC") throw error;
    throw new FileRefused(words);
  }
}

async function readAll(stream: Readable, limit: number): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of stream) {
    bytes += (chunk as Buffer).length;
    if (bytes > limit) throw new Error("too large");
    chunks.push(chunk as Buffer);
  }
  return Buffer.concat(chunks);
}

/**
 * Opens a zip and reads what it says of itself. Throws FileRefused.
 * @param foreign words for a file that is none of ours or cut off
 * @param changed words for one whose content is not what it was
 * @param manifestName the file in it that says what it is
 */
export async function openArchive(
  path: string,
  foreign: string,
  changed: string,
  manifestName: string = BACKUP_FILE.manifest,
): Promise<Archive> {
  const zip = await refusing(() => openPromise(path, { autoClose: false }), foreign);
  try {
    const entries = new Map<string, Entry>();
    await refusing(async () => {
      for await (const entry of zip.eachEntry()) entries.set(entry.fileName, entry);
    }, foreign);
    const streamOf = async (name: string): Promise<Readable> => {
      const entry = entries.get(name);
      if (!entry) throw new FileRefused(foreign);
      return zip.openReadStreamPromise(entry);
    };
    const manifest: unknown = await refusing(
      async () => JSON.parse((await readAll(await streamOf(manifestName), MANIFEST_BYTES)).toString("utf8")) as unknown,
      foreign,
    );
    return {
      manifest,
      close: () => zip.close(),
      bytes: (name, limit) => refusing(async () => readAll(await streamOf(name), limit), changed),
      has: (name) => entries.has(name),
      photo: (id, name, into) =>
        refusing(async () => {
          const hash = createHash("sha256");
          let bytes = 0;
          const watched = async function* (source: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
            for await (const chunk of source) {
              hash.update(chunk);
              bytes += chunk.length;
              if (bytes > LIMITS.photoBytes) throw new Error("too large");
              yield chunk;
            }
          };
          const from = await streamOf(name);
          if (into) await pipeline(from, watched, createWriteStream(into, { flags: "wx" }));
          else for await (const _chunk of watched(from as AsyncIterable<Buffer>)) void _chunk;
          if (hash.digest("hex") !== id) throw new Error("another photo");
        }, changed),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}
