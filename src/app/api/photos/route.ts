import { NextResponse } from "next/server";
import { PAPERS } from "@/core/optics";
import { LETTERS } from "@/model/limits";
import { newPainting } from "@/model/painting";
import { cutText } from "@/model/text";
import { receivePhoto } from "@/server/photo-import/receive-photo";

const titleOf = (name: string): string =>
  cutText(
    name
      .replace(/\.[^.]*$/, "")
      .replace(/[_-]+/g, " ")
      .trim(),
    LETTERS.title,
  ).trim() || "Untitled painting";

/** Takes a photo (the body is the file itself) and lays out a new painting with it. */
export async function POST(request: Request): Promise<NextResponse> {
  return receivePhoto(request, async (store, photo, name) => {
    const id = await store.paintings.create(
      photo.id,
      newPainting(titleOf(name), PAPERS[0].id, await store.settings.ownApproach()),
    );
    return NextResponse.json({ id }, { status: 201 });
  });
}
