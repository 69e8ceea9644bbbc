import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { presentSpace } from "./present-space";
import type { SaveStamp } from "@/model/revision";

/** A change that the server has not acknowledged, as this browser keeps it. */
export interface Unsent extends SaveStamp {
  /** Where it is saved: the document's address. */
  readonly url: string;
  /** What the painter calls the document. */
  readonly title: string;
  /** When it was changed last, ms since 1970. */
  readonly at: number;
  /** The document that is stored as far as the window knew, and the changed one. */
  readonly base: unknown;
  readonly document: unknown;
  /** The photo of a painting, so that it can be kept as one of its own. */
  readonly photoId: string | null;
}

interface OutboxSchema extends DBSchema {
  unsent: { key: string; value: Unsent };
}

/** Where unacknowledged changes are kept: one for each window and document, by its writer. */
export interface Outbox {
  /** Keeps a change; what was kept of this writer before is replaced. Resolves when the browser has taken it over. */
  readonly put: (unsent: Unsent) => Promise<void>;
  readonly drop: (writer: string) => Promise<void>;
  readonly all: () => Promise<readonly Unsent[]>;
}

/** Each space of a server that this browser has been signed in to has an outbox of its own. */
const nameOf = (space: string): string => (space === "" ? "abendrot" : `abendrot ${space}`);

/**
 * The browser's own outbox. Its writes are handed over at once, so that closing the tab right after can't break them
 * off.
 */
export function browserOutbox(): Outbox {
  let opening: Promise<IDBPDatabase<OutboxSchema>> | null = null;
  let open: IDBPDatabase<OutboxSchema> | null = null;
  const opened = (): Promise<IDBPDatabase<OutboxSchema>> => {
    opening ??= openDB<OutboxSchema>(nameOf(presentSpace()), 1, {
      upgrade: (db) => void db.createObjectStore("unsent", { keyPath: "writer" }),
    }).then((db) => (open = db));
    opening.catch(() => (opening = null));
    return opening;
  };
  const write = async (
    db: IDBPDatabase<OutboxSchema>,
    change: (store: ReturnType<typeof storeOf>) => Promise<unknown>,
  ): Promise<void> => {
    const tx = db.transaction("unsent", "readwrite");
    const changed = change(tx.store);
    // Committed without waiting for an answer that a closing tab would not hear.
    tx.commit();
    await Promise.all([changed, tx.done]);
  };
  const storeOf = (db: IDBPDatabase<OutboxSchema>) => db.transaction("unsent", "readwrite").store;
  // Once it is open, a write begins within the call, with no wait before it.
  const change = (what: (store: ReturnType<typeof storeOf>) => Promise<unknown>): Promise<void> =>
    open ? write(open, what) : opened().then((db) => write(db, what));
  return {
    put: (unsent) => change((store) => store.put(unsent)),
    drop: (writer) => change((store) => store.delete(writer)),
    all: async () => (await opened()).getAll("unsent"),
  };
}
