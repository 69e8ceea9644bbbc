import { NextResponse } from "next/server";
import { newMeasurement } from "@/model/measurement";
import { fitMeasurement } from "@/server/fit-measurement";
import { newestDay } from "@/model/day";
import { UnknownMeasured } from "@/storage/ports";
import { storeToWrite } from "@/server/context/house";
import { refusalWords } from "@/model/reading-words";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";

const GONE = "This paint or its photo is no longer there. Load the page again.";

/** Keeps what was measured of a paint; its optics are fitted here from the patches alone. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = newMeasurement.safeParse(await readJson(request));
  if (!body.success)
    return refuse(400, `This measurement could not be kept: ${body.error.issues[0]?.message ?? "it is none."}`);
  if (body.data.on > newestDay(new Date())) return refuse(400, "The day of a measurement can't be still to come.");
  try {
    const store = await storeToWrite();
    const paint = (await store.paintbox.paints()).find(({ id }) => id === body.data.paintId);
    if (!paint) return refuse(409, GONE);
    const fit = fitMeasurement(paint, body.data);
    if ("refused" in fit) return refuse(422, refusalWords(fit.refused));
    return NextResponse.json({ id: await store.measurements.add(body.data, fit) }, { status: 201 });
  } catch (error) {
    if (error instanceof UnknownMeasured) return refuse(409, GONE);
    return refuseTrouble(
      "A measurement could not be kept",
      error,
      "The measurement could not be kept. Nothing was stored; try again.",
    );
  }
}
