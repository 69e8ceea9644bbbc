import { NextResponse } from "next/server";
import { PAPERS } from "@/core/optics";
import { MOST_AREAS } from "@/model/next-swatches";
import { openStore } from "@/server/context/house";
import { refuseTrouble } from "@/server/http/reply";
import { nextToPaint } from "@/server/learned";

/** The swatches that would make the whole box surest, over all paintings that lie here. */
export async function GET(): Promise<NextResponse> {
  try {
    const store = await openStore();
    const [areas, paints] = await Promise.all([store.paintings.weightiestAreas(MOST_AREAS), store.paintbox.paints()]);
    const paperId = areas[0]?.paperId ?? PAPERS[0].id;
    return NextResponse.json(await nextToPaint(store, { for: "box", areas, paints, paperId }));
  } catch (error) {
    return refuseTrouble("Swatches could not be proposed", error, "What to paint next could not be worked out.");
  }
}
