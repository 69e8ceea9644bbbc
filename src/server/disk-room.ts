import { statfs } from "node:fs/promises";

/** There is too little room on the disk to write safely. */
export class NoRoom extends Error {
  constructor() {
    super("The disk is nearly full, so nothing was written: it can't be kept until there is room. Free some space where the data folder lies; it will then be tried again.");
  }
}

const MB = 1024 * 1024;
/**
 * Room that every write leaves: the database makes a new 16 MB log segment whenever one is full
 * (PostgreSQL manual, WAL configuration) and can't go on without; four of them, to be sure.
 */
export const RESERVE_BYTES = 64 * MB;

/** Free room where a folder lies, bytes. */
export async function freeBytes(folder: string): Promise<number> {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
}

/** Throws NoRoom unless `bytes` can be written in a folder and the reserve still be left. */
export async function needRoom(folder: string, bytes = 0, free: (folder: string) => Promise<number> = freeBytes): Promise<void> {
  if ((await free(folder)) < RESERVE_BYTES + bytes) throw new NoRoom();
}
