import { rm } from "node:fs/promises";
import { NextResponse } from "next/server";
import { FileRefused } from "@/storage/backup/archive";
import type { Store } from "@/storage/ports";
import { storeToWrite } from "../context/house";
import { refuse, refuseTrouble, saveBody } from "./reply";
import { isSameOrigin, NOT_SAME_ORIGIN } from "./same-origin";

/** What a file that arrives may be, and what is said when it can't be taken. */
interface Arriving {
  readonly mostBytes: number;
  readonly tooLarge: string;
  readonly where: string;
  readonly otherwise: string;
}

/** Takes a request whose body is a file of ours, and answers with what `take` makes of it. */
export async function takeFile(
  request: Request,
  { mostBytes, tooLarge, where, otherwise }: Arriving,
  take: (store: Store, path: string) => Promise<unknown>,
): Promise<NextResponse> {
  if (!isSameOrigin(request.headers, request.method)) return refuse(403, NOT_SAME_ORIGIN);
  let arriving: string | null = null;
  try {
    // It lies twice on the disk until it is taken.
    const store = await storeToWrite(2 * Number(request.headers.get("content-length") ?? 0));
    arriving = await store.photoFiles.arrivingPath();
    if (!(await saveBody(request, arriving, mostBytes))) return refuse(413, tooLarge);
    return NextResponse.json(await take(store, arriving));
  } catch (error) {
    if (error instanceof FileRefused) return refuse(422, error.message);
    return refuseTrouble(where, error, otherwise);
  } finally {
    if (arriving) await rm(arriving, { force: true });
  }
}
