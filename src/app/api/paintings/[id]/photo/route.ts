import { NextResponse } from "next/server";
import { z } from "zod";
import { exchangePhoto } from "@/server/photo-import/exchange-photo";
import { receivePhoto } from "@/server/photo-import/receive-photo";
import { refuse } from "@/server/http/reply";

type Context = { params: Promise<{ id: string }> };

/** Takes another photo of a painting's motif (the body is the file itself): the painting goes on with it. */
export async function POST(request: Request, context: Context): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  return receivePhoto(request, async (store, photo) => {
    const exchanged = id.success ? await exchangePhoto(store, id.data, photo) : null;
    if (!exchanged) return refuse(404, "This painting is no longer there.");
    return NextResponse.json(exchanged, { status: 201 });
  });
}
