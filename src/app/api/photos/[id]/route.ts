import { z } from "zod";
import { findPhoto } from "@/db/photos";
import { dataFolder } from "@/server/environment";
import { database } from "@/server/house";
import { COPIES, readCopy, type PhotoCopy } from "@/server/photo-store";
import { refuse } from "@/server/reply";

const photoId = z.string().regex(/^[0-9a-f]{64}$/);

const whichCopy = z.enum(Object.keys(COPIES) as [PhotoCopy, ...PhotoCopy[]]).catch("working");

/** A copy of a photo (`?copy=`); it never changes, since its id is its content. */
export async function GET(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = photoId.safeParse((await context.params).id);
  const photo = id.success ? await findPhoto(await database(), id.data) : null;
  if (!photo) return refuse(404, "There is no such photo.");
  const copy = whichCopy.parse(new URL(request.url).searchParams.get("copy") ?? "working");
  try {
    return new Response(await readCopy(dataFolder(), photo, copy), {
      headers: { "content-type": COPIES[copy].endsWith("png") ? "image/png" : "image/jpeg", "cache-control": "private, max-age=31536000, immutable" },
    });
  } catch {
    return refuse(404, "The photo's file is missing from the data folder.");
  }
}
