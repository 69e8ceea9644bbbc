import { NextResponse } from "next/server";
import { z } from "zod";
import { newestDay } from "@/model/day";
import { logEntryChange, saveLogEntryRequest } from "@/model/logbook";
import { openStore, storeToWrite } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";
import { LogEntryNotFound, RevisionConflict, UnknownLogged } from "@/storage/ports";

type Context = { params: Promise<{ id: string }> };

const GONE = "This entry is no longer in the logbook.";
const idOf = async (context: Context): Promise<string | undefined> =>
  z.uuid().safeParse((await context.params).id).data;

/** An entry as it is stored. */
export async function GET(_request: Request, context: Context): Promise<NextResponse> {
  const id = await idOf(context);
  try {
    const entry = id ? await (await openStore()).logbook.find(id) : null;
    return entry ? NextResponse.json(entry) : refuse(404, GONE);
  } catch (error) {
    return refuseTrouble("An entry could not be read", error, "The entry could not be read. Try again.");
  }
}

/** Saves an entry whole; one that was changed elsewhere since answers with what is stored. */
export async function PUT(request: Request, context: Context): Promise<NextResponse> {
  const id = await idOf(context);
  if (!id) return refuse(404, GONE);
  const body = saveLogEntryRequest.safeParse(await readJson(request));
  if (!body.success)
    return refuse(400, `This could not be saved: ${body.error.issues[0]?.message ?? "it is no entry"}`);
  const { document, ...stamp } = body.data;
  if (document.on > newestDay(new Date())) return refuse(400, "The day of an entry can't be still to come.");
  try {
    return NextResponse.json({ revision: await (await storeToWrite()).logbook.save(id, stamp, document) });
  } catch (error) {
    if (error instanceof RevisionConflict) {
      const stored = await (await openStore()).logbook.find(id);
      return NextResponse.json(
        {
          message: "This entry was changed in another window meanwhile.",
          ...(stored && { stored: { revision: stored.revision, document: stored.document } }),
        },
        { status: 409 },
      );
    }
    if (error instanceof LogEntryNotFound) return refuse(404, GONE);
    if (error instanceof UnknownLogged) return refuse(409, "A photo of this entry is no longer there.");
    return refuseTrouble(
      "An entry could not be saved",
      error,
      "The entry could not be saved. It is kept in this browser and will be tried again.",
    );
  }
}

/** Puts an entry in the bin or takes it out. */
export async function PATCH(request: Request, context: Context): Promise<NextResponse> {
  const id = await idOf(context);
  if (!id) return refuse(404, GONE);
  const body = logEntryChange.safeParse(await readJson(request));
  if (!body.success) return refuse(400, "Nothing was changed: an entry goes in the bin or comes out of it.");
  try {
    await (await storeToWrite()).logbook.bin(id, body.data.binned);
    return NextResponse.json({});
  } catch (error) {
    if (error instanceof LogEntryNotFound) return refuse(404, GONE);
    return refuseTrouble("An entry could not be changed", error, "The entry could not be changed. Try again.");
  }
}

/** Removes an entry for good. */
export async function DELETE(_request: Request, context: Context): Promise<NextResponse> {
  const id = await idOf(context);
  if (!id) return refuse(404, GONE);
  try {
    await (await storeToWrite()).logbook.remove(id);
    return NextResponse.json({});
  } catch (error) {
    return refuseTrouble("An entry could not be removed", error, "The entry could not be removed. Try again.");
  }
}
