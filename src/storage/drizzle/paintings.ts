import { and, asc, desc, eq, inArray, isNotNull, isNull, not, sql, type SQLWrapper } from "drizzle-orm";
import { PaintingNotFound, type PaintingRecipe, type PaintingTitle, type StoredPainting } from "../ports";
import type { Database } from "./database";
import { mendedPainting } from "@/model/mended";
import { NEW_STUDY, NO_RULES, type PaintingArea, type PaintingDocument } from "@/model/painting";
import { NEW_PLAN } from "@/model/plan";
import { DEFAULT_APPROACH } from "@/core/palette";
import { KeptRows } from "./kept";
import { areas, paintbox, paintings, paints, palettePaints, photos } from "./schema";
import type { SaveStamp } from "@/model/revision";
import type { MixedArea } from "@/model/next-swatches";
import type { ShelvedPainting } from "@/model/shelf";
import { judgeSave } from "./revision";

/** Whether a painting is put away: the demo's, once none of the demo's paints is at hand. */
const isAway = sql<boolean>`(${paintings.demo} and not exists (select 1 from ${paints} where ${paints.demo} and ${paints.status} <> 'put away'))`;

/** All paintings that are neither in the bin nor put away with the demo, last changed first. */
export async function listPaintings(db: Database): Promise<PaintingTitle[]> {
  return db
    .select({ id: paintings.id, title: paintings.title, photoId: paintings.photoId })
    .from(paintings)
    .where(and(isNull(paintings.binnedAt), not(isAway)))
    .orderBy(desc(paintings.updatedAt), asc(paintings.id));
}

/** Whether a recipe, as JSON, is one whose paints are all in the paintbox. */
const canBeMixed = (recipe: SQLWrapper) =>
  sql`coalesce(jsonb_typeof(${recipe}) = 'object' and not exists (
    select 1 from jsonb_array_elements(${recipe}->'parts') part
    where part->>'paintId' not in (select known.id::text from ${paints} known)
  ), false)`;

/** How far a painting is, and what lies in its tray. */
export type HowFar = Pick<ShelvedPainting, "areas" | "colours" | "mixed" | "paintIds">;

/** How far some paintings are, by their ids. */
async function howFar(db: Database, ids: readonly string[]): Promise<(readonly [string, HowFar])[]> {
  const more = sql`${areas.wash}->'more'`;
  const mixedMore = sql`(select count(*) from jsonb_array_elements(${more}) m where ${canBeMixed(sql`(m->'recipe')`)})`;
  const counts = await db
    .select({
      id: areas.paintingId,
      areas: sql<number>`count(*)::int`,
      colours: sql<number>`sum(1 + jsonb_array_length(${more}))::int`,
      mixed: sql<number>`sum(${canBeMixed(areas.recipe)}::int + ${mixedMore})::int`,
    })
    .from(areas)
    .where(inArray(areas.paintingId, [...ids]))
    .groupBy(areas.paintingId);
  const wells = await db
    .select()
    .from(palettePaints)
    .where(inArray(palettePaints.paintingId, [...ids]))
    .orderBy(asc(palettePaints.position));
  const far = new Map(counts.map(({ id, ...count }) => [id, count]));
  const trays = new Map<string, string[]>();
  for (const { paintingId, paintId } of wells) trays.set(paintingId, [...(trays.get(paintingId) ?? []), paintId]);
  return ids.map((id) => [
    id,
    { paintIds: trays.get(id) ?? [], ...(far.get(id) ?? { areas: 0, colours: 0, mixed: 0 }) },
  ]);
}

/**
 * All paintings with how far they are, those in the bin too, last changed first. How far is counted anew of those alone
 * that were not kept, or where painting or paintbox have changed since.
 */
