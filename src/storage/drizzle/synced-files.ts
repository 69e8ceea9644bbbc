import { fsyncSync } from "node:fs";
import { PGlite } from "@electric-sql/pglite";
import { NodeFS } from "@electric-sql/pglite/nodefs";

/** What is needed of Emscripten's file system over Node's: a stream's own file descriptor. */
interface NodeStream {
  readonly nfd?: number;
}
interface WithNodeFiles {
  readonly NODEFS: { readonly stream_ops: { fsync?: (stream: NodeStream) => number } };
}

/** Some systems can't sync a folder that is open for reading; their own file system keeps its names in order. */
function syncStream({ nfd }: NodeStream): number {
  if (nfd === undefined) return 0;
  try {
    fsyncSync(nfd);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code !== "EPERM" && code !== "EINVAL" && code !== "EBADF") throw error;
  }
  return 0;
}

/**
 * A folder of PGlite's whose files are really synced: Emscripten's file system over Node's knows no fsync, and what
 * PostgreSQL asks to be synced would lie in the system's memory.
 */
export class SyncedFiles extends NodeFS {
  override async init(...args: Parameters<NodeFS["init"]>): ReturnType<NodeFS["init"]> {
    const { emscriptenOpts } = await super.init(...args);
    return {
      emscriptenOpts: {
        ...emscriptenOpts,
        preRun: [
          ...(emscriptenOpts.preRun ?? []),
          (module: unknown) => void ((module as WithNodeFiles).NODEFS.stream_ops.fsync = syncStream),
        ],
      },
    };
  }
}

/**
 * PGlite's own parameters, but for `-F` (no fsync). Of the ways to sync the log only fsync reaches the file system:
 * Emscripten answers fdatasync, PostgreSQL's usual choice on Linux, without doing anything.
 */
export const syncedStartParams = (): string[] => [
  ...PGlite.defaultStartParams.filter((param) => param !== "-F"),
  ...["-c", "fsync=on", "-c", "wal_sync_method=fsync", "-c", "synchronous_commit=on", "-c", "full_page_writes=on"],
];
