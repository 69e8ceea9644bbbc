import { createHash } from "node:crypto";
import { createWriteStream } from "node:fs";
import type { Readable } from "node:stream";
import { pipeline } from "node:stream/promises";
import { openPromise, type Entry } from "yauzl";
import { LIMITS } from "@/model/limits";
import { NamedError } from "../named-error";
import { readJsonPieces, type PieceLimits } from "./json-pieces";

/** A file that is none of ours, not whole, or of a newer program: nothing of it was taken. */
export class FileRefused extends NamedError {
  static override readonly kind = "FileRefused";
}

/** A door of ours takes documents up to a megabyte; with the blanks between its values one is well under this. */
const PIECE: PieceLimits = { pieceBytes: 4 * 1024 * 1024, pieceValues: 150_000 };
/** Files in an archive: ten thousand entries of a logbook with twelve photos each, and some beside. */
const MOST_ENTRIES = 130_000;
/** Records and lists pack to a tenth or a thirtieth; what unpacks to more than this many times its size is a trap. */
const MOST_RATIO = 200;
/** Below this it does no harm. */
const HARMLESS_BYTES = 1024 * 1024;

/** An open zip of ours. Whatever is wrong with it is thrown as FileRefused, in the words that it was opened with. */
export interface Archive {
  /**
   * Reads a JSON file of at most `limit` bytes in it: elements of the lists that are named are handed over one by one,
   * the answer is all else.
   */
  readonly json: (
    name: string,
    limit: number,
    lists: readonly string[],
    take: (list: string, element: unknown) => void | Promise<void>,
  ) => Promise<unknown>;
  /** The bytes of a file in it as they come, at most `limit`. Whoever reads them has what is thrown made to words. */
  readonly bytes: (name: string, limit: number) => AsyncIterable<Buffer>;
  /** Whether there is a file of this name in it. */
  readonly has: (name: string) => boolean;
  /** Reads a photo through, into a new file where one is named; refused when it is not the one that its id says. */
  readonly photo: (id: string, name: string, into?: string) => Promise<void>;
  /** Does something with what stands in it: whatever goes wrong means that it is not what it was. */
  readonly reading: <T>(work: () => Promise<T>) => Promise<T>;
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

/** A stream's bytes as they come, at most `limit`. */
async function* upTo(limit: number, stream: Readable): AsyncGenerator<Buffer> {
  let bytes = 0;
  for await (const chunk of stream as AsyncIterable<Buffer>) {
    bytes += chunk.length;
    if (bytes > limit) throw new Error("too large");
    yield chunk;
  }
}

/**
 * Opens a zip. Throws FileRefused.
 * @param foreign words for a file that is none of ours or cut off
 * @param changed words for one whose content is not what it was
 */
export async function openArchive(path: string, foreign: string, changed: string): Promise<Archive> {
  const zip = await refusing(() => openPromise(path, { autoClose: false }), foreign);
  try {
    const entries = new Map<string, Entry>();
    await refusing(async () => {
      if (zip.entryCount > MOST_ENTRIES) throw new Error("too many files");
      for await (const entry of zip.eachEntry()) {
        const { uncompressedSize: size, compressedSize: packed } = entry;
        if (size > HARMLESS_BYTES && size > MOST_RATIO * packed) throw new Error("unpacks to far too much");
        entries.set(entry.fileName, entry);
      }
    }, foreign);
    const streamOf = async (name: string): Promise<Readable> => {
      const entry = entries.get(name);
      if (!entry) throw new FileRefused(foreign);
      return zip.openReadStreamPromise(entry);
    };
    const bytes = async function* (name: string, limit: number): AsyncGenerator<Buffer> {
      yield* upTo(limit, await streamOf(name));
    };
    return {
      json: (name, limit, lists, take) =>
        refusing(() => readJsonPieces(bytes(name, limit), lists, PIECE, take), foreign),
      reading: (work) => refusing(work, changed),
      bytes,
      close: () => zip.close(),
      has: (name) => entries.has(name),
      photo: (id, name, into) =>
        refusing(async () => {
          const hash = createHash("sha256");
          const watched = async function* (): AsyncGenerator<Buffer> {
            for await (const chunk of bytes(name, LIMITS.photoBytes)) {
              hash.update(chunk);
              yield chunk;
            }
          };
          if (into) await pipeline(watched, createWriteStream(into, { flags: "wx" }));
          else for await (const _chunk of watched()) void _chunk;
          if (hash.digest("hex") !== id) throw new Error("another photo");
        }, changed),
    };
  } catch (error) {
    zip.close();
    throw error;
  }
}
