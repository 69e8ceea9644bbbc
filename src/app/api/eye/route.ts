import { NextResponse } from "next/server";
import { newEyeAnswer } from "@/model/eye";
import { storeToWrite } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";

/** Keeps an answer that trained the eye; the same one sent again is kept once. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = newEyeAnswer.safeParse(await readJson(request));
  if (!body.success) return refuse(400, "This is no answer to a question.");
  try {
    const { id, ...answer } = body.data;
    await (await storeToWrite()).eye.add(id, answer);
    return NextResponse.json({}, { status: 201 });
  } catch (error) {
    return refuseTrouble("An answer could not be kept", error, "The answer could not be kept.");
  }
}
