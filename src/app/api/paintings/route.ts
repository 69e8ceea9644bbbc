import { NextResponse } from "next/server";
import { paintingCopyRequest } from "@/model/painting";
import { openStore, storeToWrite } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";

/** All paintings on the shelf and in the bin. */
export async function GET(): Promise<NextResponse> {
  try {
    return NextResponse.json({ shelf: await (await openStore()).paintings.shelf() });
  } catch (error) {
    return refuseTrouble(
      "The paintings could not be read",
      error,
      "The paintings could not be read. Load the page again.",
    );
  }
}

/** Keeps a painting's document as a painting of its own, on a photo that is there. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = paintingCopyRequest.safeParse(await readJson(request));
  if (!body.success) return refuse(400, `No copy was made: ${body.error.issues[0]?.message ?? "it is not a painting"}`);
  try {
    const store = await storeToWrite();
    if (!(await store.photos.find(body.data.photoId)))
      return refuse(404, "The photo of this painting is no longer there, so no copy can be made.");
    return NextResponse.json(
      { id: await store.paintings.create(body.data.photoId, body.data.document) },
      { status: 201 },
    );
  } catch (error) {
    return refuseTrouble(
      "A copy of a painting could not be made",
      error,
      "The copy could not be made. Nothing was stored; try again.",
    );
  }
}
