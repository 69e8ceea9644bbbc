"use client";

import { useEffect, useState } from "react";
import type { PixelArray } from "@/core";

/** The working copy, decoded: a bitmap to draw from and its pixels to measure. */
export interface PhotoPixels {
  readonly bitmap: ImageBitmap;
  readonly pixels: PixelArray;
}

export type PhotoState = { readonly state: "loading" } | { readonly state: "ready"; readonly photo: PhotoPixels } | { readonly state: "failed" };

async function decode(url: string): Promise<PhotoPixels> {
  const response = await fetch(url);
  if (!response.ok) throw new Error(`photo: ${response.status}`);
  // The working copy is sRGB already: no second conversion on the way to the canvas.
  const bitmap = await createImageBitmap(await response.blob(), { colorSpaceConversion: "none" });
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height);
  const context = canvas.getContext("2d", { willReadFrequently: true });
  if (!context) throw new Error("photo: no canvas");
  context.drawImage(bitmap, 0, 0);
  return { bitmap, pixels: context.getImageData(0, 0, bitmap.width, bitmap.height) };
}

/** Loads and decodes a photo's working copy. */
export function usePhotoPixels(photoId: string): PhotoState {
  const [state, setState] = useState<PhotoState>({ state: "loading" });
  useEffect(() => {
    let left = false;
    decode(`/api/photos/${photoId}`).then(
      (photo) => !left && setState({ state: "ready", photo }),
      () => !left && setState({ state: "failed" }),
    );
    return () => {
      left = true;
    };
  }, [photoId]);
  return state;
}
