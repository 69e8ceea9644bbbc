import { randomUUID } from "node:crypto";
import { NextResponse } from "next/server";
import { z } from "zod";
import { savePaintingRequest, type PaintingDocument } from "@/model/painting";
import { paintingOnDesk, storeBeside } from "@/server/context/beside";
import { dataFolder } from "@/server/context/environment";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";
import { needSpace } from "@/storage/folder/disk-space";
import { RevisionConflict, type Store } from "@/storage/ports";

/** A desk may save in the same moment: what it saved is read again. */
const TRIES = 5;

/** Notes what was ticked off, and leaves everything else as it is stored; the answer is the stored revision. */
async function noteSat(store: Store, id: string, { plan: { sat } }: PaintingDocument): Promise<number | null> {
  for (let left = TRIES; ; left--) {
    const painting = await paintingOnDesk(store);
    if (painting?.id !== id) return null;
    const { document, revision } = painting;
    try {
      return await store.paintings.save(
        id,
        { revision, writer: randomUUID(), step: 1 },
        { ...document, plan: { ...document.plan, sat } },
      );
    } catch (error) {
      if (!(error instanceof RevisionConflict) || left <= 1) throw error;
    }
  }
}

/** Takes from a second screen what was ticked off of the painting on the desk; nothing else of what it sends. */
export async function PUT(request: Request, context: { params: Promise<{ id: string }> }): Promise<NextResponse> {
  try {
    const store = await storeBeside();
    const id = z.uuid().safeParse((await context.params).id);
    const body = savePaintingRequest.safeParse(await readJson(request));
    if (!id.success || !body.success) return refuse(400, "This could not be noted: it is not a painting.");
    await needSpace(dataFolder());
    const revision = await noteSat(store, id.data, body.data.document);
    return revision === null ? refuse(404, "Another painting lies on the desk now.") : NextResponse.json({ revision });
  } catch (error) {
    return refuseTrouble("A tick could not be noted", error, "It could not be noted. It will be tried again.");
  }
}
