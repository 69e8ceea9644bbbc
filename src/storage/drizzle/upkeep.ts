import { sql } from "drizzle-orm";
import type { Database } from "./database";

/** Saves after which dead rows are cleared away as soon as nobody writes. */
const SAVES_BEFORE_REST = 100;
/** Saves after which they are cleared away whether or not somebody is writing. */
const MOST_SAVES = 1000;
/** Without a save for so long nobody is writing. */
const REST_MS = 3000;

/** Looks after an embedded database, which has no processes of its own that would. */
export interface Upkeep {
  /** Told of every save. */
  readonly saved: () => void;
  /** Clears what is due now and waits for it. */
  readonly clear: () => Promise<void>;
  readonly stop: () => void;
}

/**
 * Clears dead rows and old log when nobody writes: PGlite runs PostgreSQL without its autovacuum and checkpointer
 * (PostgreSQL manual, single-user mode), so both are asked for here.
 * @param trouble told what went wrong; it is tried again after further saves
 */
export function upkeepOf(db: Database, trouble: (error: unknown) => void, restMs = REST_MS): Upkeep {
  let saves = 0;
  let resting: NodeJS.Timeout | undefined;
  let underWay: Promise<void> | null = null;
  const work = async (): Promise<void> => {
    saves = 0;
    try {
      await db.execute(sql`vacuum`);
      await db.execute(sql`checkpoint`);
    } catch (error) {
      trouble(error);
    }
  };
  const clear = (): Promise<void> => (underWay ??= work().finally(() => (underWay = null)));
  return {
    saved() {
      saves++;
      clearTimeout(resting);
      if (saves >= MOST_SAVES) void clear();
      else if (saves >= SAVES_BEFORE_REST) {
        resting = setTimeout(() => void clear(), restMs);
        resting.unref();
      }
    },
    clear,
    stop: () => clearTimeout(resting),
  };
}
