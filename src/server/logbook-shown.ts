import type { StoredLogEntry } from "@/model/logbook";
import type { Store } from "@/storage/ports";

/** The entries of the book as it lies here: the demo's pages come and go with its paints. */
export async function entriesHere(store: Store): Promise<readonly StoredLogEntry[]> {
  const [entries, demoHere] = await Promise.all([store.logbook.list(), store.paintbox.demoHere()]);
  // The same list while nothing has changed: it is packed once.
  return demoHere ? entries : entries.filter(({ demo }) => !demo);
}
