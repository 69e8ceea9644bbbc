import { NextResponse } from "next/server";
import { waitingRequest } from "@/model/backup";
import { dropWaiting, restoreWaiting } from "@/server/backup/waiting";
import { openStore, storeToWrite } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";
import { FileRefused } from "@/storage/backup/archive";

const GONE = "This file waits no longer. Bring it once more.";

/** Puts the waiting file in the place of what is there, after a copy of that. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = waitingRequest.safeParse(await readJson(request));
  if (!body.success) return refuse(400, GONE);
  try {
    return (await restoreWaiting(await storeToWrite(), body.data.token)) ? NextResponse.json({}) : refuse(404, GONE);
  } catch (error) {
    if (error instanceof FileRefused) return refuse(422, error.message);
    return refuseTrouble("A backup could not be put back", error, "It could not be put back. Nothing was changed.");
  }
}

/** Drops the waiting file. */
export async function DELETE(request: Request): Promise<NextResponse> {
  const body = waitingRequest.safeParse(await readJson(request));
  if (!body.success) return refuse(400, GONE);
  try {
    await dropWaiting(await openStore(), body.data.token);
    return NextResponse.json({});
  } catch (error) {
    return refuseTrouble("A waiting backup could not be dropped", error, "It could not be dropped. Try again.");
  }
}
