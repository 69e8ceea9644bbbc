import { NextResponse } from "next/server";
import { savePaintbox } from "@/db/paintbox";
import { paintFaults, savePaintboxRequest } from "@/model/paintbox";
import { RevisionConflict } from "@/db/revision";
import { database } from "@/server/house";
import { readJson, refuse } from "@/server/reply";

/** 2000 paints with notes stay well under this. */
const LIMIT = 8 * 1024 * 1024;

/** Saves the whole paintbox against the revision it was read at. */
export async function PUT(request: Request): Promise<NextResponse> {
  const body = savePaintboxRequest.safeParse(await readJson(request, LIMIT));
  if (!body.success) return refuse(400, `This could not be saved: ${body.error.issues[0]?.message ?? "it is not a paintbox"}`);
  const { revision, document } = body.data;
  const today = new Date().toISOString().slice(0, 10);
  for (const paint of document.paints) {
    const [fault] = Object.values(paintFaults(paint, today));
    if (fault) return refuse(400, `${paint.name}: ${fault}`);
  }
  try {
    return NextResponse.json({ revision: await savePaintbox(await database(), revision, document) });
  } catch (error) {
    if (error instanceof RevisionConflict) return refuse(409, "The paintbox was changed in another window. Load it again to go on from there.");
    console.error(error);
    return refuse(500, "The paintbox could not be saved. Is there room on the disk? It will be tried again.");
  }
}
