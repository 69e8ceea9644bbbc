import { NextResponse } from "next/server";
import { z } from "zod";
import { againTitle } from "@/model/painting";
import { storeToWrite } from "@/server/context/house";
import { refuse, refuseTrouble } from "@/server/http/reply";

type Context = { params: Promise<{ id: string }> };

/** Doubles a painting: the same photo, areas, palette and mixes, to be changed without touching the first. */
export async function POST(_request: Request, context: Context): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  try {
    const store = await storeToWrite();
    const found = id.success ? await store.paintings.find(id.data) : null;
    if (!found) return refuse(404, "This painting is no longer there.");
    const { document, photo } = found;
    const copy = await store.paintings.create(photo.id, { ...document, title: againTitle(document.title) });
    return NextResponse.json({ id: copy }, { status: 201 });
  } catch (error) {
    return refuseTrouble("A painting could not be doubled", error, "The painting could not be doubled. Try again.");
  }
}
