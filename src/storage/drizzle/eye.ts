import { desc } from "drizzle-orm";
import type { EyeAnswer } from "@/core/training";
import type { Database } from "./database";
import { eyeAnswers } from "./schema";

/** A year of two minutes a day is less than this. */
const LATEST = 10_000;

/** The latest answers, oldest first. */
export async function listEyeAnswers(db: Database): Promise<EyeAnswer[]> {
  const rows = await db
    .select({ at: eyeAnswers.at, kind: eyeAnswers.kind, bucket: eyeAnswers.bucket, error: eyeAnswers.error })
    .from(eyeAnswers)
    .orderBy(desc(eyeAnswers.at))
    .limit(LATEST);
  return rows.reverse();
}

/** Keeps an answer; the same one sent again is kept once. */
export async function addEyeAnswer(db: Database, id: string, answer: Omit<EyeAnswer, "at">): Promise<void> {
  await db
    .insert(eyeAnswers)
    .values({ id, ...answer })
    .onConflictDoNothing();
}
