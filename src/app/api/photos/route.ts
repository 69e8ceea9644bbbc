import { NextResponse } from "next/server";
import { PAPERS } from "@/core";
import { LETTERS } from "@/model/limits";
import { newPainting } from "@/model/painting";
import { cutText } from "@/model/text";
import { createPainting } from "@/db/paintings";
import { ownApproach } from "@/db/settings";
import { receivePhoto } from "@/server/receive-photo";

const titleOf = (name: string): string => cutText(name.replace(/\.[^.]*$/, "").replace(/[_-]+/g, " ").trim(), LETTERS.title).trim() || "Untitled painting";

/** Takes a photo (the body is the file itself) and lays out a new painting with it. */
export async function POST(request: Request): Promise<NextResponse> {
  return receivePhoto(request, async (db, photo, name) => {
    const id = await createPainting(db, photo.id, newPainting(titleOf(name), PAPERS[0].id, await ownApproach(db)));
    return NextResponse.json({ id }, { status: 201 });
  });
}
