import { Readable } from "node:stream";
import { NextResponse } from "next/server";
import { localDay } from "@/model/day";
import { bringBackup } from "@/server/backup/waiting";
import { openStore } from "@/server/context/house";
import { takeFile } from "@/server/http/arriving-file";
import { refuse, refuseTrouble } from "@/server/http/reply";
import { isSameOrigin, NOT_SAME_ORIGIN } from "@/server/http/same-origin";

/** Most bytes of a backup that is brought: thousands of photos as cameras make them. */
const MOST_BYTES = 256 * 1024 ** 3;

/** Everything as one file: records, photos as they came, and a list of it all. */
export async function GET(request: Request): Promise<NextResponse> {
  if (!isSameOrigin(request.headers, request.method)) return refuse(403, NOT_SAME_ORIGIN);
  try {
    const { stream, bytes, manifest } = await (await openStore()).keeping.backup();
    return new NextResponse(Readable.toWeb(stream) as ReadableStream<Uint8Array>, {
      headers: {
        "content-type": "application/zip",
        "content-disposition": `attachment; filename="abendrot-${localDay(new Date())}.zip"`,
        "cache-control": "no-store",
        "x-photos": String(manifest.photos.length),
        "x-photos-lost": String(manifest.lost.length),
        ...(bytes !== null && { "content-length": String(bytes) }),
      },
    });
  } catch (error) {
    return refuseTrouble("A backup could not be made", error, "The backup could not be made.");
  }
}

/** Takes a backup: it is put back at once on an empty desk, else it waits for a yes. */
export const POST = (request: Request): Promise<NextResponse> =>
  takeFile(
    request,
    {
      mostBytes: MOST_BYTES,
      tooLarge: "This file is too large for a backup.",
      where: "A backup could not be read",
      otherwise: "The backup could not be read. Nothing was changed.",
    },
    bringBackup,
  );
