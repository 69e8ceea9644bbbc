import { Readable } from "node:stream";
import { NextResponse } from "next/server";
import { z } from "zod";
import { writePainting } from "@/server/backup/painting-file";
import { openStore } from "@/server/context/house";
import { FileRefused } from "@/storage/backup/archive";
import { refuse, refuseTrouble } from "@/server/http/reply";

const GONE = "This painting is no longer there.";

/** A title as a file name that every system takes. */
const fileNameOf = (title: string): string =>
  title
    .normalize("NFKD")
    .replace(/[^A-Za-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .toLowerCase()
    .slice(0, 60) || "painting";

/** One painting as a file, to give away. */
export async function GET(_request: Request, context: { params: Promise<{ id: string }> }): Promise<NextResponse> {
  const id = z.uuid().safeParse((await context.params).id);
  if (!id.success) return refuse(404, GONE);
  try {
    const file = await writePainting(await openStore(), id.data);
    if (!file) return refuse(404, GONE);
    return new NextResponse(Readable.toWeb(file.stream) as ReadableStream<Uint8Array>, {
      headers: {
        "content-type": "application/zip",
        "content-disposition": `attachment; filename="${fileNameOf(file.title)}.zip"`,
        "cache-control": "no-store",
      },
    });
  } catch (error) {
    if (error instanceof FileRefused) return refuse(422, error.message);
    return refuseTrouble("A painting could not be written out", error, "The painting could not be written out.");
  }
}
