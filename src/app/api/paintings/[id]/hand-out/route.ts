import { NextResponse } from "next/server";
import { z } from "zod";
import { handOut } from "@/server/backup/painting-file";
import { openStore, otherSpaces } from "@/server/context/house";
import { refuse, refuseTrouble } from "@/server/http/reply";
import { noteTrouble } from "@/server/http/trouble";

const GONE = "This painting is no longer there.";

/** Lays a teacher's painting out in every other space of the server. */
export async function POST(_request: Request, context: { params: Promise<{ id: string }> }): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success) return refuse(404, GONE);
  try {
    const store = await openStore();
    const others = await otherSpaces();
    if (!others) return refuse(403, "Only a teacher hands a painting to all.");
    const done = await handOut(store, id.data, others, (error) => noteTrouble("A painting was not handed out", error));
    return done ? NextResponse.json(done) : refuse(404, GONE);
  } catch (error) {
    return refuseTrouble("A painting could not be handed out", error, "The painting could not be handed out.");
  }
}
