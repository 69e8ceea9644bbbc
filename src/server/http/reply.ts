import { open } from "node:fs/promises";
import { NextResponse } from "next/server";
import { noteTrouble, troubleOf } from "./trouble";

/** Refusal that the interface shows as it is. */
export function refuse(status: number, message: string): NextResponse {
  return NextResponse.json({ message }, { status });
}

/** Refusal for something that went wrong here: noted where Abendrot was started, and told in words. */
export function refuseTrouble(where: string, error: unknown, otherwise: string): NextResponse {
  const { status, message } = troubleOf(error, otherwise);
  if (status !== 401) noteTrouble(where, error);
  return refuse(status, message);
}

/**
 * Hands over a request's body piece by piece; false, and the rest is left unread, as soon as it grows past `limit`
 * bytes.
 */
async function takeBody(
  request: Request,
  limit: number,
  take: (chunk: Uint8Array) => Promise<unknown> | void,
): Promise<boolean> {
  if (Number(request.headers.get("content-length") ?? 0) > limit) return false;
  let size = 0;
  const reader = request.body?.getReader();
  while (reader) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.length;
    if (size > limit) {
      await reader.cancel();
      return false;
    }
    await take(value);
  }
  return true;
}

/** Reads a request's body whole, or null as soon as it grows past `limit` bytes. */
export async function readBody(request: Request, limit: number): Promise<Buffer | null> {
  const chunks: Uint8Array[] = [];
  return (await takeBody(request, limit, (chunk) => void chunks.push(chunk))) ? Buffer.concat(chunks) : null;
}

/**
 * Writes a request's body to a new file as it arrives; false, and the file is cut short, as soon as it grows past
 * `limit` bytes.
 */
export async function saveBody(request: Request, path: string, limit: number): Promise<boolean> {
  const file = await open(path, "wx");
  try {
    // appendFile writes a piece whole, where a single write may stop short.
    return await takeBody(request, limit, (chunk) => file.appendFile(chunk));
  } finally {
    await file.close();
  }
}

/** Reads a JSON body; null when it is too long or no JSON. */
export async function readJson(request: Request, limit = 1024 * 1024): Promise<unknown> {
  const body = await readBody(request, limit);
  try {
    return body ? JSON.parse(body.toString("utf8")) : null;
  } catch {
    return null;
  }
}
