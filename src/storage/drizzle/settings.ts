import { promisify } from "node:util";
import zlib from "node:zlib";
import { eq } from "drizzle-orm";
import { z } from "zod";
import type { SheetKind } from "@/core/calibration";
import { DEFAULT_APPROACH, type Approach } from "@/core/palette";
import type { KeptLessons } from "@/model/logbook";
import type { Database } from "./database";
import { approach } from "@/model/painting";
import { settings } from "./schema";

const OWN_APPROACH = "approach";
const LESSONS = "lessons";
const packedLessons = z.object({ gzip: z.base64() });
const [gzip, gunzip] = [promisify(zlib.gzip), promisify(zlib.gunzip)];
const DEMO_SHEETS = { card: "demo-card", box: "demo-box-sheet" } as const;

/**
 * The approach that new paintings start with: the painter's own, or ours. What can't be read any more counts as none.
 */
export async function ownApproach(db: Database): Promise<Approach> {
  const [row] = await db.select({ value: settings.value }).from(settings).where(eq(settings.key, OWN_APPROACH));
  return approach.safeParse(row?.value).data ?? DEFAULT_APPROACH;
}

/** Keeps an approach for all paintings to come. */
export async function keepApproach(db: Database, value: Approach): Promise<void> {
  await db
    .insert(settings)
    .values({ key: OWN_APPROACH, value })
    .onConflictDoUpdate({ target: settings.key, set: { value } });
}

/** The sheet of a kind that the demo was laid out with, for which a painted photo is at hand; null for none. */
export async function demoSheet(db: Database, kind: SheetKind): Promise<number | null> {
  const [row] = await db.select({ value: settings.value }).from(settings).where(eq(settings.key, DEMO_SHEETS[kind]));
  return z.int().positive().safeParse(row?.value).data ?? null;
}

export async function keepDemoSheet(db: Database, kind: SheetKind, id: number): Promise<void> {
  await db.insert(settings).values({ key: DEMO_SHEETS[kind], value: id });
}

/** What the logbook taught when it was last learned; null for never. */
export async function keptLessons(db: Database): Promise<KeptLessons | null> {
  const [row] = await db.select({ value: settings.value }).from(settings).where(eq(settings.key, LESSONS));
  const packed = packedLessons.safeParse(row?.value).data?.gzip;
  return packed ? (JSON.parse((await gunzip(Buffer.from(packed, "base64"))).toString()) as KeptLessons) : null;
}

/** Keeps them packed: the database takes one long text in a tenth of the time that it takes thousands of numbers. */
export async function keepLessons(db: Database, lessons: KeptLessons): Promise<void> {
  const value: z.infer<typeof packedLessons> = { gzip: (await gzip(JSON.stringify(lessons))).toString("base64") };
  await db
    .insert(settings)
    .values({ key: LESSONS, value })
    .onConflictDoUpdate({ target: settings.key, set: { value } });
}
