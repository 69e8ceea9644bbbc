import { z } from "zod";
import { pigmentById } from "@/core/pigments";
import { cardPage } from "@/model/measurement";
import { cardPdf, type CardPrint } from "@/server/print/card-pdf";
import { openStore } from "@/server/context/house";
import { refuse, refuseTrouble } from "@/server/http/reply";

const cardId = z.coerce
  .number()
  .int()
  .positive()
  .max(2 ** 31 - 1);

async function printOf(id: string): Promise<CardPrint | null> {
  if (id === "frame") return { sheet: "card", of: "frame" };
  if (id === "box-frame") return { sheet: "box", of: "frame" };
  const number = cardId.safeParse(id);
  const store = await openStore();
  const card = number.success ? await store.cards.find(number.data) : null;
  if (!card) return null;
  const byId = new Map((await store.paintbox.paints()).map((paint) => [paint.id, paint]));
  const paints = card.paints.map((paintId) => {
    const paint = byId.get(paintId);
    return {
      name: paint?.name ?? "no longer in the box",
      codes: paint?.pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" ") ?? "",
    };
  });
  return { sheet: card.kind, of: { id: card.id, on: card.on, paints } };
}

/**
 * A sheet's PDF, or with "frame" or "box-frame" in the place of its number a cut-out frame (`?page=a4` or `letter`).
 */
export async function GET(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  const page = cardPage.safeParse(new URL(request.url).searchParams.get("page") ?? "a4");
  if (!page.success) return refuse(400, "A card is printed on A4 or Letter.");
  let print: CardPrint | null;
  try {
    print = await printOf((await context.params).id);
  } catch (error) {
    return refuseTrouble(
      "A card could not be printed",
      error,
      "The card could not be read from the data folder. Try again.",
    );
  }
  if (!print) return refuse(404, "There is no such card.");
  const what = print.sheet === "box" ? ["box-frame", "box-sheet"] : ["swatch-frame", "swatch-card"];
  const name = print.of === "frame" ? what[0] : `${what[1]}-${print.of.id}`;
  return new Response(new Uint8Array(await cardPdf(print, page.data)), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `inline; filename="${name}-${page.data}.pdf"`,
      "cache-control": "no-store",
    },
  });
}
