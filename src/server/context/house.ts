import "server-only";
import { openDatabase, type OpenDatabase } from "@/storage/drizzle/open";
import { clearUnmade, FolderRefused, inspectFolder, makeFolder, markFolder } from "@/storage/folder/data-folder";
import { hasOwnPhotos } from "../demo/photo-id";
import { seedDemo } from "../demo/seed";
import { needSpace, needSpaceToOpen } from "@/storage/folder/disk-space";
import { dataFolder } from "./environment";
import { lockFolder } from "@/storage/folder/folder-lock";
import { sweepPhotos } from "@/storage/folder/sweep";
import type { Store } from "@/storage/ports";
import { storeIn } from "@/storage/store";
import { noteTrouble } from "../http/trouble";

/** Exit status when the folder was lost to another process while it was in use. */
const EXIT_FOLDER_LOST = 4;

interface OpenStore {
  readonly store: Store;
  readonly close: OpenDatabase["close"];
}

interface House {
  taken?: Promise<() => Promise<void>>;
  opening?: Promise<OpenStore>;
  /** Set once `opening` has been kept. */
  open?: boolean;
}

// Route, page and instrumentation bundles each load this module: the one database lives on globalThis.
const house: House = ((globalThis as { abendrotHouse?: House }).abendrotHouse ??= {});

async function take(folder: string): Promise<() => Promise<void>> {
  makeFolder(folder);
  const release = await lockFolder(
    folder,
    (message) => {
      console.error(
        `The data folder was lost to another process (${message}). Abendrot ends so that nothing is written twice.`,
      );
      process.exit(EXIT_FOLDER_LOST);
    },
    console.log,
  );
  try {
    inspectFolder(folder);
  } catch (error) {
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

/**
 * Opens the database of a folder as it stands; a new one is made first, and the demo laid out in one that has never
 * been lived in.
 */
async function openFolder(folder: string): Promise<OpenStore> {
  const plan = inspectFolder(folder);
  await (plan.database === "make" ? needSpace(folder) : needSpaceToOpen(folder));
  if (plan.database === "make") clearUnmade(folder);
  const opened = await openDatabase(folder).catch((error: unknown) => {
    noteTrouble("The database could not be opened", error);
    throw new FolderRefused(
      `The database in "${folder}" can't be opened; it may be damaged. Stop Abendrot, put a copy of the folder in its place and start again. Keep the damaged one until you know that the copy is whole.`,
    );
  });
  try {
    const store = storeIn(opened.db, folder);
    const { revision, document } = await store.paintbox.find();
    const empty = revision === 0 && document.paints.length === 0;
    const demo = plan.demo ?? !(empty && !(await hasOwnPhotos(store.photoFiles)));
    if (empty && demo)
      throw new FolderRefused(
        `The database in "${folder}" has been emptied: the paintbox is gone from it. Nothing was changed. Put a copy of the folder in its place and start again.`,
      );
    if (plan.database === "make") markFolder(folder, { database: "made", demo: false });
    if (!demo) await seedDemo(store);
    markFolder(folder, { database: "made", demo: true });
    await sweepPhotos(store, new Date(), console.log);
    return { store, close: opened.close };
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
export const isOpen = (): boolean => house.open === true;

/**
 * The open store; the first call opens it, brings it up to date and lays out the demo. What went wrong is tried again
 * at the next call.
 */
export async function openStore(): Promise<Store> {
  house.opening ??= open().catch((error: unknown) => {
    house.opening = undefined;
    throw error;
  });
  const { store } = await house.opening;
  house.open = true;
  return store;
}

/**
 * The store for writing. Throws NoRoom, and then nothing is written, when the disk has too little room for `bytes`
 * more.
 */
export async function storeToWrite(bytes = 0): Promise<Store> {
  const store = await openStore();
  await needSpace(dataFolder(), bytes);
  return store;
}

/** Closes the database and gives the data folder back. */
export async function closeHouse(): Promise<void> {
  const opened = await house.opening?.catch(() => null);
  await opened?.close();
  const release = await house.taken?.catch(() => null);
  await release?.();
}
