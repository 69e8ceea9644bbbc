import { NextResponse } from "next/server";
import { copyRequest } from "@/model/backup";
import { dataFolder } from "@/server/context/environment";
import { datedCopies, isStudio, openStore, restoreCopy } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";
import { FileRefused } from "@/storage/backup/archive";

const GONE = "There is no such copy any more. Load the page again.";

/** What is here, and the dated copies, newest first. */
export async function GET(): Promise<NextResponse> {
  try {
    const holds = await (await openStore()).keeping.holdings();
    // Where the data lie is asked by scripts/running.mjs: another Abendrot may answer at an address that was noted.
    return NextResponse.json({ holds, copies: await datedCopies(), ...(!isStudio() && { folder: dataFolder() }) });
  } catch (error) {
    return refuseTrouble("The copies could not be listed", error, "The copies could not be listed.");
  }
}

/** Puts a dated copy back: in place of what is there, after a copy of that; or of a database that can't be read. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = copyRequest.safeParse(await readJson(request));
  if (!body.success) return refuse(400, GONE);
  try {
    return (await restoreCopy(body.data.name)) ? NextResponse.json({}) : refuse(404, GONE);
  } catch (error) {
    if (error instanceof FileRefused) return refuse(422, `${error.message} Try an older copy.`);
    return refuseTrouble("A copy could not be put back", error, "The copy could not be put back. Nothing was changed.");
  }
}
