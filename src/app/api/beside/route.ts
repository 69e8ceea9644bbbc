import { NextResponse } from "next/server";
import { contentOf, paintingOnDesk, storeBeside } from "@/server/context/beside";
import { refuse, refuseTrouble } from "@/server/http/reply";

/** Which painting lies on the desk, and whether it is still the one that was read. */
export async function GET(): Promise<NextResponse> {
  try {
    const painting = await paintingOnDesk(await storeBeside());
    if (!painting) return refuse(404, "No painting lies on the desk.");
    return NextResponse.json(
      {
        paintingId: painting.id,
        content: contentOf(painting.document),
        ticked: painting.document.plan.sat.length,
      },
      { headers: { "cache-control": "no-store" } },
    );
  } catch (error) {
    return refuseTrouble("A second screen was not answered", error, "The desk could not be looked at.");
  }
}
