import { NextResponse } from "next/server";
import { z } from "zod";
import { savePaintingRequest } from "@/model/painting";
import { PaintingNotFound, removePainting, savePainting, UnknownPaint } from "@/db/paintings";
import { RevisionConflict } from "@/db/revision";
import { database } from "@/server/house";
import { readJson, refuse } from "@/server/reply";

type Context = { params: Promise<{ id: string }> };

const GONE = "This painting is no longer there. Go back to the list of paintings.";

/** Saves a painting's whole document against the revision it was read at. */
export async function PUT(request: Request, context: Context): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success) return refuse(404, GONE);
  const body = savePaintingRequest.safeParse(await readJson(request));
  if (!body.success) return refuse(400, `This could not be saved: ${body.error.issues[0]?.message ?? "it is not a painting"}`);
  try {
    const revision = await savePainting(await database(), id.data, body.data.revision, body.data.document);
    return NextResponse.json({ revision });
  } catch (error) {
    if (error instanceof RevisionConflict) {
      return refuse(409, "This painting was changed in another window. Load it again to go on from there.");
    }
    if (error instanceof PaintingNotFound) return refuse(404, GONE);
    if (error instanceof UnknownPaint) return refuse(400, "A paint on the palette is no longer in the paintbox. Load the page again.");
    console.error(error);
    return refuse(500, "The painting could not be saved. Is there room on the disk? It will be tried again.");
  }
}

/** Removes a painting. */
export async function DELETE(_request: Request, context: Context): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success) return refuse(404, GONE);
  await removePainting(await database(), id.data);
  return NextResponse.json({});
}
