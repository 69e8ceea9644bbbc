import { Readable } from "node:stream";
import { NextResponse } from "next/server";
import { localDay } from "@/model/day";
import { openStore } from "@/server/context/house";
import { takeFile } from "@/server/http/arriving-file";
import { refuse, refuseTrouble } from "@/server/http/reply";
import { isSameOrigin, NOT_SAME_ORIGIN } from "@/server/http/same-origin";
import { bookFile, takeBookFile } from "@/server/logbook-file";

/** Most bytes of a logbook's file that is brought: twenty photos of every painter's week over years. */
const MOST_BYTES = 16 * 1024 ** 3;

/** The whole logbook as a file: open data, tables, photos. */
export async function GET(request: Request): Promise<NextResponse> {
  if (!isSameOrigin(request.headers, request.method)) return refuse(403, NOT_SAME_ORIGIN);
  try {
    const body = Readable.toWeb(await bookFile(await openStore())) as ReadableStream<Uint8Array>;
    return new NextResponse(body, {
      headers: {
        "content-type": "application/zip",
        "content-disposition": `attachment; filename="logbook-${localDay(new Date())}.zip"`,
        "cache-control": "no-store",
      },
    });
  } catch (error) {
    return refuseTrouble("The logbook could not be written out", error, "The logbook could not be written out.");
  }
}

/** Takes a logbook's file, whole or not at all. */
export const POST = (request: Request): Promise<NextResponse> =>
  takeFile(
    request,
    {
      mostBytes: MOST_BYTES,
      tooLarge: "This file is too large for a logbook.",
      where: "A logbook's file could not be taken",
      otherwise: "The file could not be taken. Nothing was kept.",
    },
    takeBookFile,
  );
