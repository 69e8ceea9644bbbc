import { resolve } from "node:path";
import { FolderRefused } from "@/storage/folder/data-folder";

/** Where a relative data folder begins: where Abendrot was started from, as scripts/start.mjs found it. */
const startedFrom = (): string => process.env.ABENDROT_STARTED_FROM ?? process.cwd();

/**
 * Absolute path of the data folder: ABENDROT_DATA, or `data` beside the program. Throws FolderRefused when it is set
 * to nothing.
 */
export function dataFolder(): string {
  const told = process.env.ABENDROT_DATA;
  if (told?.trim() === "")
    throw new FolderRefused(
      'ABENDROT_DATA is set, but to nothing. Name a folder, or unset it: then the data lie in "data" beside the program.',
    );
  return told === undefined ? resolve("data") : resolve(startedFrom(), told);
}
