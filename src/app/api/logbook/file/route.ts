import { rm } from "node:fs/promises";
import { Readable } from "node:stream";
import { NextResponse } from "next/server";
import { localDay } from "@/model/day";
import { openStore, storeToWrite } from "@/server/context/house";
import { refuse, refuseTrouble, saveBody } from "@/server/http/reply";
import { isSameOrigin, NOT_SAME_ORIGIN } from "@/server/http/same-origin";
import { bookFile, LogFileRefused, takeBookFile } from "@/server/logbook-file";

/** Most bytes of a logbook's file that is brought: twenty photos of every painter's week over years. */
const MOST_BYTES = 16 * 1024 ** 3;

/** The whole logbook as a file: open data, tables, photos. */
export async function GET(request: Request): Promise<NextResponse> {
  if (!isSameOrigin(request.headers, request.method)) return refuse(403, NOT_SAME_ORIGIN);
  try {
    const body = Readable.toWeb(Readable.from(bookFile(await openStore()))) as ReadableStream<Uint8Array>;
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
export async function POST(request: Request): Promise<NextResponse> {
  if (!isSameOrigin(request.headers, request.method)) return refuse(403, NOT_SAME_ORIGIN);
  let arriving: string | null = null;
  try {
    const told = Number(request.headers.get("content-length") ?? 0);
    const store = await storeToWrite(3 * told);
    arriving = await store.photoFiles.arrivingPath();
    if (!(await saveBody(request, arriving, MOST_BYTES))) return refuse(413, "This file is too large for a logbook.");
    return NextResponse.json(await takeBookFile(store, arriving));
  } catch (error) {
    if (error instanceof LogFileRefused) return refuse(422, error.message);
    return refuseTrouble(
      "A logbook's file could not be taken",
      error,
      "The file could not be taken. Nothing was kept.",
    );
  } finally {
    if (arriving) await rm(arriving, { force: true });
  }
}
