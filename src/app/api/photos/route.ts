import { randomUUID } from "node:crypto";
import { mkdir, rm } from "node:fs/promises";
import { join } from "node:path";
import { NextResponse } from "next/server";
import { z } from "zod";
import { PAPERS } from "@/core";
import { newPainting } from "@/db/painting-document";
import { createPainting } from "@/db/paintings";
import { ownApproach } from "@/db/settings";
import { dataFolder } from "@/server/environment";
import { database } from "@/server/house";
import { MAX_BYTES, PhotoRefused, readPhoto } from "@/server/developing/read-photo";
import { fromOwnPages, NOT_OWN } from "@/server/own-pages";
import { storePhoto } from "@/server/photo-store";
import { refuse, saveBody } from "@/server/reply";

/** The browser's file name, percent-encoded. Only kept to be shown. */
const fileName = z.string().max(2000).transform((text, context) => {
  try {
    return decodeURIComponent(text).replace(/\p{Cc}/gu, "").slice(0, 200);
  } catch {
    context.addIssue("not percent-encoded");
    return z.NEVER;
  }
});

const titleOf = (name: string): string => name.replace(/\.[^.]*$/, "").replace(/[_-]+/g, " ").trim().slice(0, 120) || "Untitled painting";

/** Takes a photo (the body is the file itself) and lays out a new painting with it. */
export async function POST(request: Request): Promise<NextResponse> {
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
    const id = await createPainting(db, photo.id, newPainting(titleOf(name.data), PAPERS[0].id, await ownApproach(db)));
    return NextResponse.json({ id }, { status: 201 });
  } catch (error) {
    if (error instanceof PhotoRefused) return refuse(422, error.message);
    console.error(error);
    return refuse(500, "The photo could not be kept. Is there room on the disk? Nothing was stored; try again.");
  } finally {
    await rm(arriving, { force: true });
  }
}
