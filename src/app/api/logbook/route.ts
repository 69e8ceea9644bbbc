import { NextResponse } from "next/server";
import { newestDay } from "@/model/day";
import { newLogEntryRequest } from "@/model/logbook";
import { allLearned } from "@/server/learned";
import { openStore, storeToWrite } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";
import { UnknownLogged } from "@/storage/ports";

/** What the logbook has taught: asked for anew after an entry has changed. */
export async function GET(): Promise<NextResponse> {
  try {
    return NextResponse.json({ learned: (await allLearned(await openStore())).book });
  } catch (error) {
    return refuseTrouble("The logbook could not be learned from", error, "The logbook could not be read.");
  }
}

/** Keeps a new entry; the same one sent again is kept once. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = newLogEntryRequest.safeParse(await readJson(request));
  if (!body.success) return refuse(400, `This could not be kept: ${body.error.issues[0]?.message ?? "it is no entry"}`);
  const { id, document } = body.data;
  if (document.on > newestDay(new Date())) return refuse(400, "The day of an entry can't be still to come.");
  try {
    await (await storeToWrite()).logbook.create(id, document);
    return NextResponse.json({ id }, { status: 201 });
  } catch (error) {
    if (error instanceof UnknownLogged) return refuse(409, "A photo of this entry is no longer there.");
    return refuseTrouble("An entry could not be kept", error, "The entry could not be kept. Nothing was stored.");
  }
}
