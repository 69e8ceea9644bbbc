"use client";

import { useState } from "react";
import type { Point } from "@/core";

export interface LassoLine {
  readonly points: readonly Point[];
  readonly press: (point: Point) => void;
  readonly drag: (point: Point, scale: number) => void;
  readonly release: () => void;
  /** True when the key was the line's. */
  readonly onKey: (key: string, at: Point) => boolean;
  readonly cancel: () => void;
}

/** A drag that stays this close to its start is a corner set by a click, CSS px. */
const CLICK_PX = 5;
/** Points of a drawn line lie at least this far apart, CSS px. */
const STRIDE_PX = 2.5;
/** A corner this close to the first one closes the line, as a share of the photo. */
const CLOSING = 0.008;

/** A line drawn around a shape: in one drag, or corner by corner. */
export function useLassoLine(onClosed: (points: readonly Point[]) => void): LassoLine {
  const [points, setPoints] = useState<readonly Point[]>([]);
  const [drawn, setDrawn] = useState<{ from: Point; far: boolean } | null>(null);
  const close = (line: readonly Point[]): void => {
    setPoints([]);
    if (line.length >= 3) onClosed(line);
  };
  const near = (a: Point, b: Point, limit: number): boolean => Math.hypot(a.x - b.x, a.y - b.y) < limit;
  const corner = (point: Point): void => {
    if (points.length >= 3 && near(point, points[0], CLOSING)) close(points);
    else setPoints([...points, point]);
  };
  return {
    points,
    press: (point) => {
      setDrawn({ from: point, far: false });
      corner(point);
    },
    drag: (point, scale) => {
      if (!drawn) return;
      if (!drawn.far && !near(point, drawn.from, CLICK_PX / scale)) setDrawn({ ...drawn, far: true });
      const last = points[points.length - 1];
      if (last && !near(point, last, STRIDE_PX / scale)) setPoints([...points, point]);
    },
    release: () => {
      if (drawn?.far) close(points);
      setDrawn(null);
    },
    onKey: (key, at) => {
      if (key === "Escape") setPoints([]);
      else if (key === "Backspace") setPoints(points.slice(0, -1));
      else if (key === "Enter" || key === " ") {
        const last = points[points.length - 1];
        if (last && near(at, last, 1e-9)) close(points);
        else corner(at);
      } else return false;
      return true;
    },
    cancel: () => {
      setPoints([]);
      setDrawn(null);
    },
  };
}
