import { z } from "zod";
import { photoId } from "@/model/photo-id";
import { isGuest, paintingOnDesk, storeBeside } from "@/server/context/beside";
import { openStore } from "@/server/context/house";
import { COPIES } from "@/storage/folder/photo-files";
import type { PhotoCopy } from "@/storage/ports";
import { PhotoLost, readCopy } from "@/server/photo-import/photo-store";
import { refuse, refuseTrouble } from "@/server/http/reply";

const whichCopy = z.enum(Object.keys(COPIES) as [PhotoCopy, ...PhotoCopy[]]);

/** A copy of a photo (`?copy=`); it never changes, since its id is its content. */
export async function GET(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  const id = photoId.safeParse((await context.params).id);
  const copy = whichCopy.safeParse(new URL(request.url).searchParams.get("copy") ?? "working");
  if (!copy.success) return refuse(400, "There is no such copy of a photo.");
  try {
    const guest = await isGuest();
    const store = guest ? await storeBeside() : await openStore();
    const { photos, photoFiles } = store;
    // A second screen sees the photo of the painting on the desk alone.
    const seen = id.success && (!guest || (await paintingOnDesk(store))?.photo.id === id.data);
    const photo = seen ? await photos.find(id.data) : null;
    if (!photo) return refuse(404, "There is no such photo.");
    return new Response(await readCopy(photoFiles, photo, copy.data), {
      headers: {
        "content-type": COPIES[copy.data].endsWith("png") ? "image/png" : "image/jpeg",
        "cache-control": "private, max-age=31536000, immutable",
      },
    });
  } catch (error) {
    if (error instanceof PhotoLost) return refuse(410, error.message);
    return refuseTrouble(
      "A photo could not be shown",
      error,
      "The photo could not be read from the data folder. Try again.",
    );
  }
}
