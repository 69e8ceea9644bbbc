import { NextResponse } from "next/server";
import { z } from "zod";
import { measurementChange } from "@/model/measurement";
import { setCounts } from "@/db/measurements";
import { database } from "@/server/house";
import { readJson, refuse } from "@/server/reply";

/** Sets a measurement aside, or lets it count again. */
export async function PATCH(request: Request, context: { params: Promise<{ id: string }> }): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  const change = measurementChange.safeParse(await readJson(request));
  if (!change.success) return refuse(400, "A measurement counts or is set aside; nothing else of it changes.");
  if (!id.success || !(await setCounts(await database(), id.data, change.data.counts))) return refuse(404, "There is no such measurement.");
  return NextResponse.json({ counts: change.data.counts });
}
