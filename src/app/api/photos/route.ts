import { NextResponse } from "next/server";
import { z } from "zod";
import { PAPERS } from "@/core";
import { createPainting } from "@/db/paintings";
import { dataFolder } from "@/server/environment";
import { database } from "@/server/house";
import { MAX_BYTES, PhotoRefused, readPhoto } from "@/server/photo-file";
import { storePhoto } from "@/server/photo-store";
import { readBody, refuse } from "@/server/reply";

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
  const name = fileName.safeParse(request.headers.get("x-file-name") ?? "photo");
  if (!name.success) return refuse(400, "The photo's file name could not be read. Rename the file and try again.");
  const body = await readBody(request, MAX_BYTES);
  if (!body) return refuse(413, "The file is over 40 MB. Save the photo smaller and try again.");
  try {
    const photo = await readPhoto(body);
    const db = await database();
    await storePhoto(db, dataFolder(), photo, name.data);
    const id = await createPainting(db, photo.id, { title: titleOf(name.data), paperId: PAPERS[0].id, areas: [], palette: [] });
    return NextResponse.json({ id }, { status: 201 });
  } catch (error) {
    if (error instanceof PhotoRefused) return refuse(422, error.message);
    console.error(error);
    return refuse(500, "The photo could not be kept. Is there room on the disk? Nothing was stored; try again.");
  }
}
