import { open, readdir } from "node:fs/promises";
import { join } from "node:path";

/** Folders can't be synced everywhere; where they can't, their file system keeps its names in order. */
async function syncOne(path: string, isFolder: boolean): Promise<void> {
  const handle = await open(path).catch((error: NodeJS.ErrnoException) => {
    if (isFolder && (error.code === "EISDIR" || error.code === "EPERM")) return null;
    throw error;
  });
  if (!handle) return;
  try {
    await handle.sync().catch((error: NodeJS.ErrnoException) => {
      if (!isFolder || (error.code !== "EPERM" && error.code !== "EINVAL")) throw error;
    });
  } finally {
    await handle.close();
  }
}

/** Brings everything in a folder onto the disk: contents first, then the names. */
export async function syncTree(folder: string): Promise<void> {
  for (const entry of await readdir(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) await syncTree(path);
    else if (entry.isFile()) await syncOne(path, false);
  }
  await syncOne(folder, true);
}

/** Brings a file's contents onto the disk. */
export const syncFile = (path: string): Promise<void> => syncOne(path, false);

/** Brings a folder's names onto the disk. */
export const syncFolder = (folder: string): Promise<void> => syncOne(folder, true);
