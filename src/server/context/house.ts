import "server-only";
import { randomUUID } from "node:crypto";
import { copyFile, rm } from "node:fs/promises";
import { dirname, join } from "node:path";
import type { DatedCopy } from "@/model/backup";
import type { Painter } from "@/model/sign-in";
import { FolderRefused } from "@/storage/folder/data-folder";
import { needSpace } from "@/storage/folder/disk-space";
import { copiesFolder } from "@/storage/store";
import type { Store } from "@/storage/ports";
import { notForGuests } from "./beside";
import { BeingReplaced } from "./refusals";
import { databaseUrl, dataFolder, onlyPainter } from "./environment";
import {
  closeOwn,
  isOwnOpen,
  openOwn,
  ownCopies,
  readableOrRestored,
  takeDataFolder,
  type OpenStore,
} from "./own-folder";
import { presentSpace, signedIn } from "./session";
import { closeStudio, NEWER_SPACE, openOnly, openSpaceOf, spaces, takeStudio } from "./studio";

/** Whether Abendrot runs for several painters on a PostgreSQL server, each with a space of their own. */
export const isStudio = (): boolean => databaseUrl() !== null;

/**
 * What is asked about: the painter's own folder, or the space of whoever is signed in. Throws SignInNeeded, or
 * NotForGuests for a second screen.
 */
async function present(): Promise<OpenStore> {
  await notForGuests();
  if (!isStudio()) return openOwn();
  const space = await openSpaceOf(await presentSpace());
  // Another process on the same server may be a newer program, and have brought the space up to date meanwhile.
  if (await space.store.keeping.outgrown()) throw new FolderRefused(NEWER_SPACE);
  return space;
}

/** Takes what this process works on, once. Throws FolderInUse, FolderRefused or why the server can't be used. */
export const takeHouse = (): Promise<void> => (isStudio() ? takeStudio() : takeDataFolder());

/** Opens what can be opened before anybody asks. */
export async function openHouse(): Promise<void> {
  const only = onlyPainter();
  if (!isStudio()) await openOwn();
  else if (only !== null) await openOnly(only);
}

/** Whether the store is open already, so that reading it need not be waited for. */
export const isOpen = (): boolean => isStudio() || isOwnOpen();

/** The open store of whoever asks. Throws SignInNeeded. */
export const openStore = async (): Promise<Store> => (await present()).store;

/** The store for writing. Throws DiskFull or DiskReadOnly, and then nothing is written, when `bytes` have no room. */
export async function storeToWrite(bytes = 0): Promise<Store> {
  const { store, saved } = await present();
  if (store.keeping.beingReplaced()) throw new BeingReplaced();
  await needSpace(dataFolder(), bytes);
  saved();
  return store;
}

/** Where the data lie, in words. */
export const whereKept = (): string =>
  isStudio() ? "All of it lies in your space on this server." : `All of it lies in ${dataFolder()}.`;

/** The dated copies, newest first; of one's own folder whether or not its database can be read. */
export const datedCopies = async (): Promise<DatedCopy[]> =>
  isStudio() ? (await openStore()).keeping.copies.list() : ownCopies();

/** Puts a dated copy back; false when there is none of this name. Throws FileRefused. */
export async function restoreCopy(name: string): Promise<boolean> {
  const copy = (await datedCopies()).find((known) => known.name === name);
  if (!copy) return false;
  const path = isStudio()
    ? (await (await openStore()).keeping.copies.pathOf(name))!
    : join(copiesFolder(dataFolder()), copy.name);
  const store = isStudio() ? await openStore() : await readableOrRestored(path);
  if (!store) return true;
  // Out of the way of the copy that is made now: of ten, the oldest goes.
  const held = join(dirname(path), `.held-${randomUUID()}`);
  await copyFile(path, held);
  try {
    await store.keeping.restore(held);
  } finally {
    await rm(held, { force: true });
  }
  return true;
}

/** Who is signed in on a server: the name, and whether it is a teacher's; null on one's own machine, or for nobody. */
export async function presentPainter(): Promise<Painter | null> {
  const space = isStudio() && onlyPainter() === null ? await signedIn().catch(() => null) : null;
  return space && { name: space.name, teacher: space.teacher };
}

/** The other painters' stores, for a teacher who hands a painting to all; null for anybody else. */
export async function otherSpaces(): Promise<(() => Promise<Store>)[] | null> {
  const own = isStudio() ? await presentSpace() : null;
  if (!own?.teacher) return null;
  const all = await (await spaces()).list();
  return all.filter(({ schema }) => schema !== own.schema).map((space) => async () => (await openSpaceOf(space)).store);
}

/** The space that is looked at, as a key; null on one's own machine, or for nobody. */
export const presentSchema = async (): Promise<string | null> =>
  isStudio() ? ((await signedIn().catch(() => null))?.schema ?? null) : null;

/** Closes what is open and gives the data folder back. */
export const closeHouse = (): Promise<void> => (isStudio() ? closeStudio() : closeOwn());
