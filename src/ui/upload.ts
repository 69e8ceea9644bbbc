"use client";

import { z } from "zod";
import { BACKUP_URL, PAINTINGS_URL, paintingUrl } from "@/model/addresses";
import { BESIDE_PHOTO_URL } from "@/model/beside";
import { broughtAnswer } from "@/model/backup";
import { broughtPainting } from "@/model/painting-file";
import { LIMITS } from "@/model/limits";

/** A painting's id, or a stored photo's with its size in the working copy. */
const painting = z.object({ id: z.uuid() });
const swatchPhoto = z.object({ id: z.string(), widthPx: z.number(), heightPx: z.number() });
const exchanged = z.object({ id: z.uuid(), alike: z.boolean(), lost: z.array(z.string()) });
const refusal = z.object({ message: z.string() });
const LOST = "The file did not arrive. Is Abendrot still running? Try again.";

export type UploadRefused = { readonly message: string };

/** How far an upload is: its share sent, then 1 while the photo is being developed. */
export type UploadProgress = (share: number) => void;

function answerOf<T>(request: XMLHttpRequest, reply: z.ZodType<T>): T | UploadRefused {
  try {
    const body: unknown = JSON.parse(request.responseText);
    return request.status === 201 || request.status === 200 ? reply.parse(body) : refusal.parse(body);
  } catch {
    return { message: LOST };
  }
}

function upload<T>(
  url: string,
  file: File,
  reply: z.ZodType<T>,
  onProgress: UploadProgress,
): Promise<T | UploadRefused> {
  return new Promise((resolve) => {
    // fetch can't tell how much of a body has been sent.
    const request = new XMLHttpRequest();
    request.open("POST", url);
    request.setRequestHeader("content-type", "application/octet-stream");
    request.setRequestHeader("x-file-name", encodeURIComponent(file.name));
    request.upload.onprogress = ({ loaded, total }) => onProgress(total > 0 ? loaded / total : 0);
    request.onload = () => resolve(answerOf(request, reply));
    request.onerror = () => resolve({ message: LOST });
    request.send(file);
  });
}

function uploadImage<T>(url: string, file: File, reply: z.ZodType<T>, onProgress: UploadProgress) {
  if (file.size > LIMITS.photoBytes)
    return Promise.resolve({ message: "The file is over 300 MB. Save the photo smaller and try again." });
  return upload(url, file, reply, onProgress);
}

/** Sends a photo and lays out a new painting with it; the answer is the painting's id or words for the painter. */
export const uploadPhoto = (file: File, onProgress: UploadProgress) =>
  uploadImage("/api/photos", file, painting, onProgress);

/** Sends a better photo of a painting's motif; the answer is the painting that goes on with it. */
export const uploadExchange = (paintingId: string, file: File, onProgress: UploadProgress) =>
  uploadImage(`${paintingUrl(paintingId)}/photo`, file, exchanged, onProgress);

/** Sends a photo of swatches; the answer is the stored photo or words for the painter. */
export const uploadSwatches = (file: File, onProgress: UploadProgress) =>
  uploadImage("/api/swatch-photos", file, swatchPhoto, onProgress);

/** Sends a backup; it was put back at once, or it waits for a yes. */
export const uploadBackup = (file: File, onProgress: UploadProgress) =>
  upload(BACKUP_URL, file, broughtAnswer, onProgress);

/** Sends a painting's file; the answer is the painting and what became of its paints. */
export const uploadPainting = (file: File, onProgress: UploadProgress) =>
  upload(`${PAINTINGS_URL}/file`, file, broughtPainting, onProgress);

/** Sends a photo that a second screen took for the logbook; the answer is the page that it became. */
export const uploadBesidePhoto = (file: File, onProgress: UploadProgress) =>
  uploadImage(BESIDE_PHOTO_URL, file, painting, onProgress);
