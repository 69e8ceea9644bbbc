import "server-only";
import { randomUUID } from "node:crypto";
import { rm, rename } from "node:fs/promises";
import { allMigrations } from "@/storage/drizzle/migrations";
import { isNothing, type Holdings, type WaitingFile } from "@/model/backup";
import type { Store } from "@/storage/ports";
import { acrossBundles } from "../context/across-bundles";

/** A file that was brought and read through lies here until it is put back or dropped. */
interface Waiting {
  readonly path: string;
  readonly where: string;
  readonly until: NodeJS.Timeout;
}

/** A file that nobody decides on is dropped. */
const WAIT_MS = 3_600_000;

const waiting = acrossBundles("waiting", () => new Map<string, Waiting>());

/** Only the store that a file was brought to may put it back. */
const whereOf = (store: Store): string => store.photoFiles.where;

function take(store: Store, token: string): string | null {
  const found = waiting.get(token);
  if (!found || found.where !== whereOf(store)) return null;
  clearTimeout(found.until);
  waiting.delete(token);
  return found.path;
}

/**
 * Reads a file through that was brought to `path`. Where nothing of one's own is in the store it is put back at once;
 * else it waits, and the answer says what it holds and what it would take the place of. Throws FileRefused.
 */
export async function bringBackup(
  store: Store,
  path: string,
): Promise<{ readonly restored: Holdings } | { readonly waiting: WaitingFile }> {
  const { keeping } = store;
  const manifest = await keeping.check(path);
  const replaces = await keeping.holdings();
  if (isNothing(replaces)) {
    await keeping.restore(path);
    return { restored: manifest.holds };
  }
  const token = randomUUID();
  const kept = `${path}-waiting`;
  await rename(path, kept);
  const until = setTimeout(() => void dropWaiting(store, token), WAIT_MS);
  until.unref();
  waiting.set(token, { path: kept, where: whereOf(store), until });
  return {
    waiting: {
      token,
      madeAt: manifest.madeAt,
      holds: manifest.holds,
      replaces,
      lost: manifest.lost.length,
      older: allMigrations().length - manifest.migrations,
    },
  };
}

/** Puts a waiting file back, after a copy of what is there; false when it waits no longer. Throws FileRefused. */
export async function restoreWaiting(store: Store, token: string): Promise<boolean> {
  const path = take(store, token);
  if (path === null) return false;
  try {
    await store.keeping.restore(path);
    return true;
  } finally {
    await rm(path, { force: true });
  }
}

export async function dropWaiting(store: Store, token: string): Promise<void> {
  const path = take(store, token);
  if (path !== null) await rm(path, { force: true });
}
