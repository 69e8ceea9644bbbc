"use client";

import { z } from "zod";

const reply = z.object({ id: z.uuid() });
const refusal = z.object({ message: z.string() });
const MAX_BYTES = 300 * 1024 * 1024;

export type UploadResult = { readonly id: string } | { readonly message: string };

/** Sends a photo and lays out a new painting with it; the answer is the painting's id or words for the painter. */
export async function uploadPhoto(file: File): Promise<UploadResult> {
  if (file.size > MAX_BYTES) return { message: "The file is over 300 MB. Save the photo smaller and try again." };
  try {
    const response = await fetch("/api/photos", {
      method: "POST",
      headers: { "content-type": "application/octet-stream", "x-file-name": encodeURIComponent(file.name) },
      body: file,
    });
    const body: unknown = await response.json();
    if (response.ok) return reply.parse(body);
    return refusal.parse(body);
  } catch {
    return { message: "The photo did not arrive. Is Abendrot still running? Try again." };
  }
}
