import { randomUUID } from "node:crypto";
import { closeSync, fsyncSync, linkSync, mkdirSync, openSync, readFileSync, renameSync, rmSync, statSync, unlinkSync, writeSync } from "node:fs";
import { join } from "node:path";
import { z } from "zod";

const owner = z.object({ pid: z.int().positive(), started: z.string(), token: z.string() });
type Owner = z.infer<typeof owner>;

/** Another process works on the data folder. */
export class FolderInUse extends Error {
  constructor(readonly folder: string, readonly pid: number) {
    super(
      `Abendrot is already running on the data folder "${folder}" (process ${pid}). ` +
        "Two at once would destroy it. Use the one that is running, stop it first, or set ABENDROT_DATA to another folder.",
    );
  }
}

const FILE = "abendrot.lock";
/** A takeover is a matter of milliseconds; a guard older than this was left by a crash. */
const GUARD_STALE_MS = 10_000;

/** When a process started, in the kernel's own count, so that a reused process number is told apart; "" where unknown. */
function startOf(pid: number): string {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, "utf8");
    return stat.slice(stat.lastIndexOf(")") + 2).split(" ")[19] ?? "";
  } catch {
    return "";
  }
}

function isAlive({ pid, started }: Owner): boolean {
  try {
    process.kill(pid, 0);
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === "EPERM";
  }
  const now = startOf(pid);
  return started === "" || now === "" || started === now;
}

function read(path: string): Owner | null {
  try {
    return owner.parse(JSON.parse(readFileSync(path, "utf8")));
  } catch {
    return null;
  }
}

function exists(path: string): boolean {
  try {
    statSync(path);
    return true;
  } catch {
    return false;
  }
}

/**
 * Takes the data folder for this process; returns the function that gives it back. The lock file
 * appears whole (written aside, then linked). A lock whose process is gone is taken over under a
 * guard directory, so that two newcomers can't both take it. Throws FolderInUse.
 */
export function lockFolder(folder: string): () => void {
  mkdirSync(folder, { recursive: true });
  const path = join(folder, FILE);
  const mine: Owner = { pid: process.pid, started: startOf(process.pid), token: randomUUID() };
  const aside = join(folder, `${FILE}.${mine.token}`);
  const descriptor = openSync(aside, "wx");
  writeSync(descriptor, JSON.stringify(mine));
  fsyncSync(descriptor);
  closeSync(descriptor);
  const release = (): void => {
    if (read(path)?.token === mine.token) unlinkSync(path);
  };
  try {
    linkSync(aside, path);
    return release;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== "EEXIST") throw error;
    const held = read(path);
    if (held && isAlive(held)) throw new FolderInUse(folder, held.pid);
    takeOver(folder, path, aside);
    return release;
  } finally {
    rmSync(aside, { force: true });
  }
}

function takeOver(folder: string, path: string, aside: string): void {
  const guard = join(folder, `${FILE}.takeover`);
  if (exists(guard) && Date.now() - statSync(guard).mtimeMs > GUARD_STALE_MS) rmSync(guard, { recursive: true, force: true });
  try {
    mkdirSync(guard);
  } catch {
    throw new FolderInUse(folder, read(path)?.pid ?? 0);
  }
  try {
    const held = read(path);
    if (held && isAlive(held)) throw new FolderInUse(folder, held.pid);
    renameSync(aside, path);
  } finally {
    rmSync(guard, { recursive: true, force: true });
  }
}
