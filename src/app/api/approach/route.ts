import { NextResponse } from "next/server";
import { approach } from "@/model/painting";
import { storeToWrite } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";

/** Keeps an approach as the painter's own default. */
export async function PUT(request: Request): Promise<NextResponse> {
  const body = approach.safeParse(await readJson(request));
  if (!body.success)
    return refuse(400, `This approach could not be kept: ${body.error.issues[0]?.message ?? "it is none"}`);
  try {
    await (await storeToWrite()).settings.keepApproach(body.data);
    return NextResponse.json({});
  } catch (error) {
    return refuseTrouble("An approach could not be kept", error, "The approach could not be kept. Try again.");
  }
}
