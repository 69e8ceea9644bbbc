import { NextResponse } from "next/server";
import { PAPERS } from "@/core/optics";
import { openStore } from "@/server/context/house";
import { refuseTrouble } from "@/server/http/reply";
import { nextToPaint } from "@/server/learned";

/** The swatches that would make the whole box surest, over all paintings that lie here. */
export async function GET(): Promise<NextResponse> {
  try {
    const store = await openStore();
    const titles = await store.paintings.list();
    const found = await Promise.all(titles.map(({ id }) => store.paintings.find(id)));
    const documents = found.flatMap((painting) => (painting ? [painting.document] : []));
    const paperId = documents[0]?.paperId ?? PAPERS[0].id;
    const paints = await store.paintbox.paints();
    return NextResponse.json(await nextToPaint(store, { for: "box", paintings: documents, paints, paperId }));
  } catch (error) {
    return refuseTrouble("Swatches could not be proposed", error, "What to paint next could not be worked out.");
  }
}
