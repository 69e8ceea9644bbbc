import { fsyncSync } from "node:fs";
import { PGlite } from "@electric-sql/pglite";
import { NodeFS } from "@electric-sql/pglite/nodefs";

/** What is needed of Emscripten's file system over Node's: a stream's own file descriptor. */
interface NodeStream {
  readonly nfd?: number;
}
/** What is to become of a file; its mode among other things. */
interface Attributes {
  readonly mode?: number;
}
type SetAttributes = (of: unknown, attributes: Attributes) => void;
interface WithNodeFiles {
  readonly NODEFS: {
    readonly stream_ops: { fsync?: (stream: NodeStream) => number; setattr: SetAttributes };
    readonly node_ops: { setattr: SetAttributes };
  };
}

/** Emscripten sets the mode of a new file by itself, past the process's mask. */
const ownAlone =
  (set: SetAttributes): SetAttributes =>
  (of, attributes) =>
    set(of, attributes.mode === undefined ? attributes : { ...attributes, mode: attributes.mode & ~0o077 });

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
 * A folder of PGlite's whose files are its owner's alone and really synced: Emscripten's file system over Node's knows
 * no fsync, and what PostgreSQL asks to be synced would lie in the system's memory.
 */
export class SyncedFiles extends NodeFS {
  override async init(...args: Parameters<NodeFS["init"]>): ReturnType<NodeFS["init"]> {
    const { emscriptenOpts } = await super.init(...args);
    return {
      emscriptenOpts: {
        ...emscriptenOpts,
        preRun: [
          ...(emscriptenOpts.preRun ?? []),
          (module: unknown) => {
            const { stream_ops: streams, node_ops: nodes } = (module as WithNodeFiles).NODEFS;
            streams.fsync = syncStream;
            streams.setattr = ownAlone(streams.setattr);
            nodes.setattr = ownAlone(nodes.setattr);
          },
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
