"use client";

import { useMemo } from "react";
import { outlinesOf, type LabelMap, type Outline } from "@/core/areas";
import { matrixTo, type Viewport } from "./viewport";

const pathOf = ({ points, closed }: Outline): string => {
  let path = `M${points[0]!.toFixed(1)} ${points[1]!.toFixed(1)}`;
  for (let i = 2; i < points.length; i += 2) path += `L${points[i]!.toFixed(1)} ${points[i + 1]!.toFixed(1)}`;
  return closed ? `${path}Z` : path;
};

interface OutlinesProps {
  readonly map: LabelMap;
  readonly viewport: Viewport;
  /** Label whose line is drawn strongly. */
  readonly strong: number | null;
  /** Proposed shapes have dashed lines. */
  readonly dashed?: boolean;
}

/** The lines between areas over the photo: white with a dark edge, so that they show on anything. */
export function Outlines({ map, viewport, strong, dashed = false }: OutlinesProps) {
  const outlines = useMemo(() => outlinesOf(map).filter(({ sides }) => Math.max(...sides) > 0), [map]);
  const all = useMemo(() => outlines.map(pathOf).join(""), [outlines]);
  const own = useMemo(
    () =>
      strong === null
        ? ""
        : outlines
            .filter(({ sides }) => sides.includes(strong))
            .map(pathOf)
            .join(""),
    [outlines, strong],
  );
  const transform = `matrix(${matrixTo(viewport, map).join(" ")})`;
  const line = { vectorEffect: "non-scaling-stroke", fill: "none", strokeLinejoin: "round" } as const;
  return (
    <svg aria-hidden className="pointer-events-none absolute inset-0 size-full overflow-hidden">
      <g transform={transform}>
        <path d={all} {...line} stroke="#000" strokeOpacity={0.4} strokeWidth={2.2} />
        <path d={all} {...line} stroke="#fff" strokeWidth={1} strokeDasharray={dashed ? "5 4" : undefined} />
        {own && <path d={own} {...line} stroke="#000" strokeWidth={5} />}
        {own && <path d={own} {...line} stroke="#fff" strokeWidth={2.6} />}
      </g>
    </svg>
  );
}