export async function shelvePaintings(db: Database, kept = new KeptRows<HowFar>()): Promise<ShelvedPainting[]> {
  const rows = await db
    .select({
      id: paintings.id,
      title: paintings.title,
      photoId: paintings.photoId,
      updatedAt: paintings.updatedAt,
      binnedAt: paintings.binnedAt,
      demo: paintings.demo,
      away: isAway,
      version: sql<string>`concat_ws(' ', ${paintings.revision}, ${paintings}.xmin, (select concat_ws(' ',
        ${paintbox.revision}, ${paintbox}.xmin) from ${paintbox} limit 1))`,
    })
    .from(paintings)
    .orderBy(desc(paintings.updatedAt), asc(paintings.id));
  const far = await kept.read(rows, (ids) => howFar(db, ids));
  return rows.map(({ version: _version, ...row }, i) => ({ ...row, ...far[i]! }));
}

/** Gives a painting another title, as a change of its own. Throws PaintingNotFound. */
export async function renamePainting(db: Database, id: string, title: string): Promise<void> {
  const changed = await db
    .update(paintings)
    .set({ title, writer: null, step: 0, revision: sql`${paintings.revision} + 1`, updatedAt: sql`now()` })
    .where(eq(paintings.id, id))
    .returning({ id: paintings.id });
  if (changed.length === 0) throw new PaintingNotFound();
}

/** Puts a painting in the bin or takes it out again. Throws PaintingNotFound. */
export async function binPainting(db: Database, id: string, binned: boolean): Promise<void> {
  const changed = await db
    .update(paintings)
    .set({ binnedAt: binned ? sql`now()` : null })
    .where(eq(paintings.id, id))
    .returning({ id: paintings.id });
  if (changed.length === 0) throw new PaintingNotFound();
}

/** One painting whole, or null. */
export async function findPainting(db: Database, id: string): Promise<StoredPainting | null> {
  const [row] = await db
    .select({ painting: paintings, photo: photos })
    .from(paintings)
    .innerJoin(photos, eq(photos.id, paintings.photoId))
    .where(eq(paintings.id, id));
  if (!row) return null;
  const areaRows = await db.select().from(areas).where(eq(areas.paintingId, id)).orderBy(asc(areas.position));
  const wells = await db
    .select()
    .from(palettePaints)
    .where(eq(palettePaints.paintingId, id))
    .orderBy(asc(palettePaints.position));
  return {
    id,
    binned: row.painting.binnedAt !== null,
    revision: row.painting.revision,
    photo: row.photo,
    document: mendedPainting({
      title: row.painting.title,
      paperId: row.painting.paperId,
      areas: areaRows.map((a) => ({
        id: a.id,
        name: a.name,
        sample: { x: a.sampleX, y: a.sampleY, radius: a.sampleRadius },
        lab: { L: a.labL, a: a.labA, b: a.labB },
        recipe: a.recipe,
        wash: a.wash,
        region: a.region,
        plane: a.plane,
        light: a.light,
        edge: a.edge,
        weight: a.weight,
        wish: a.wish,
        character: a.character,
      })),
      palette: wells.map((well) => well.paintId),
      // What an earlier Abendrot did not know of stands as in a new painting.
      study: { ...NEW_STUDY, ...row.painting.study },
      approach: { ...DEFAULT_APPROACH, ...row.painting.approach },
      rules: { ...NO_RULES, ...row.painting.rules },
      plan: { ...NEW_PLAN, ...row.painting.plan },
      palettes: row.painting.palettes,
    }),
  };
}

const areaRow = (paintingId: string, area: PaintingArea, position: number): typeof areas.$inferInsert => ({
  id: area.id,
  paintingId,
  position,
  name: area.name,
  sampleX: area.sample.x,
  sampleY: area.sample.y,
  sampleRadius: area.sample.radius,
  labL: area.lab.L,
  labA: area.lab.a,
  labB: area.lab.b,
  recipe: area.recipe,
  wash: area.wash,
  region: area.region,
  plane: area.plane,
  light: area.light,
  edge: area.edge,
  weight: area.weight,
  wish: area.wish,
  character: area.character,
});

