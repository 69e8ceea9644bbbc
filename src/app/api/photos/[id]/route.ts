import { z } from "zod";
import { findPhoto } from "@/db/photos";
import { dataFolder } from "@/server/environment";
import { database } from "@/server/house";
import { readWorkingCopy } from "@/server/photo-store";
import { refuse } from "@/server/reply";

const photoId = z.string().regex(/^[0-9a-f]{64}$/);

/** The working copy of a photo; it never changes, since its id is its content. */
export async function GET(_request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = photoId.safeParse((await context.params).id);
  if (!id.success || !(await findPhoto(await database(), id.data))) return refuse(404, "There is no such photo.");
  try {
    return new Response(await readWorkingCopy(dataFolder(), id.data), {
      headers: { "content-type": "image/webp", "cache-control": "private, max-age=31536000, immutable" },
    });
  } catch {
    return refuse(404, "The photo's file is missing from the data folder.");
  }
}
