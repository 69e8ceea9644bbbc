"use client";

import { useEffect, useRef } from "react";
import { describeColour, linearSrgbOfLinearP3, screenColourOfLab, srgbOfLinear, type Lab } from "@/core/colour";
import { LINEAR, type PixelArray, type WhiteMatrix } from "@/core/image";

interface LoupeProps {
  readonly pixels: PixelArray;
  readonly white: WhiteMatrix;
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
/** Value and hue, three lines. */
const CAPTION = 58;

/** The photo's own pixels about a point, magnified, as the screen shows them; grey beyond the photo. */
function magnified(
  { data, width, height }: PixelArray,
  white: WhiteMatrix,
  x: number,
  y: number,
  span: number,
): ImageData {
  const out = new ImageData(SIZE, SIZE);
  for (let j = 0; j < SIZE; j++) {
    const row = Math.floor(y - span / 2 + (span * (j + 0.5)) / SIZE);
    for (let i = 0; i < SIZE; i++) {
      const column = Math.floor(x - span / 2 + (span * (i + 0.5)) / SIZE);
      const to = 4 * (j * SIZE + i);
      out.data[to + 3] = 255;
      if (row < 0 || column < 0 || row >= height || column >= width) {
        out.data.fill(128, to, to + 3);
        continue;
      }
      const from = 4 * (row * width + column);
      const [r, g, b] = [LINEAR[data[from]!]!, LINEAR[data[from + 1]!]!, LINEAR[data[from + 2]!]!];
      const light = linearSrgbOfLinearP3({
        r: white[0] * r + white[1] * g + white[2] * b,
        g: white[3] * r + white[4] * g + white[5] * b,
        b: white[6] * r + white[7] * g + white[8] * b,
      });
      out.data[to] = 255 * srgbOfLinear(light.r);
      out.data[to + 1] = 255 * srgbOfLinear(light.g);
      out.data[to + 2] = 255 * srgbOfLinear(light.b);
    }
  }
  return out;
}

/** Shows the photo's own pixels about the cursor, the circle that is averaged, and what it averages to. */
export function Loupe({ pixels, white, x, y, radiusPx, lab, left, top, roomWidth, roomHeight }: LoupeProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const span = Math.max(17, radiusPx * 3.2);
  useEffect(() => {
    const context = canvas.current?.getContext("2d");
    if (!context) return;
    const scale = SIZE / span;
    context.putImageData(magnified(pixels, white, x, y, span), 0, 0);
    for (const [style, width] of [
      ["#000", 3],
      ["#fff", 1.2],
    ] as const) {
      context.strokeStyle = style;
      context.lineWidth = width;
      context.beginPath();
      context.arc(SIZE / 2, SIZE / 2, Math.max(scale * radiusPx, scale / 2), 0, 2 * Math.PI);
      context.stroke();
    }
  }, [pixels, white, x, y, radiusPx, span]);
  const words = describeColour(lab);
  const toLeft = left + AWAY + SIZE > roomWidth;
  const above = top + AWAY + SIZE + CAPTION > roomHeight;
  return (
    <div
      aria-hidden
      data-loupe
      className="pointer-events-none absolute z-20 overflow-hidden rounded-box bg-base-100 shadow-sm"
      style={{
        left: toLeft ? left - AWAY - SIZE : left + AWAY,
        top: above ? top - AWAY - SIZE - CAPTION : top + AWAY,
        width: SIZE,
      }}
    >
      <canvas ref={canvas} width={SIZE} height={SIZE} className="block" />
      <div className="flex" style={{ height: CAPTION }}>
        <span className="w-9 shrink-0" style={{ background: screenColourOfLab(lab).hex }} />
        <p className="px-2 py-1 text-[0.87rem] leading-tight">
          value {words.value.toFixed(1)}
          <br />
          {words.hueName}
        </p>
      </div>
    </div>
  );
}
