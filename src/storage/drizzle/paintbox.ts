import { and, asc, eq, inArray, ne, notInArray, sql } from "drizzle-orm";
import { presentPigmentId } from "@/core/pigments";
import { WholeNeeded, type StockedPaint, type StoredPaintbox } from "../ports";
import type { Database } from "./database";
import { measuredOptics } from "./measurements";
import { KeptRows } from "./kept";
import { mendedPaintbox } from "@/model/mended";
import type { PaintEntry, PaintboxDocument, TravelBox } from "@/model/paintbox";
import { paintbox, paintPigments, paints } from "./schema";
import type { SaveStamp } from "@/model/revision";
import { judgePart, judgeSave } from "./revision";

/** All paints with their pigments, in paintbox order. */
export async function listPaints(db: Database): Promise<PaintEntry[]> {
  const rows = await db.select().from(paints).orderBy(asc(paints.position), asc(paints.id));
  const shares = await db.select().from(paintPigments).orderBy(asc(paintPigments.position));
  const byPaint = new Map<string, PaintEntry["pigments"]>();
  for (const { paintId, pigmentId, share } of shares)
    byPaint.set(paintId, [...(byPaint.get(paintId) ?? []), { pigmentId: presentPigmentId(pigmentId), share }]);
  return rows.map(({ position: _position, createdAt: _createdAt, ...facts }) => ({
    ...facts,
    pigments: byPaint.get(facts.id) ?? [],
  }));
}

/** All paints as they are mixed from: with their own measured optics where there are any. */
export async function listStockedPaints(db: Database): Promise<StockedPaint[]> {
  const [list, measured] = await Promise.all([listPaints(db), measuredOptics(db)]);
  return list.map((paint) => ({ ...paint, measured: measured.get(paint.id) ?? null }));
}

/** The paintbox's revision alone: it rises with every save. */
export async function paintboxRevision(db: Database): Promise<number> {
  return (await db.select({ revision: paintbox.revision }).from(paintbox))[0]?.revision ?? 0;
}

/** Whether any of the demo's paints lies here, not put away. */
export async function demoPaintsHere(db: Database): Promise<boolean> {
  const [one] = await db
    .select({ id: paints.id })
    .from(paints)
    .where(and(eq(paints.demo, true), ne(paints.status, "put away")))
    .limit(1);
  return one !== undefined;
}

/** The boxes alone. */
export async function listBoxes(db: Database): Promise<TravelBox[]> {
  return (await db.select({ boxes: paintbox.boxes }).from(paintbox))[0]?.boxes ?? [];
}

/** The paintbox and its revision; one that was kept and has not changed is not read again. */
export async function findPaintbox(db: Database, kept = new KeptRows<StoredPaintbox>()): Promise<StoredPaintbox> {
  const there = await db
    .select({ id: sql<string>`'box'`, version: sql<string>`concat_ws(' ', ${paintbox.revision}, ${paintbox}.xmin)` })
    .from(paintbox);
  const [box] = await kept.read(there, async () => {
    const [row] = await db.select().from(paintbox);
    if (!row) return [];
    const document = mendedPaintbox({ paints: await listPaints(db), boxes: row.boxes });
    return [["box", { revision: row.revision, document }]];
  });
  return box ?? { revision: 0, document: mendedPaintbox({ paints: await listPaints(db), boxes: [] }) };
}

const CHUNK = 200;

/** Writes some paints, each to its position. */
async function putPaints(db: Database, list: readonly (PaintEntry & { readonly position: number })[]): Promise<void> {
  const rows = list.map(({ pigments: _pigments, ...facts }) => facts);
  // Updated in place where it is there already: palettes and recipes point at it.
  const set = Object.fromEntries(
    Object.keys(rows[0]!)
      .filter((key) => key !== "id")
      .map((key) => [key, sql.raw(`excluded."${paints[key as keyof (typeof rows)[0]].name}"`)]),
  );
  await db.insert(paints).values(rows).onConflictDoUpdate({ target: paints.id, set });
  await db.delete(paintPigments).where(
    inArray(
      paintPigments.paintId,
      list.map(({ id }) => id),
    ),
  );
  await db
    .insert(paintPigments)
    .values(
      list.flatMap(({ id, pigments }) => pigments.map((pigment, i) => ({ paintId: id, ...pigment, position: i }))),
    );
}

async function writePaints(db: Database, list: readonly PaintEntry[]): Promise<void> {
  const ids = list.map(({ id }) => id);
  await db.delete(paints).where(ids.length > 0 ? notInArray(paints.id, ids) : sql`true`);
  for (let from = 0; from < list.length; from += CHUNK)
    await putPaints(
      db,
      list.slice(from, from + CHUNK).map((paint, i) => ({ ...paint, position: from + i })),
    );
}

/** Does in one transaction what a save asks, if it is to be written; returns the stored revision. */
async function saving(
  db: Database,
  stamp: SaveStamp,
  judge: typeof judgeSave,
  write: (tx: Database) => Promise<{ readonly boxes?: TravelBox[] }>,
): Promise<number> {
  const { writer, step } = stamp;
  return db.transaction(async (tx) => {
    await tx.insert(paintbox).values({ id: 1 }).onConflictDoNothing();
    const [stored] = await tx
      .select({ revision: paintbox.revision, writer: paintbox.writer, step: paintbox.step })
      .from(paintbox)
      .where(eq(paintbox.id, 1))
      .for("update");
    if (judge(stored!, stamp) === "pass") return stored!.revision;
    const revision = stored!.revision + 1;
    const rest = await write(tx);
    await tx
      .update(paintbox)
      .set({ revision, writer, step, ...rest })
      .where(eq(paintbox.id, 1));
    return revision;
  });
}

/**
 * Replaces the paintbox if `stamp` says that it was made from the stored one, or that the stored one
 * is the same writer's, all or nothing; returns the stored revision. Throws RevisionConflict.
 */
export const savePaintbox = (db: Database, stamp: SaveStamp, { paints: list, boxes }: PaintboxDocument) =>
  saving(db, stamp, judgeSave, async (tx) => {
    await writePaints(tx, list);
    return { boxes };
  });

/**
 * Replaces some paints, and nothing else, if `stamp` says that they were changed in the stored paintbox; returns the
 * stored revision. Throws RevisionConflict or WholeNeeded.
 */
export const savePaints = (db: Database, stamp: SaveStamp, changed: readonly PaintEntry[]) =>
  saving(db, stamp, judgePart, async (tx) => {
    const places = await tx
      .select({ id: paints.id, position: paints.position })
      .from(paints)
      .where(
        inArray(
          paints.id,
          changed.map(({ id }) => id),
        ),
      );
    const at = new Map(places.map(({ id, position }) => [id, position]));
    if (changed.some(({ id }) => !at.has(id))) throw new WholeNeeded();
    await putPaints(
      tx,
      changed.map((paint) => ({ ...paint, position: at.get(paint.id)! })),
    );
    return {};
  });
