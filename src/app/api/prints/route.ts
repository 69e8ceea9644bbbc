import { NextResponse } from "next/server";
import { printRequest } from "@/model/printed-plan";
import { openStore } from "@/server/context/house";
import { readJson, refuse, refuseTrouble } from "@/server/http/reply";
import { PhotoLost, readCopy } from "@/server/photo-import/photo-store";
import { planPdf } from "@/server/print/plan-pdf";
import { testSheetPdf } from "@/server/print/test-sheet-pdf";

/** Outlines of sixty shapes are the most of it, bytes. */
const MOST_BYTES = 4 * 1024 * 1024;

/** A plan, or the test sheet for it, as a PDF; nothing of it is kept. */
export async function POST(request: Request): Promise<Response> {
  const body = printRequest.safeParse(await readJson(request, MOST_BYTES));
  if (!body.success)
    return refuse(400, `This could not be printed: ${body.error.issues[0]?.message ?? "it is not a plan"}`);
  try {
    return new NextResponse(new Uint8Array(await pdfOf(body.data)), { headers: { "content-type": "application/pdf" } });
  } catch (error) {
    if (error instanceof PhotoLost) return refuse(410, error.message);
    return refuseTrouble("A plan could not be printed", error, "The plan could not be printed. Try again.");
  }
}

async function pdfOf(asked: ReturnType<typeof printRequest.parse>): Promise<Buffer> {
  if (asked.what === "test") return testSheetPdf(asked.test, asked.page);
  const { photos, photoFiles } = await openStore();
  const photo = await photos.find(asked.plan.photoId);
  if (!photo) throw new PhotoLost("The photo of this plan is no longer there.");
  const bytes = Buffer.from(await readCopy(photoFiles, photo, "view"));
  return planPdf(asked.plan, { bytes, aspect: photo.workingWidthPx / photo.workingHeightPx }, asked.page);
}
