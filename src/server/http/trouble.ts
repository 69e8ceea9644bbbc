import { BeingReplaced, NotForGuests, SignInNeeded } from "../context/refusals";
import { DatabaseDamaged, FolderGone, FolderRefused } from "@/storage/folder/data-folder";
import { DiskFull, DiskReadOnly } from "@/storage/folder/disk-space";

/** What went wrong, as the painter is told it. */
export interface Trouble {
  readonly status: number;
  readonly message: string;
  /** The database is damaged: a dated copy is the way back. */
  readonly damaged?: boolean;
}

/** PostgreSQL's error codes (its manual, appendix A) that mean the stored data can't be read as they should be. */
const DAMAGED = new Set(["XX001", "XX002", "58030", "58P01", "42P01", "42P07", "42703"]);
const DISK_FULL = "53100";
/** Another process puts something back: its tables are held, or two waited for each other. */
const LOCK_NOT_HAD = "55P03";
const DEADLOCK = "40P01";
/** What says that the database server is away, or going away: its own codes, and those of the network. */
const AWAY = /^(08...|57P0[123]|53300|ECONNREFUSED|ECONNRESET|EPIPE|ENOTFOUND|ETIMEDOUT)$/;
const AWAY_WORDS =
  "The database server doesn't answer. What you changed is kept in this browser and will be tried again.";

/** The error that others were made from: a query's error carries the whole query in its words, its cause does not. */
function rootOf(error: unknown): unknown {
  let root = error;
  while (root instanceof Error && root.cause !== undefined) root = root.cause;
  return root;
}

const codeOf = (error: unknown): string =>
  typeof error === "object" && error !== null && "code" in error ? String(error.code) : "";

const DAMAGED_WORDS = "The database in the data folder is damaged: some of it can't be read. Nothing was changed.";

/** What an error means for the painter. */
export function troubleOf(error: unknown, otherwise: string): Trouble {
  const root = rootOf(error);
  const code = codeOf(root);
  // These are the painter's words already.
  if (error instanceof FolderRefused || error instanceof FolderGone) return { status: 503, message: error.message };
  if (error instanceof DatabaseDamaged) return { status: 503, message: error.message, damaged: true };
  if (error instanceof DiskReadOnly) return { status: 507, message: error.message };
  if (error instanceof DiskFull) return { status: 507, message: error.message };
  if (error instanceof BeingReplaced || code === LOCK_NOT_HAD || code === DEADLOCK)
    return { status: 503, message: new BeingReplaced().message };
  if (error instanceof NotForGuests) return { status: 403, message: error.message };
  if (error instanceof SignInNeeded) return { status: 401, message: error.message };
  if (AWAY.test(code) || (root instanceof Error && /^(Connection terminated|timeout exceeded)/.test(root.message)))
    return { status: 503, message: AWAY_WORDS };
  if (code === "EROFS") return { status: 507, message: new DiskReadOnly().message };
  if (DAMAGED.has(code)) return { status: 500, message: DAMAGED_WORDS, damaged: true };
  if (code === DISK_FULL || code === "ENOSPC" || code === "EDQUOT")
    return { status: 507, message: new DiskFull().message };
  return { status: 500, message: otherwise };
}

/** Notes an error where Abendrot was started: one line, never a query with all its values. */
export function noteTrouble(where: string, error: unknown): void {
  const root = rootOf(error);
  const words = root instanceof Error ? `${root.name}: ${root.message}` : String(root);
  console.error(`${where}: ${words.split("\n", 1)[0]!.slice(0, 300)}${codeOf(root) && ` (${codeOf(root)})`}`);
}
