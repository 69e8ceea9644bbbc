"use client";

import { z } from "zod";

const reply = z.object({ id: z.uuid() });
const refusal = z.object({ message: z.string() });
const MAX_BYTES = 300 * 1024 * 1024;
const LOST = "The photo did not arrive. Is Abendrot still running? Try again.";

export type UploadResult = { readonly id: string } | { readonly message: string };

/** How far an upload is: its share sent, then 1 while the photo is being developed. */
export type UploadProgress = (share: number) => void;

function answerOf(request: XMLHttpRequest): UploadResult {
  try {
    const body: unknown = JSON.parse(request.responseText);
    return request.status === 201 ? reply.parse(body) : refusal.parse(body);
  } catch {
    return { message: LOST };
  }
}

/** Sends a photo and lays out a new painting with it; the answer is the painting's id or words for the painter. */
export function uploadPhoto(file: File, onProgress: UploadProgress): Promise<UploadResult> {
  if (file.size > MAX_BYTES) return Promise.resolve({ message: "The file is over 300 MB. Save the photo smaller and try again." });
  return new Promise((resolve) => {
    // fetch can't tell how much of a body has been sent.
    const request = new XMLHttpRequest();
    request.open("POST", "/api/photos");
    request.setRequestHeader("content-type", "application/octet-stream");
    request.setRequestHeader("x-file-name", encodeURIComponent(file.name));
    request.upload.onprogress = ({ loaded, total }) => onProgress(total > 0 ? loaded / total : 0);
    request.onload = () => resolve(answerOf(request));
    request.onerror = () => resolve({ message: LOST });
    request.send(file);
  });
}

/** The first file of what was dropped or pasted, if there is one. */
export function fileIn(data: DataTransfer | null): File | null {
  return data?.files[0] ?? null;
}
