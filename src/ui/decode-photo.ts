import type { PixelArray } from "@/core/image";
import { viewCopyUrl } from "@/model/addresses";

/** A photo's copy for the first look, encoded Display P3; the working copy takes its place once it is there. */
export async function loadView(photoId: string): Promise<ImageBitmap> {
  const response = await fetch(viewCopyUrl(photoId));
  if (!response.ok) throw new Error(`The photo did not come (${response.status}).`);
  return createImageBitmap(await response.blob(), { colorSpaceConversion: "none" });
}

/** The pixels of a photo's working copy, encoded Display P3. */
export async function decodeWorkingCopy(
  photoId: string,
): Promise<PixelArray & { readonly data: Uint8ClampedArray<ArrayBuffer> }> {
  const load = async (cache: RequestCache): Promise<Blob> => {
    const response = await fetch(`/api/photos/${photoId}?copy=working`, { cache });
    if (!response.ok)
      throw new Error(
        ((await response.json().catch(() => ({}))) as { message?: string }).message ??
          `The photo did not come (${response.status}).`,
      );
    return response.blob();
  };
  // Two that fetch one photo at once share a cache entry, and Chromium may fail one of them midway: that one asks past
  // the cache.
  const blob = await load("default").catch(() => load("no-store"));
  // The working copy's bytes are Display P3 and say nothing of it: they are taken as they are.
  const bitmap = await createImageBitmap(blob, { colorSpaceConversion: "none" });
  const canvas = Object.assign(document.createElement("canvas"), { width: bitmap.width, height: bitmap.height });
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context) throw new Error("photo: no canvas");
  context.drawImage(bitmap, 0, 0);
  const { data, width, height } = context.getImageData(0, 0, bitmap.width, bitmap.height);
  return { data, width, height };
}
