import { NextResponse } from "next/server";
import { z } from "zod";
import { savePaintingRequest, shelfRequest } from "@/model/painting";
import { PaintingNotFound, RevisionConflict } from "@/storage/ports";
import { openStore, storeToWrite } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";

type Context = { params: Promise<{ id: string }> };

const GONE = "This painting is no longer there.";

/** Saves a painting's whole document; one that was changed elsewhere since answers with what is stored. */
export async function PUT(request: Request, context: Context): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success) return refuse(404, GONE);
  const body = savePaintingRequest.safeParse(await readJson(request));
  if (!body.success)
    return refuse(400, `This could not be saved: ${body.error.issues[0]?.message ?? "it is not a painting"}`);
  try {
    const { document, ...stamp } = body.data;
    return NextResponse.json({ revision: await (await storeToWrite()).paintings.save(id.data, stamp, document) });
  } catch (error) {
    if (error instanceof RevisionConflict) {
      const stored = await (await openStore()).paintings.find(id.data);
      return NextResponse.json(
        {
          message: "This painting was changed in another window meanwhile.",
          ...(stored && { stored: { revision: stored.revision, document: stored.document } }),
        },
        { status: 409 },
      );
    }
    if (error instanceof PaintingNotFound) return refuse(404, GONE);
    return refuseTrouble(
      "A painting could not be saved",
      error,
      "The painting could not be saved. It is kept in this browser and will be tried again.",
    );
  }
}

/** Renames a painting, puts it in the bin or takes it out. */
export async function PATCH(request: Request, context: Context): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success) return refuse(404, GONE);
  const body = shelfRequest.safeParse(await readJson(request));
  if (!body.success)
    return refuse(400, `Nothing was changed: ${body.error.issues[0]?.message ?? "this is no change of a painting"}`);
  try {
    const { paintings } = await storeToWrite();
    if ("title" in body.data) await paintings.rename(id.data, body.data.title);
    else await paintings.bin(id.data, body.data.binned);
    return NextResponse.json({});
  } catch (error) {
    if (error instanceof PaintingNotFound) return refuse(404, GONE);
    return refuseTrouble("A painting could not be changed", error, "The painting could not be changed. Try again.");
  }
}

/** Removes a painting for good. */
export async function DELETE(_request: Request, context: Context): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success) return refuse(404, GONE);
  try {
    await (await storeToWrite()).paintings.remove(id.data);
    return NextResponse.json({});
  } catch (error) {
    return refuseTrouble("A painting could not be removed", error, "The painting could not be removed. Try again.");
  }
}
