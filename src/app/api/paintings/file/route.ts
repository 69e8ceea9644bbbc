import type { NextResponse } from "next/server";
import { LIMITS } from "@/model/limits";
import { takePainting } from "@/server/backup/painting-file";
import { takeFile } from "@/server/http/arriving-file";

/** Takes a painting that somebody gave as a file: whole, with one's own paints, or not at all. */
export const POST = (request: Request): Promise<NextResponse> =>
  takeFile(
    request,
    {
      mostBytes: LIMITS.photoBytes + LIMITS.importBytes,
      tooLarge: "This file is too large for one painting.",
      where: "A painting's file could not be taken",
      otherwise: "The painting could not be taken. Nothing was kept; try again.",
    },
    takePainting,
  );
