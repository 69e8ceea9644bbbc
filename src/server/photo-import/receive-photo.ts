import { rm } from "node:fs/promises";
import { type NextResponse } from "next/server";
import { z } from "zod";
import { LETTERS, LIMITS } from "@/model/limits";
import { cutText } from "@/model/text";
import { PhotoRefused, readPhoto, type ReadPhoto } from "./read-photo";
import { storeToWrite } from "../context/house";
import { isSameOrigin, NOT_SAME_ORIGIN } from "../http/same-origin";
import type { Store } from "@/storage/ports";
import { storePhoto } from "./photo-store";
import { refuse, refuseTrouble, saveBody } from "../http/reply";

/** The browser's file name, percent-encoded. Only kept to be shown. */
const fileName = z
  .string()
  .max(2000)
  .transform((text, context) => {
    try {
      return cutText(decodeURIComponent(text), LETTERS.fileName);
    } catch {
      context.addIssue("not percent-encoded");
      return z.NEVER;
    }
  });

const TOO_LARGE = "The file is over 300 MB. Save the photo smaller and try again.";
/** A working copy is at most 2000 by 2000 pixels of three bytes, as PNG. */
const WORKING_COPY_BYTES = 16 * 1024 * 1024;

/**
 * Takes a photo whose body is the file itself, keeps it, and answers with what `then` makes of it.
 * @param openToWrite the store of whoever sends it, with room for so many bytes
 */
export async function receivePhoto(
  request: Request,
  then: (store: Store, photo: ReadPhoto, name: string) => Promise<NextResponse>,
  openToWrite: (bytes: number) => Promise<Store> = storeToWrite,
): Promise<NextResponse> {
  if (!isSameOrigin(request.headers, request.method)) return refuse(403, NOT_SAME_ORIGIN);
  const name = fileName.safeParse(request.headers.get("x-file-name") ?? "photo");
  if (!name.success) return refuse(400, "The photo's file name could not be read. Rename the file and try again.");
  let arriving: string | null = null;
  try {
    const told = Number(request.headers.get("content-length") ?? 0);
    if (told > LIMITS.photoBytes) return refuse(413, TOO_LARGE);
    // It lies twice on the disk until it is stored, and its working copy beside it.
    const store = await openToWrite(2 * told + WORKING_COPY_BYTES);
    arriving = await store.photoFiles.arrivingPath();
    if (!(await saveBody(request, arriving, LIMITS.photoBytes))) return refuse(413, TOO_LARGE);
    const photo = await readPhoto(arriving);
    await storePhoto(store, photo, arriving, name.data);
    return await then(store, photo, name.data);
  } catch (error) {
    if (error instanceof PhotoRefused) return refuse(422, error.message);
    return refuseTrouble(
      "A photo could not be kept",
      error,
      "The photo could not be kept. Nothing was stored; try again.",
    );
  } finally {
    if (arriving) await rm(arriving, { force: true });
  }
}
