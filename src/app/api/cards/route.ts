import { NextResponse } from "next/server";
import { addCard, UnknownMeasured } from "@/db/measurements";
import { newCard } from "@/model/measurement";
import { database } from "@/server/house";
import { readJson, refuse } from "@/server/reply";

/** Records a card to be printed; its PDF is at its own address. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = newCard.safeParse(await readJson(request));
  if (!body.success) return refuse(400, `The card could not be made: ${body.error.issues[0]?.message ?? "no paints were named."}`);
  try {
    return NextResponse.json(await addCard(await database(), body.data, new Date().toISOString().slice(0, 10)), { status: 201 });
  } catch (error) {
    if (error instanceof UnknownMeasured) return refuse(409, "One of these paints is no longer in the paintbox. Load the page again.");
    console.error(error);
    return refuse(500, "The card could not be kept. Is there room on the disk?");
  }
}
