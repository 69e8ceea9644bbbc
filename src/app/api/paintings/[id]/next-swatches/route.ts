import { NextResponse } from "next/server";
import { z } from "zod";
import { openStore } from "@/server/context/house";
import { refuse, refuseTrouble } from "@/server/http/reply";
import { nextToPaint } from "@/server/learned";

/** The swatches that would make a painting's mixes surest. */
export async function GET(_: Request, context: { params: Promise<{ id: string }> }): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success) return refuse(404, "This painting is no longer there.");
  try {
    const store = await openStore();
    const painting = await store.paintings.find(id.data);
    if (!painting) return refuse(404, "This painting is no longer there.");
    const paints = await store.paintbox.paints();
    return NextResponse.json(await nextToPaint(store, { for: "painting", painting: painting.document, paints }));
  } catch (error) {
    return refuseTrouble("Swatches could not be proposed", error, "What to paint next could not be worked out.");
  }
}
