import { randomUUID } from "node:crypto";
import { NextResponse } from "next/server";
import { localDay } from "@/model/day";
import { LETTERS } from "@/model/limits";
import { newLogEntry } from "@/model/logbook";
import { cutText } from "@/model/text";
import { paintingOnDesk, storeBeside } from "@/server/context/beside";
import { NotForGuests } from "@/server/context/refusals";
import { refuse } from "@/server/http/reply";
import { receivePhoto } from "@/server/photo-import/receive-photo";

/** Keeps a photo that a second screen took as a page of the logbook, with the painting's title. */
export async function POST(request: Request): Promise<NextResponse> {
  try {
    await storeBeside();
  } catch (error) {
    return refuse(403, error instanceof NotForGuests ? error.message : "The desk could not be looked at.");
  }
  return receivePhoto(
    request,
    async (store, photo) => {
      const painting = await paintingOnDesk(store);
      const id = randomUUID();
      await store.logbook.create(
        id,
        newLogEntry({
          kind: "sitting",
          on: localDay(new Date()),
          paperId: painting?.document.paperId ?? "cotton-cold-pressed",
          title: cutText(painting?.document.title ?? "At the easel", LETTERS.title),
          photos: [photo.id],
        }),
      );
      return NextResponse.json({ id }, { status: 201 });
    },
    storeBeside,
  );
}
