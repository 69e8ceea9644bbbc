"use client";

import { useEffect, useRef } from "react";
import { describeColour, screenColourOfLab, type Lab } from "@/core";
import type { PhotoPixels } from "./photo-pixels";

interface LoupeProps {
  readonly photo: PhotoPixels;
  /** Point under the cursor, pixels of the working copy. */
  readonly x: number;
  readonly y: number;
  readonly radiusPx: number;
  readonly lab: Lab;
  /** Where the point is on screen, and the room there is, CSS pixels. */
  readonly left: number;
  readonly top: number;
  readonly roomWidth: number;
  readonly roomHeight: number;
}

const SIZE = 136;
const AWAY = 26;
const CAPTION = 46;

/** Shows the photo's own pixels about the cursor, the circle that is averaged, and what it averages to. */
export function Loupe({ photo, x, y, radiusPx, lab, left, top, roomWidth, roomHeight }: LoupeProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const span = Math.max(17, radiusPx * 3.2);
  useEffect(() => {
    const context = canvas.current?.getContext("2d");
    if (!context) return;
    const scale = SIZE / span;
    context.imageSmoothingEnabled = scale < 1.5;
    context.fillStyle = "#808080";
    context.fillRect(0, 0, SIZE, SIZE);
    context.drawImage(photo.bitmap, x - span / 2, y - span / 2, span, span, 0, 0, SIZE, SIZE);
    for (const [style, width] of [["#000", 3], ["#fff", 1.2]] as const) {
      context.strokeStyle = style;
      context.lineWidth = width;
      context.beginPath();
      context.arc(SIZE / 2, SIZE / 2, Math.max(scale * radiusPx, scale / 2), 0, 2 * Math.PI);
      context.stroke();
    }
  }, [photo, x, y, radiusPx, span]);
  const words = describeColour(lab);
  const toLeft = left + AWAY + SIZE > roomWidth;
  const above = top + AWAY + SIZE + CAPTION > roomHeight;
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute z-20 overflow-hidden rounded-box bg-base-100 shadow-sm"
      style={{ left: toLeft ? left - AWAY - SIZE : left + AWAY, top: above ? top - AWAY - SIZE - CAPTION : top + AWAY, width: SIZE }}
    >
      <canvas ref={canvas} width={SIZE} height={SIZE} className="block" />
      <div className="flex" style={{ height: CAPTION }}>
        <span className="w-9 shrink-0" style={{ background: screenColourOfLab(lab).hex }} />
        <p className="px-2 py-1 text-[0.8rem] leading-tight">
          value {words.value.toFixed(1)}
          <br />
          {words.hueName}
        </p>
      </div>
    </div>
  );
}