async function writeParts(db: Database, id: string, document: PaintingDocument): Promise<void> {
  const known =
    document.palette.length > 0
      ? await db.select({ id: paints.id }).from(paints).where(inArray(paints.id, document.palette))
      : [];
  const inBox = new Set(known.map(({ id: paintId }) => paintId));
  // A paint that another window took out of the paintbox has left the tray with it. A recipe may outlive its paint:
  // the desk says so.
  const palette = document.palette.filter((paintId) => inBox.has(paintId));
  await db.delete(areas).where(eq(areas.paintingId, id));
  await db.delete(palettePaints).where(eq(palettePaints.paintingId, id));
  if (document.areas.length > 0) await db.insert(areas).values(document.areas.map((area, i) => areaRow(id, area, i)));
  if (palette.length > 0) {
    await db.insert(palettePaints).values(palette.map((paintId, position) => ({ paintingId: id, paintId, position })));
  }
}

/** Creates a painting with all its parts, or nothing; returns its id. */
export async function createPainting(
  db: Database,
  photoId: string,
  document: PaintingDocument,
  demo = false,
): Promise<string> {
  return db.transaction(async (tx) => {
    const { title, paperId, study, approach, rules, plan, palettes } = document;
    const [made] = await tx
      .insert(paintings)
      .values({ title, paperId, photoId, study, approach, rules, plan, palettes, demo })
      .returning({ id: paintings.id });
    await writeParts(tx, made!.id, document);
    return made!.id;
  });
}

/**
 * Replaces a painting's document if `stamp` says that it was made from the stored one, or that the
 * stored one is the same writer's; returns the stored revision. Throws RevisionConflict or
 * PaintingNotFound, and then changes nothing.
 */
export async function savePainting(
  db: Database,
  id: string,
  stamp: SaveStamp,
  document: PaintingDocument,
): Promise<number> {
  const { title, paperId, study, approach, rules, plan, palettes } = document;
  const { writer, step } = stamp;
  return db.transaction(async (tx) => {
    const [stored] = await tx
      .select({ revision: paintings.revision, writer: paintings.writer, step: paintings.step })
      .from(paintings)
      .where(eq(paintings.id, id))
      .for("update");
    if (!stored) throw new PaintingNotFound();
    if (judgeSave(stored, stamp) === "pass") return stored.revision;
    const revision = stored.revision + 1;
    await tx
      .update(paintings)
      .set({ title, paperId, study, approach, rules, plan, palettes, writer, step, revision, updatedAt: sql`now()` })
      .where(eq(paintings.id, id));
    await writeParts(tx, id, document);
    return revision;
  });
}

/** Removes a painting with its areas and palette; the photo's file stays in the data folder. */
export async function removePainting(db: Database, id: string): Promise<void> {
  await db.delete(paintings).where(eq(paintings.id, id));
}

/** The mixed areas that count most over all paintings that lie here, those changed last before others. */
export async function weightiestAreas(db: Database, most: number): Promise<MixedArea[]> {
  return db
    .select({
      paperId: paintings.paperId,
      name: areas.name,
      recipe: areas.recipe,
      wash: areas.wash,
      weight: areas.weight,
    })
    .from(areas)
    .innerJoin(paintings, eq(paintings.id, areas.paintingId))
    .where(and(isNull(paintings.binnedAt), not(isAway), isNotNull(areas.recipe)))
    .orderBy(desc(areas.weight), desc(paintings.updatedAt), asc(areas.position))
    .limit(most);
}

/** The recipes of paintings that are not in the bin, last changed painting first, at most so many. */
export async function listRecipes(db: Database, most: number): Promise<PaintingRecipe[]> {
  const rows = await db
    .select({
      paintingId: paintings.id,
      title: paintings.title,
      area: areas.name,
      paperId: paintings.paperId,
      recipe: areas.recipe,
    })
    .from(areas)
    .innerJoin(paintings, eq(paintings.id, areas.paintingId))
    .where(and(isNull(paintings.binnedAt), isNotNull(areas.recipe)))
    .orderBy(desc(paintings.updatedAt), asc(areas.position))
    .limit(most);
  return rows.flatMap(({ recipe, ...facts }) => (recipe ? [{ ...facts, recipe }] : []));
}
