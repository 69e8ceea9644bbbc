import { NextResponse } from "next/server";
import type { TaughtAnswer } from "@/model/logbook";
import { openStore } from "@/server/context/house";
import { refuseTrouble } from "@/server/http/reply";
import { paintsAsLearned } from "@/server/learned";

/** What the logbook teaches of all paints, once all that stands in it is learned. */
export async function GET(): Promise<NextResponse> {
  try {
    const { paints, learned } = await paintsAsLearned(await openStore(), true);
    const measured = paints.flatMap((paint) => (paint.measured ? [[paint.id, paint.measured] as const] : []));
    return NextResponse.json({ measured: Object.fromEntries(measured), learned } satisfies TaughtAnswer);
  } catch (error) {
    return refuseTrouble("The logbook could not be learned from", error, "The logbook could not be read.");
  }
}
