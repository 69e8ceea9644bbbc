import { desc, eq, inArray } from "drizzle-orm";
import type { MeasuredOptics } from "@/core/mixing";
import { UnknownMeasured } from "../ports";
import type { Database } from "./database";
import {
  countingOf,
  opticsOfMeasurement,
  type Measurement,
  type NewCard,
  type NewMeasurement,
  type StoredFit,
  type SwatchCard,
} from "@/model/measurement";
import { measurements, paints, photos, swatchCards } from "./schema";

/** All measurements, newest first: by day, then by when they were kept. */
export async function listMeasurements(db: Database): Promise<Measurement[]> {
  const rows = await db.select().from(measurements).orderBy(desc(measurements.on), desc(measurements.createdAt));
  return rows.map(({ createdAt: _createdAt, ...measurement }) => measurement);
}

/** Measured optics by paint id, for every paint that has any. */
export async function measuredOptics(db: Database): Promise<ReadonlyMap<string, MeasuredOptics>> {
  return new Map(
    [...countingOf(await listMeasurements(db))].map(([id, measurement]) => [id, opticsOfMeasurement(measurement)]),
  );
}

/** Keeps a measurement with its fit; returns its id. Throws UnknownMeasured, and then keeps nothing. */
export async function addMeasurement(db: Database, measurement: NewMeasurement, fit: StoredFit): Promise<string> {
  return db.transaction(async (tx) => {
    const [paint] = await tx.select({ id: paints.id }).from(paints).where(eq(paints.id, measurement.paintId));
    const photo =
      measurement.photoId === null ||
      (await tx.select({ id: photos.id }).from(photos).where(eq(photos.id, measurement.photoId))).length > 0;
    if (!paint || !photo) throw new UnknownMeasured();
    const [made] = await tx
      .insert(measurements)
      .values({ ...measurement, fit })
      .returning({ id: measurements.id });
    return made!.id;
  });
}

/** Lets a measurement count or sets it aside; false when there is none with this id. */
export async function setCounts(db: Database, id: string, counts: boolean): Promise<boolean> {
  return (
    (await db.update(measurements).set({ counts }).where(eq(measurements.id, id)).returning({ id: measurements.id }))
      .length > 0
  );
}

/** Records a card to be printed. Throws UnknownMeasured when one of its paints is not in the box. */
export async function addCard(db: Database, card: NewCard, on: string): Promise<SwatchCard> {
  const known = await db.select({ id: paints.id }).from(paints).where(inArray(paints.id, card.paints));
  if (known.length < new Set(card.paints).size) throw new UnknownMeasured();
  const [made] = await db
    .insert(swatchCards)
    .values({ ...card, on })
    .returning();
  return made!;
}

/** All cards, the last one first. */
export async function listCards(db: Database): Promise<SwatchCard[]> {
  return db.select().from(swatchCards).orderBy(desc(swatchCards.id));
}

export async function findCard(db: Database, id: number): Promise<SwatchCard | null> {
  return (await db.select().from(swatchCards).where(eq(swatchCards.id, id)))[0] ?? null;
}
