import { constants } from "node:fs";
import { access, statfs } from "node:fs/promises";
import { NamedError } from "../named-error";
import { FolderGone } from "./data-folder";

/** There is too little room on the disk to write safely. */
export class DiskFull extends NamedError {
  static override readonly kind = "DiskFull";

  constructor(what = "nothing was written: it can't be kept until there is room") {
    super(
      `The disk is nearly full, so ${what}. Free some space where the data folder lies; it will then be tried again.`,
    );
  }
}

/** The disk can't be written at all: a card with its lock on, a system that has set it to read-only. */
export class DiskReadOnly extends NamedError {
  static override readonly kind = "DiskReadOnly";

  constructor() {
    super(
      "The disk can only be read at present, so nothing was written. Make it writable again; it will then be tried again.",
    );
  }
}

/** Throws DiskReadOnly where nothing may be written. */
async function needWritable(folder: string): Promise<void> {
  await access(folder, constants.W_OK).catch((error: NodeJS.ErrnoException) => {
    if (error.code === "ENOENT") throw new FolderGone(folder);
    if (error.code === "EROFS" || error.code === "EACCES" || error.code === "EPERM") throw new DiskReadOnly();
    throw error;
  });
}

const MB = 1024 * 1024;
/**
 * Room that every write leaves: the database makes a new 16 MB log segment whenever one is full
 * (PostgreSQL manual, WAL configuration) and can't go on without; four of them, to be sure.
 */
export const RESERVE_BYTES = 64 * MB;

/** Room to open a database: its log may need one new segment while it is read again after a crash. */
const OPENING_BYTES = 32 * MB;

/** Free room where a folder lies, bytes. */
async function freeBytes(folder: string): Promise<number> {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
}

/** Throws DiskReadOnly or DiskFull unless `bytes` can be written in a folder and the reserve still be left. */
export async function needSpace(
  folder: string,
  bytes = 0,
  free: (folder: string) => Promise<number> = freeBytes,
): Promise<void> {
  await needWritable(folder);
  if ((await free(folder)) < RESERVE_BYTES + bytes) throw new DiskFull();
}

/** Throws NoRoom unless a database can be opened in a folder. */
export async function needSpaceToOpen(
  folder: string,
  free: (folder: string) => Promise<number> = freeBytes,
): Promise<void> {
  if ((await free(folder)) < OPENING_BYTES)
    throw new DiskFull("the paintings can't be opened safely. What is stored was not touched");
}
