import { eq } from "drizzle-orm";
import type { Database } from "./database";
import { photos } from "./schema";

export type PhotoRow = typeof photos.$inferSelect;
export type NewPhoto = Omit<PhotoRow, "createdAt">;

/** Records a photo; the same photo again is the same record. */
export async function addPhoto(db: Database, photo: NewPhoto): Promise<void> {
  await db.insert(photos).values(photo).onConflictDoNothing();
}

export async function findPhoto(db: Database, id: string): Promise<PhotoRow | null> {
  return (await db.select().from(photos).where(eq(photos.id, id)))[0] ?? null;
}
