"use client";

import { useEffect, useRef } from "react";
import { useAreaMap, usePhoto } from "../photo-study";

/** How far all that is not painted now steps back: a grey veil over the photo, RGBA. */
const VEIL = [189, 189, 189, 225] as const;

/** Where in the picture a wash lies: its area as the photo has it, the rest under a veil. */
export function PlacePicture({ region, label }: { region: number | null; label: string }) {
  const { view } = usePhoto();
  const map = useAreaMap();
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext("2d");
    if (!context || !view) return;
    const { width, height, labels } = map;
    context.canvas.width = width;
    context.canvas.height = height;
    context.drawImage(view, 0, 0, width, height);
    if (region === null) return;
    const veil = new ImageData(width, height);
    for (let i = 0; i < labels.length; i++) if (labels[i] !== region) veil.data.set(VEIL, 4 * i);
    const above = new OffscreenCanvas(width, height);
    above.getContext("2d")?.putImageData(veil, 0, 0);
    context.drawImage(above, 0, 0);
  }, [view, map, region]);
  return <canvas ref={canvas} role="img" aria-label={label} className="absolute inset-0 size-full object-contain" />;
}
