import "server-only";
import { DatabaseDamaged, FolderRefused } from "@/storage/folder/data-folder";
import { dataFolder } from "./environment";
import { FolderInUse } from "@/storage/folder/folder-lock";
import { closeHouse, isStudio, openHouse, takeHouse } from "./house";
import { noteAddress } from "./own-folder";
import { noteTrouble } from "../http/trouble";

/** Exit status when the data folder can't be used: another process holds it, or it is not one. */
const EXIT_FOLDER_REFUSED = 3;
/** A database that can't be closed in so long is left: its log brings it back at the next start. */
const CLOSE_MS = 10_000;
const PARENT_MS = 1000;

let ending = false;

async function end(): Promise<never> {
  const late = setTimeout(() => process.exit(0), CLOSE_MS);
  await (globalThis as { abendrotDrained?: () => Promise<void> }).abendrotDrained?.();
  await closeHouse().catch((error: unknown) => noteTrouble("The data folder was not closed cleanly", error));
  clearTimeout(late);
  process.exit(0);
}

function endOnce(): void {
  if (ending) return;
  ending = true;
  void end();
}

/** npm does not hand every signal on: when the process that started this one is gone, this one ends too. */
function watchParent(): void {
  if (!process.env.npm_lifecycle_event) return;
  const parent = process.ppid;
  setInterval(() => process.ppid !== parent && endOnce(), PARENT_MS).unref();
}

/**
 * Takes the data folder, opens the database in the background and sees to a clean end. Ends the process, with the
 * reason, when the folder can't be used.
 */
export async function startHouse(): Promise<void> {
  // Files and folders that are made from now on are the owner's alone, whatever mask it was started with.
  process.umask(0o077);
  try {
    await takeHouse();
  } catch (error) {
    if (error instanceof DatabaseDamaged)
      console.error(
        `${error.message} Put "postgres" back from a copy of the folder, or begin anew in an empty one with ABENDROT_DATA.`,
      );
    else if (error instanceof FolderInUse || error instanceof FolderRefused) console.error(error.message);
    else noteTrouble("The data folder can't be used", error);
    process.exit(EXIT_FOLDER_REFUSED);
  }
  if (!isStudio()) (globalThis as { abendrotAt?: (address: string) => void }).abendrotAt = noteAddress;
  // The address is not told before (scripts/start.mjs).
  (globalThis as { abendrotTaken?: () => void }).abendrotTaken?.();
  console.log(
    isStudio()
      ? `Working on a PostgreSQL server; photos and copies lie in ${dataFolder()}.`
      : `Opening the data folder ${dataFolder()} (the first time takes some seconds) …`,
  );
  openHouse().then(
    () => console.log("Ready: paintbox and paintings are open."),
    (error: unknown) =>
      console.error(
        error instanceof FolderRefused || error instanceof DatabaseDamaged
          ? error.message
          : `The data folder could not be opened: ${error instanceof Error ? error.message : String(error)}`,
      ),
  );
  for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"] as const) process.on(signal, endOnce);
  watchParent();
}
