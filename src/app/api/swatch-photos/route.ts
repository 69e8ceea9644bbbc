import { NextResponse } from "next/server";
import { receivePhoto } from "@/server/photo-import/receive-photo";

/** Takes a photo of a swatch card (the body is the file itself); what it is read as is up to the measuring room. */
export async function POST(request: Request): Promise<NextResponse> {
  return receivePhoto(request, async (_db, { id, workingWidthPx, workingHeightPx }) =>
    NextResponse.json({ id, widthPx: workingWidthPx, heightPx: workingHeightPx }, { status: 201 }),
  );
}
