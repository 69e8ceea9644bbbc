import "server-only";
import { FolderInUse } from "@/db/folder-lock";
import { dataFolder } from "./environment";
import { closeHouse, database, takeDataFolder } from "./house";

/** Exit status when another process holds the data folder; scripts/start.mjs knows it. */
const EXIT_FOLDER_IN_USE = 3;

/** Takes the data folder, opens the database in the background and sees to a clean end. */
export function startHouse(): void {
  try {
    takeDataFolder();
  } catch (error) {
    console.error(error instanceof FolderInUse ? error.message : error);
    process.exit(EXIT_FOLDER_IN_USE);
  }
  console.log(`Opening the data folder ${dataFolder()} (the first time takes some seconds) …`);
  database().then(
    () => console.log("Ready: paintbox and paintings are open."),
    (error: unknown) => console.error("The data folder could not be opened:", error),
  );
  for (const signal of ["SIGINT", "SIGTERM"] as const) {
    process.once(signal, () => {
      void closeHouse().finally(() => process.exit(0));
    });
  }
}
