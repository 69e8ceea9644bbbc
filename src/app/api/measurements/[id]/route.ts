import { NextResponse } from "next/server";
import { z } from "zod";
import { measurementChange } from "@/model/measurement";
import { storeToWrite } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";

/** Sets a measurement aside, or lets it count again. */
export async function PATCH(request: Request, context: { params: Promise<{ id: string }> }): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  const change = measurementChange.safeParse(await readJson(request));
  if (!change.success) return refuse(400, "A measurement counts or is set aside; nothing else of it changes.");
  try {
    if (!id.success || !(await (await storeToWrite()).measurements.setCounts(id.data, change.data.counts)))
      return refuse(404, "There is no such measurement.");
    return NextResponse.json({ counts: change.data.counts });
  } catch (error) {
    return refuseTrouble(
      "A measurement could not be changed",
      error,
      "That could not be kept. Nothing was changed; try again.",
    );
  }
}
