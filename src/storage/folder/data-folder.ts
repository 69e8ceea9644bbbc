import { randomUUID } from "node:crypto";
import {
  chmodSync,
  closeSync,
  existsSync,
  fsyncSync,
  lstatSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from "node:fs";
import { dirname, join } from "node:path";
import { z } from "zod";
import { DATA_SHAPE, leastShape } from "@/model/shape";
import { NamedError } from "../named-error";

/** The data folder can't be used as it is; the message says why and what to do. */
export class FolderRefused extends NamedError {
  static override readonly kind = "FolderRefused";
}

/** The data folder is not where it was: moved, renamed or taken away while it was in use. */
export class FolderGone extends NamedError {
  static override readonly kind = "FolderGone";

  constructor(folder: string) {
    super(
      `The data folder "${folder}" is no longer there: it was moved, renamed or taken away while Abendrot ran. Put it back, or say where it is with ABENDROT_DATA, and start again.`,
    );
  }
}

/** The database in the data folder can't be read as it should be: a dated copy is the way back. */
export class DatabaseDamaged extends NamedError {
  static override readonly kind = "DatabaseDamaged";
}

/** What Abendrot notes of its folder: whether its database is whole, and whether the demo has been laid out. */
const mark = z.object({
  madeBy: z.literal("Abendrot"),
  database: z.enum(["making", "made"]),
  demo: z.boolean(),
  least: leastShape("newer"),
});
export type FolderMark = z.infer<typeof mark>;

const MARK = "abendrot.json";
/** Names that may lie in a folder which is new all the same: our own lock, and what systems put everywhere. */
const NO_CONTENT = /^(abendrot\.(in-use|owner\.json|lock|address)|lost\+found|\..*)/;

const contentOf = (folder: string): string[] => readdirSync(folder).filter((name) => !NO_CONTENT.test(name));

/** A database's files stand where PostgreSQL puts them (its manual, database file layout). */
const hasDatabase = (folder: string): boolean =>
  ["PG_VERSION", "global/pg_control"].every((name) => {
    const path = join(folder, "postgres", name);
    return existsSync(path) && statSync(path).size > 0;
  });

/** What is said of a folder that a newer program has written in. */
export const newerFolder = (folder: string): string =>
  `The data folder "${folder}" was brought up to date by a newer Abendrot. Nothing was changed. Start that one, or bring this one up to date.`;

function readMark(folder: string): FolderMark | null {
  if (!existsSync(join(folder, MARK))) return null;
  try {
    const read = mark.safeParse(JSON.parse(readFileSync(join(folder, MARK), "utf8")));
    if (read.success) return read.data;
    if (read.error.issues.every(({ path }) => path[0] === "least")) throw new FolderRefused(newerFolder(folder));
    throw read.error;
  } catch (error) {
    if (error instanceof FolderRefused) throw error;
    throw new FolderRefused(
      `The file "${join(folder, MARK)}" can't be read, so it is not known what lies in this folder. If the folder holds your paintings, remove that one file and start again.`,
    );
  }
}

/** Notes how the folder stands; the note appears whole or not at all. */
export function markFolder(folder: string, change: Omit<FolderMark, "madeBy" | "least">): void {
  const aside = join(folder, `.${MARK}-${randomUUID()}`);
  const file = openSync(aside, "wx");
  writeSync(file, JSON.stringify({ madeBy: "Abendrot", least: DATA_SHAPE, ...change } satisfies FolderMark));
  fsyncSync(file);
  closeSync(file);
  renameSync(aside, join(folder, MARK));
}

/**
 * Makes a folder and what it lies in, each once: Node's own recursive way goes round for ever where a system says "no
 * such folder" to a new one.
 */
function makeEach(folder: string): void {
  if (existsSync(folder) && statSync(folder).isDirectory()) return;
  if (dirname(folder) !== folder) makeEach(dirname(folder));
  mkdirSync(folder);
}

/** Makes sure that there is a folder which can be written. */
export function makeFolder(folder: string): void {
  try {
    makeEach(folder);
    const probe = join(folder, `.probe-${randomUUID()}`);
    writeFileSync(probe, "");
    rmSync(probe);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    const why =
      code === "EACCES" || code === "EPERM"
        ? "may not be written by you"
        : code === "EROFS"
          ? "lies on a disk that can't be written"
          : code === "EEXIST" || code === "ENOTDIR"
            ? "is no folder, or lies in none"
            : code === "ENOSPC"
              ? "lies on a disk that is full"
              : `can't be used (${code ?? String(error)})`;
    throw new FolderRefused(
      `The data folder "${folder}" ${why}. Choose another with ABENDROT_DATA, or mend it and start again.`,
    );
  }
}

/**
 * What to do with a folder: make the database in it, or open the one that is there; and whether the demo is laid out
 * in an empty one.
 */
export interface FolderPlan {
  readonly database: "make" | "open";
  /** Null: not known, since an earlier Abendrot made the folder. */
  readonly demo: boolean | null;
}

/**
 * Looks at a data folder before anything in it is touched. Only a plainly new one, empty or with a
 * database that was broken off while it was being made, is begun in; one that holds anything else
 * without a whole database is refused, so that nobody's paintings are covered by a demo.
 * Throws FolderRefused or DatabaseDamaged.
 */
export function inspectFolder(folder: string): FolderPlan {
  const known = readMark(folder);
  if (known?.database === "making") return { database: "make", demo: false };
  if (hasDatabase(folder)) return { database: "open", demo: known ? known.demo : null };
  const content = contentOf(folder);
  if (!known && content.length === 0) return { database: "make", demo: false };
  const own = known !== null || existsSync(join(folder, "photos")) || existsSync(join(folder, "postgres"));
  if (own)
    throw new DatabaseDamaged(
      `The data folder "${folder}" holds paintings or photos, but its database is not whole (in "postgres"). Nothing was changed.`,
    );
  throw new FolderRefused(
    `The folder "${folder}" is not empty and is no data folder of Abendrot (it holds ${content.slice(0, 3).join(", ")}${content.length > 3 ? " …" : ""}). Nothing was changed. Choose an empty folder, or one that does not exist yet, with ABENDROT_DATA.`,
  );
}

/** A database that was made anew from a copy, whole, and waits to take the damaged one's place. */
const WAITING = "postgres-whole";

/** Folder in which a database is made from a copy, cleared of what was broken off before. */
export function anewFolder(folder: string): string {
  const anew = join(folder, ".restoring");
  rmSync(anew, { recursive: true, force: true });
  mkdirSync(anew);
  return anew;
}

/**
 * Puts the database that lies in `anew` in the place of the damaged one, which stays beside it under another name.
 * Broken off in between, it is ended at the next start.
 */
export function takePlace(folder: string, anew: string, now: Date): void {
  renameSync(join(anew, "postgres"), join(folder, WAITING));
  rmSync(anew, { recursive: true, force: true });
  endTakingPlace(folder, now);
}

/** Ends what `takePlace` began; nothing where it has not. */
export function endTakingPlace(folder: string, now: Date): void {
  if (!existsSync(join(folder, WAITING))) return;
  const there = join(folder, "postgres");
  const stamp = now.toISOString().slice(0, 19).replaceAll(":", "-");
  if (existsSync(there)) renameSync(there, join(folder, `postgres-damaged-${stamp}`));
  renameSync(join(folder, WAITING), there);
}

/** Clears a database whose making was broken off. */
export function clearUnmade(folder: string): void {
  rmSync(join(folder, "postgres"), { recursive: true, force: true });
  markFolder(folder, { database: "making", demo: false });
}

/** What others may do with a file or a folder, of its mode. */
const OTHERS = 0o077;

/**
 * Makes a data folder and all that lies in it its owner's alone, whatever an earlier program or the system's mask left
 * open; returns how many files and folders were open to others. What is somebody else's, or lies on a disk that knows
 * no modes, stays as it is.
 */
export function ownAlone(folder: string): number {
  let opened = 0;
  const shut = (path: string): void => {
    try {
      const found = lstatSync(path);
      if (found.isSymbolicLink() || (found.mode & OTHERS) === 0) return;
      chmodSync(path, found.mode & 0o700);
      if ((lstatSync(path).mode & OTHERS) === 0) opened++;
    } catch (error) {
      const { code } = error as NodeJS.ErrnoException;
      // Not ours to change, or gone meanwhile.
      if (code !== "EPERM" && code !== "EACCES" && code !== "ENOENT" && code !== "EROFS") throw error;
    }
  };
  shut(folder);
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true }))
    shut(join(entry.parentPath, entry.name));
  return opened;
}
