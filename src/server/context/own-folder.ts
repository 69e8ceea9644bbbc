import "server-only";
import { existsSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { listCopies, photosOfCopies } from "@/storage/backup/copies";
import { keepingOf, restoreInto } from "@/storage/backup/keeping";
import { EMBEDDED } from "@/storage/drizzle/migrations";
import { MadeByNewer, openDatabase } from "@/storage/drizzle/open";
import { upkeepOf } from "@/storage/drizzle/upkeep";
import {
  anewFolder,
  clearUnmade,
  DatabaseDamaged,
  endTakingPlace,
  FolderGone,
  FolderRefused,
  inspectFolder,
  makeFolder,
  markFolder,
  newerFolder,
  ownAlone,
  takePlace,
} from "@/storage/folder/data-folder";
import { photoFilesIn } from "@/storage/folder/photo-files";
import { syncFolder } from "@/storage/folder/sync-tree";
import { counted } from "@/model/text";
import { hasOwnPhotos } from "../demo/photo-id";
import { layOutDemo } from "../demo/lay-out";
import { needSpace, needSpaceToOpen } from "@/storage/folder/disk-space";
import { acrossBundles } from "./across-bundles";
import { dataFolder, withoutDemo } from "./environment";
import { lockFolder } from "@/storage/folder/folder-lock";
import { sweepPhotos } from "@/storage/folder/sweep";
import type { Store } from "@/storage/ports";
import { copiesFolder, storeIn } from "@/storage/store";
import { noteTrouble } from "../http/trouble";

/** Exit status when the folder was lost to another process while it was in use. */
const EXIT_FOLDER_LOST = 4;

/** How long after a start the day's copy is looked at first, and how often then. */
const FIRST_COPY_MS = 30_000;
const COPY_MS = 3_600_000;

/** An open store and what looks after it. */
export interface OpenStore {
  readonly store: Store;
  readonly close: () => Promise<void>;
  /** Told of every write. */
  readonly saved: () => void;
}

interface House {
  taken?: Promise<() => Promise<void>>;
  opening?: Promise<OpenStore>;
  /** Set once `opening` has been kept. */
  open?: boolean;
}

const house = acrossBundles<House>("house", () => ({}));

const addressNote = (folder: string): string => join(folder, "abendrot.address");

async function take(folder: string): Promise<() => Promise<void>> {
  makeFolder(folder);
  const release = await lockFolder(
    folder,
    (message) => {
      console.error(
        existsSync(folder)
          ? `The data folder was lost to another process (${message}). Abendrot ends so that nothing is written twice.`
          : `${new FolderGone(folder).message} Abendrot ends.`,
      );
      process.exit(EXIT_FOLDER_LOST);
    },
    console.log,
  );
  try {
    endTakingPlace(folder, new Date());
    inspectFolder(folder);
    const opened = ownAlone(folder);
    if (opened > 0)
      console.log(
        `Others on this machine could read or write ${counted(opened, "file")} of the data folder; now it is yours alone.`,
      );
  } catch (error) {
    // With a copy at hand the way back is shown on the page.
    if (error instanceof DatabaseDamaged && (await listCopies(copiesFolder(folder))).length > 0) return release;
    await release();
    throw error;
  }
  return release;
}

/**
 * Takes the data folder for this process, once. Throws FolderInUse or FolderRefused, and then has touched nothing in
 * it.
 */
export async function takeDataFolder(): Promise<void> {
  house.taken ??= take(dataFolder());
  await house.taken;
}

/** Looks after an open store: clears it when nobody writes, and makes the day's copy. */
function watched(store: Store, { db, close }: Awaited<ReturnType<typeof openDatabase>>): OpenStore {
  const upkeep = upkeepOf(db, (error) => noteTrouble("The database could not be cleared", error));
  const copy = (): void =>
    void store.keeping.copies
      .makeIfDue()
      .catch((error: unknown) => noteTrouble("The day's copy could not be made", error));
  const timers = [setTimeout(copy, FIRST_COPY_MS), setInterval(copy, COPY_MS)];
  for (const timer of timers) timer.unref();
  return {
    store,
    saved: upkeep.saved,
    close: async () => {
      for (const timer of timers) clearTimeout(timer);
      upkeep.stop();
      await close();
    },
  };
}

/**
 * Opens the database of a folder as it stands; a new one is made first, and the demo laid out in one that has never
 * been lived in.
 */
async function openFolder(folder: string): Promise<OpenStore> {
  endTakingPlace(folder, new Date());
  const plan = inspectFolder(folder);
  await (plan.database === "make" ? needSpace(folder) : needSpaceToOpen(folder));
  if (plan.database === "make") clearUnmade(folder);
  const opened = await openDatabase(folder, (db) =>
    keepingOf(db, EMBEDDED, photoFilesIn(folder), copiesFolder(folder)).copies.make("before a new version"),
  ).catch((error: unknown) => {
    if (error instanceof MadeByNewer) throw new FolderRefused(newerFolder(folder));
    noteTrouble("The database could not be opened", error);
    throw new DatabaseDamaged(`The database in "${folder}" can't be opened; it may be damaged.`);
  });
  try {
    const store = storeIn(opened.db, folder);
    const { revision, document } = await store.paintbox.find();
    const empty = revision === 0 && document.paints.length === 0;
    const demo = plan.demo ?? !(empty && !(await hasOwnPhotos(store.photoFiles)));
    if (empty && demo)
      throw new DatabaseDamaged(`The database in "${folder}" has been emptied: the paintbox is gone from it.`);
    if (plan.database === "make") markFolder(folder, { database: "made", demo: false });
    if (!demo && !withoutDemo()) await layOutDemo(store);
    if (demo || !withoutDemo()) markFolder(folder, { database: "made", demo: true });
    await sweepPhotos(store, new Date(), console.log, await photosOfCopies(copiesFolder(folder)));
    return watched(store, opened);
  } catch (error) {
    await opened.close().catch(() => {});
    throw error;
  }
}

async function open(): Promise<OpenStore> {
  await takeDataFolder();
  return openFolder(dataFolder());
}

/** Whether the store is open already, so that reading it need not be waited for. */
export const isOwnOpen = (): boolean => house.open === true;

/**
 * The open store; the first call opens it, brings it up to date and lays out the demo. What went wrong is tried again
 * at the next call.
 */
export async function openOwn(): Promise<OpenStore> {
  house.opening ??= open().catch((error: unknown) => {
    house.opening = undefined;
    throw error;
  });
  const opened = await house.opening;
  house.open = true;
  return opened;
}

/** The dated copies, newest first, whether or not the database can be read. */
export const ownCopies = () => listCopies(copiesFolder(dataFolder()));

/**
 * Makes the database anew from a dated copy, beside the damaged one, and puts it in its place; the damaged one stays
 * under another name. Whoever asks meanwhile waits. Throws FileRefused or what kept it from being made, and then the
 * folder is as it was.
 */
async function restoreDamaged(path: string): Promise<void> {
  const folder = dataFolder();
  const before = await house.opening?.catch(() => null);
  const anew = async (): Promise<OpenStore> => {
    const aside = anewFolder(folder);
    const made = await openDatabase(aside);
    try {
      await restoreInto(made.db, EMBEDDED, photoFilesIn(folder), path);
    } finally {
      await made.close();
    }
    await before?.close().catch(() => {});
    takePlace(folder, aside, new Date());
    await syncFolder(folder);
    markFolder(folder, { database: "made", demo: true });
    return openFolder(folder);
  };
  const opening = anew();
  house.opening = opening.catch((error: unknown) => {
    house.opening = undefined;
    throw error;
  });
  // Told to whoever asked, below.
  house.opening.catch(() => {});
  await opening;
}

/** Whether the records can be read to their last row. */
const canBeRead = (store: Store): Promise<boolean> =>
  store.keeping.holdings().then(
    () => true,
    () => false,
  );

/** The store when it can be read; else the database is made anew from a copy, and the answer is null. */
export async function readableOrRestored(path: string): Promise<Store | null> {
  await takeDataFolder();
  const opened = await openOwn().catch(() => null);
  if (opened && (await canBeRead(opened.store))) return opened.store;
  await restoreDamaged(path);
  return null;
}

/** Where this process answers: `npm run backup` asks there. It goes with the process. */
export function noteAddress(address: string): void {
  writeFileSync(addressNote(dataFolder()), address);
}

/** Closes the database and gives the data folder back. */
export async function closeOwn(): Promise<void> {
  const opened = await house.opening?.catch(() => null);
  await opened?.close();
  const release = await house.taken?.catch(() => null);
  if (release) rmSync(addressNote(dataFolder()), { force: true });
  await release?.();
}
