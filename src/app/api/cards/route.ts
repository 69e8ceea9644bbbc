import { NextResponse } from "next/server";
import { newCard } from "@/model/measurement";
import { localDay } from "@/model/day";
import { UnknownMeasured } from "@/storage/ports";
import { storeToWrite } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";

/** Records a card to be printed; its PDF is at its own address. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = newCard.safeParse(await readJson(request));
  if (!body.success)
    return refuse(400, `The card could not be made: ${body.error.issues[0]?.message ?? "no paints were named."}`);
  try {
    return NextResponse.json(await (await storeToWrite()).cards.add(body.data, localDay(new Date())), { status: 201 });
  } catch (error) {
    if (error instanceof UnknownMeasured)
      return refuse(409, "One of these paints is no longer in the paintbox. Load the page again.");
    return refuseTrouble("A card could not be kept", error, "The card could not be kept. Try again.");
  }
}
