import { NextResponse } from "next/server";
import { z } from "zod";
import { paintModel, valueRange } from "@/core/mixing";
import { paperById } from "@/core/optics";
import { asLaid } from "@/model/as-laid";
import { isMixable } from "@/model/paintbox";
import { wantedOfPainting } from "@/model/wanted";
import { openStore } from "@/server/context/house";
import { paintsAsLearned } from "@/server/learned";
import { refuse, refuseTrouble } from "@/server/http/reply";

/** The colours that a painting wants, for a box that is packed for several paintings. */
export async function GET(_: Request, context: { params: Promise<{ id: string }> }): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success) return refuse(404, "This painting is no longer there.");
  try {
    const store = await openStore();
    const [painting, { paints, learned }] = await Promise.all([store.paintings.find(id.data), paintsAsLearned(store)]);
    if (!painting) return refuse(404, "This painting is no longer there.");
    const models = paints
      .filter(isMixable)
      .map((paint) => asLaid(paint, learned, painting.document.paperId))
      .map((paint) => paintModel(paint.id, paint.pigments, paint.tintingStrength, paint.measured));
    const range = valueRange(models, paperById(painting.document.paperId));
    return NextResponse.json(wantedOfPainting(id.data, painting.document, range));
  } catch (error) {
    return refuseTrouble("A painting's colours could not be read", error, "The painting's colours could not be read.");
  }
}
