import { NextResponse } from "next/server";
import { pairRequest } from "@/model/beside";
import { pair, shareAddresses } from "@/server/context/beside";
import { readJson, refuse } from "@/server/http/reply";

/** Pairs the device that sends the code shown on the desk. */
export async function POST(request: Request): Promise<NextResponse> {
  if (shareAddresses().length === 0) return refuse(404, "Abendrot was not started for a second screen.");
  const body = pairRequest.safeParse(await readJson(request, 1024));
  if (!body.success) return refuse(400, body.error.issues[0]?.message ?? "This is no code.");
  return (await pair(body.data.code))
    ? NextResponse.json({})
    : refuse(403, "This is not the code on the desk's screen. It changes after each use and after five wrong tries.");
}
