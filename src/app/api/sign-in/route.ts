import { NextResponse } from "next/server";
import { signInRequest } from "@/model/sign-in";
import { isStudio } from "@/server/context/house";
import { signIn, signOut, TooManyTries } from "@/server/context/session";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";

const HERE_ALONE = "This Abendrot is one painter's own: there is nothing to sign in to.";

/** Signs in to a space, or says that name or pass phrase is not right, never which. */
export async function POST(request: Request): Promise<NextResponse> {
  if (!isStudio()) return refuse(404, HERE_ALONE);
  const body = signInRequest.safeParse(await readJson(request, 4096));
  if (!body.success) return refuse(400, "Name and pass phrase are needed.");
  try {
    return (await signIn(body.data.name, body.data.phrase))
      ? NextResponse.json({})
      : refuse(401, "Name or pass phrase is not right.");
  } catch (error) {
    if (error instanceof TooManyTries) return refuse(429, error.message);
    return refuseTrouble("Nobody could sign in", error, "It could not be looked up. Try again.");
  }
}

/** Signs out. */
export async function DELETE(): Promise<NextResponse> {
  if (!isStudio()) return refuse(404, HERE_ALONE);
  try {
    await signOut();
    return NextResponse.json({});
  } catch (error) {
    return refuseTrouble("Nobody could sign out", error, "You could not be signed out. Try again.");
  }
}
