import { NextResponse } from "next/server";
import { z } from "zod";
import { nextForPainting } from "@/model/next-swatches";
import { openStore } from "@/server/context/house";
import { refuse, refuseTrouble } from "@/server/http/reply";
import { bookSources } from "@/server/learned";

/** The swatches that would make a painting's mixes surest. */
export async function GET(_: Request, context: { params: Promise<{ id: string }> }): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success) return refuse(404, "This painting is no longer there.");
  try {
    const store = await openStore();
    const [painting, sources, paints] = await Promise.all([
      store.paintings.find(id.data),
      bookSources(store),
      store.paintbox.paints(),
    ]);
    if (!painting) return refuse(404, "This painting is no longer there.");
    return NextResponse.json(nextForPainting(sources, painting.document, paints));
  } catch (error) {
    return refuseTrouble("Swatches could not be proposed", error, "What to paint next could not be worked out.");
  }
}
