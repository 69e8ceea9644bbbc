import { desc, eq, inArray, sql } from "drizzle-orm";
import type { LogEntry, StoredLogEntry } from "@/model/logbook";
import { newLogEntry, newLoggedMix } from "@/model/logbook";
import type { SaveStamp } from "@/model/revision";
import { LogEntryNotFound, UnknownLogged, type BookStamp } from "../ports";
import type { Database } from "./database";
import { KeptRows, type RowVersion } from "./kept";
import { judgeSave } from "./revision";
import { logEntries, logPhotos, measurements, paintbox, photos } from "./schema";

const fields = {
  id: logEntries.id,
  revision: logEntries.revision,
  document: logEntries.document,
  binnedAt: logEntries.binnedAt,
  demo: logEntries.demo,
};

/** An entry as it is read: what earlier versions did not know of stands as in a new one. */
const read = ({
  binnedAt,
  document,
  ...row
}: {
  id: string;
  revision: number;
  document: LogEntry;
  binnedAt: Date | null;
  demo: boolean;
}): StoredLogEntry => ({
  ...row,
  binned: binnedAt !== null,
  document: { ...newLogEntry(document), mixes: document.mixes.map((mix) => newLoggedMix(mix)) },
});

/** Which entries there are, newest day first, of one day the last made first; each with a word that changes with it. */
export async function logEntryVersions(db: Database): Promise<RowVersion[]> {
  return db
    .select({ id: logEntries.id, version: sql<string>`concat_ws(' ', ${logEntries.revision}, ${logEntries}.xmin)` })
    .from(logEntries)
    .orderBy(desc(logEntries.on), desc(logEntries.createdAt));
}

/** Some entries, in any order; those that are gone are missing. */
export async function someLogEntries(db: Database, ids: readonly string[]): Promise<StoredLogEntry[]> {
  if (ids.length === 0) return [];
  return (
    await db
      .select(fields)
      .from(logEntries)
      .where(inArray(logEntries.id, [...ids]))
  ).map(read);
}

/** All entries, newest day first; of one day the last made first. Those that were kept unchanged are not read again. */
export const listLogEntries = async (
  db: Database,
  kept = new KeptRows<StoredLogEntry>(),
): Promise<readonly StoredLogEntry[]> =>
  kept.read(await logEntryVersions(db), async (ids) =>
    (await someLogEntries(db, ids)).map((entry) => [entry.id, entry]),
  );

export async function findLogEntry(db: Database, id: string): Promise<StoredLogEntry | null> {
  const [row] = await db.select(fields).from(logEntries).where(eq(logEntries.id, id));
  return row ? read(row) : null;
}

/** The photos that an entry stands on: those it shows and those its colours were read from. */
const photosOf = ({ photos: shown, mixes }: LogEntry): string[] => [
  ...new Set([...shown, ...mixes.flatMap(({ read: colour }) => colour?.photoId ?? [])]),
];

async function writePhotos(db: Database, id: string, document: LogEntry): Promise<void> {
  const ids = photosOf(document);
  await db.delete(logPhotos).where(eq(logPhotos.entryId, id));
  if (ids.length === 0) return;
  const known = await db.select({ id: photos.id }).from(photos).where(inArray(photos.id, ids));
  if (known.length < ids.length) throw new UnknownLogged();
  await db.insert(logPhotos).values(ids.map((photoId) => ({ entryId: id, photoId })));
}

/** Keeps a new entry; the same one sent again is kept once. Throws UnknownLogged, and then keeps nothing. */
export async function createLogEntry(db: Database, id: string, document: LogEntry, demo = false): Promise<void> {
  await db.transaction(async (tx) => {
    const made = await tx
      .insert(logEntries)
      .values({ id, on: document.on, document, demo })
      .onConflictDoNothing()
      .returning({ id: logEntries.id });
    if (made.length > 0) await writePhotos(tx, id, document);
  });
}

/**
 * Replaces an entry if `stamp` says that it was made from the stored one, or that the stored one is the same writer's;
 * returns the stored revision. Throws RevisionConflict, LogEntryNotFound or UnknownLogged, and then changes nothing.
 */
export async function saveLogEntry(db: Database, id: string, stamp: SaveStamp, document: LogEntry): Promise<number> {
  const { writer, step } = stamp;
  return db.transaction(async (tx) => {
    const [stored] = await tx
      .select({ revision: logEntries.revision, writer: logEntries.writer, step: logEntries.step })
      .from(logEntries)
      .where(eq(logEntries.id, id))
      .for("update");
    if (!stored) throw new LogEntryNotFound();
    if (judgeSave(stored, stamp) === "pass") return stored.revision;
    const revision = stored.revision + 1;
    await tx.update(logEntries).set({ on: document.on, document, revision, writer, step }).where(eq(logEntries.id, id));
    await writePhotos(tx, id, document);
    return revision;
  });
}

/** Puts an entry in the bin or takes it out again. Throws LogEntryNotFound. */
export async function binLogEntry(db: Database, id: string, binned: boolean): Promise<void> {
  const changed = await db
    .update(logEntries)
    .set({ binnedAt: binned ? new Date() : null })
    .where(eq(logEntries.id, id))
    .returning({ id: logEntries.id });
  if (changed.length === 0) throw new LogEntryNotFound();
}

/**
 * Other words whenever something has changed that the book teaches by: pages; paints with what was measured of them.
 * Every change of an entry or of the paintbox
 * raises a revision, and what is put in the bin or set aside is counted. Revisions come again when a backup is put
 * back; the transactions that wrote the rows do not (PostgreSQL manual, system columns: xmin).
 */
export async function bookStamp(db: Database): Promise<BookStamp> {
  const [row] = await db
    .select({
      entries: sql<string>`(select concat_ws(' ', count(*), sum(${logEntries.revision}), count(${logEntries.binnedAt}),
        max(${logEntries.createdAt}), max(${logEntries}.xmin::text::bigint)) from ${logEntries})`,
      paints: sql<string>`(select concat_ws(' ', coalesce(max(${paintbox.revision}), 0),
        max(${paintbox}.xmin::text::bigint)) from ${paintbox})`,
      measured: sql<string>`(select concat_ws(' ', count(*), count(*) filter (where ${measurements.counts}),
        string_agg(left(${measurements.id}::text, 8), '' order by ${measurements.id}) filter (where
        ${measurements.counts})) from ${measurements})`,
    })
    .from(sql`(values (1)) as one(n)`);
  return { pages: row!.entries, paints: `${row!.paints} | ${row!.measured}` };
}

/** Removes an entry for good; its photos stay. */
export async function removeLogEntry(db: Database, id: string): Promise<void> {
  await db.delete(logEntries).where(eq(logEntries.id, id));
}
