import { and, eq, isNotNull, lt, notInArray } from "drizzle-orm";
import type { NewPhoto, PhotoRecord } from "../ports";
import type { Database } from "./database";
import { logPhotos, measurements, paintings, photos } from "./schema";

/** Records a photo; the same photo again is the same record, as new as the last time it was brought. */
export async function addPhoto(db: Database, photo: NewPhoto): Promise<void> {
  await db
    .insert(photos)
    .values(photo)
    .onConflictDoUpdate({ target: photos.id, set: { createdAt: new Date() } });
}

export async function findPhoto(db: Database, id: string): Promise<PhotoRecord | null> {
  return (await db.select().from(photos).where(eq(photos.id, id)))[0] ?? null;
}

/** Photos brought before a moment that no painting, no measurement and no entry of the logbook uses. */
export async function listUnusedPhotos(db: Database, before: Date): Promise<string[]> {
  const painted = db.select({ id: paintings.photoId }).from(paintings);
  const measured = db.select({ id: measurements.photoId }).from(measurements).where(isNotNull(measurements.photoId));
  const logged = db.select({ id: logPhotos.photoId }).from(logPhotos);
  const rows = await db
    .select({ id: photos.id })
    .from(photos)
    .where(
      and(
        lt(photos.createdAt, before),
        notInArray(photos.id, painted),
        notInArray(photos.id, measured),
        notInArray(photos.id, logged),
      ),
    );
  return rows.map(({ id }) => id);
}

/** Removes a photo's record. Throws when something still uses it. */
export async function removePhoto(db: Database, id: string): Promise<void> {
  await db.delete(photos).where(eq(photos.id, id));
}
