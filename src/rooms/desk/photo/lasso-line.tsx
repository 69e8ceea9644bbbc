"use client";

import type { Point } from "@/core/image";
import { usePhoto } from "../photo-study";
import { matrixTo, type Viewport } from "./viewport";

/** The line that is being drawn around a shape, on to where the hand is. */
export function LassoLine({
  points,
  cursor,
  viewport,
}: {
  points: readonly Point[];
  cursor: Point | null;
  viewport: Viewport;
}) {
  const { size } = usePhoto();
  if (points.length === 0) return null;
  const line = [...points, ...(cursor ? [cursor] : [])].map((p) => `${p.x * size.width},${p.y * size.height}`);
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 size-full">
      <g transform={`matrix(${matrixTo(viewport, size).join(" ")})`}>
        {["#000", "#fff"].map((stroke, i) => (
          <polyline
            key={stroke}
            points={line.join(" ")}
            fill={i ? "#ffffff33" : "none"}
            stroke={stroke}
            strokeWidth={i ? 1.4 : 3.5}
            vectorEffect="non-scaling-stroke"
          />
        ))}
      </g>
    </svg>
  );
}
