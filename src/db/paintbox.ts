import { asc, eq } from "drizzle-orm";
import type { PigmentShare } from "@/core";
import type { Database } from "./database";
import { paintPigments, paints } from "./schema";

/** A paint of the paintbox with its pigments. */
export interface OwnedPaint {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly line: string;
  readonly tintingStrength: number;
  readonly pigments: readonly PigmentShare[];
}

/** All paints with their pigments, in paintbox order. */
export async function listPaints(db: Database): Promise<OwnedPaint[]> {
  const rows = await db
    .select({ paint: paints, pigment: paintPigments })
    .from(paints)
    .innerJoin(paintPigments, eq(paintPigments.paintId, paints.id))
    .orderBy(asc(paints.position), asc(paints.id), asc(paintPigments.position));
  const found = new Map<string, OwnedPaint & { pigments: PigmentShare[] }>();
  for (const { paint, pigment } of rows) {
    const { id, name, maker, line, tintingStrength } = paint;
    const entry = found.get(id) ?? { id, name, maker, line, tintingStrength, pigments: [] };
    entry.pigments.push({ pigmentId: pigment.pigmentId, share: pigment.share });
    found.set(id, entry);
  }
  return [...found.values()];
}

/** Adds paints in the given order, all or none; returns their ids. */
export async function addPaints(db: Database, list: readonly Omit<OwnedPaint, "id">[]): Promise<string[]> {
  return db.transaction(async (tx) => {
    const ids: string[] = [];
    for (const [position, { pigments, ...facts }] of list.entries()) {
      const [{ id }] = await tx.insert(paints).values({ ...facts, position }).returning({ id: paints.id });
      await tx.insert(paintPigments).values(pigments.map((pigment, i) => ({ paintId: id, ...pigment, position: i })));
      ids.push(id);
    }
    return ids;
  });
}
