import { randomUUID } from "node:crypto";
import { mkdir, rm } from "node:fs/promises";
import { join } from "node:path";
import { type NextResponse } from "next/server";
import { z } from "zod";
import type { Database } from "@/db/database";
import { MAX_BYTES, PhotoRefused, readPhoto, type ReadPhoto } from "./developing/read-photo";
import { dataFolder } from "./environment";
import { database } from "./house";
import { fromOwnPages, NOT_OWN } from "./own-pages";
import { storePhoto } from "./photo-store";
import { refuse, saveBody } from "./reply";

/** The browser's file name, percent-encoded. Only kept to be shown. */
const fileName = z.string().max(2000).transform((text, context) => {
  try {
    return decodeURIComponent(text).replace(/\p{Cc}/gu, "").slice(0, 200);
  } catch {
    context.addIssue("not percent-encoded");
    return z.NEVER;
  }
});

/** Takes a photo whose body is the file itself, keeps it, and answers with what `then` makes of it. */
export async function receivePhoto(request: Request, then: (db: Database, photo: ReadPhoto, name: string) => Promise<NextResponse>): Promise<NextResponse> {
  if (!fromOwnPages(request.headers)) return refuse(403, NOT_OWN);
  const name = fileName.safeParse(request.headers.get("x-file-name") ?? "photo");
  if (!name.success) return refuse(400, "The photo's file name could not be read. Rename the file and try again.");
  const arriving = join(dataFolder(), "photos", `.arriving-${randomUUID()}`);
  try {
    const db = await database();
    await mkdir(join(dataFolder(), "photos"), { recursive: true });
    if (!(await saveBody(request, arriving, MAX_BYTES))) return refuse(413, "The file is over 300 MB. Save the photo smaller and try again.");
    const photo = await readPhoto(arriving);
    await storePhoto(db, dataFolder(), photo, arriving, name.data);
    return await then(db, photo, name.data);
  } catch (error) {
    if (error instanceof PhotoRefused) return refuse(422, error.message);
    console.error(error);
    return refuse(500, "The photo could not be kept. Is there room on the disk? Nothing was stored; try again.");
  } finally {
    await rm(arriving, { force: true });
  }
}
