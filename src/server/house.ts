import "server-only";
import { lockFolder } from "@/db/folder-lock";
import { openDatabase, type OpenDatabase } from "@/db/open";
import type { Database } from "@/db/database";
import { seedDemo } from "./demo/seed";
import { dataFolder } from "./environment";

interface House {
  release?: () => void;
  opening?: Promise<OpenDatabase>;
}

// Route, page and instrumentation bundles each load this module: the one database lives on globalThis.
const house: House = ((globalThis as { abendrotHouse?: House }).abendrotHouse ??= {});

/** Takes the data folder for this process, once. Throws FolderInUse. */
export function takeDataFolder(): void {
  house.release ??= lockFolder(dataFolder());
}

async function open(): Promise<OpenDatabase> {
  takeDataFolder();
  const opened = await openDatabase(dataFolder());
  await seedDemo(opened.db, dataFolder());
  return opened;
}

/** The open database; the first call opens it, brings it up to date and lays out the demo. */
export async function database(): Promise<Database> {
  house.opening ??= open().catch((error: unknown) => {
    house.opening = undefined;
    throw error;
  });
  return (await house.opening).db;
}

/** Closes the database and gives the data folder back. */
export async function closeHouse(): Promise<void> {
  const opened = await house.opening?.catch(() => null);
  await opened?.close();
  house.release?.();
}
