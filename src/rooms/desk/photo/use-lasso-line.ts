"use client";

import { useRef, useState } from "react";
import type { Point } from "@/core/image";

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
  // Moves come faster than the page is drawn: the line itself is kept aside, what is shown follows it.
  const line = useRef<{ points: readonly Point[]; from: Point | null; far: boolean }>({
    points: [],
    from: null,
    far: false,
  });
  const [points, setPoints] = useState<readonly Point[]>([]);
  const set = (next: readonly Point[]): void => {
    line.current.points = next;
    setPoints(next);
  };
  const close = (): void => {
    const drawn = line.current.points;
    set([]);
    if (drawn.length >= 3) onClosed(drawn);
  };
  const near = (a: Point, b: Point, limit: number): boolean => Math.hypot(a.x - b.x, a.y - b.y) < limit;
  const corner = (point: Point): void => {
    const now = line.current.points;
    if (now.length >= 3 && near(point, now[0]!, CLOSING)) close();
    else set([...now, point]);
  };
  return {
    points,
    press: (point) => {
      Object.assign(line.current, { from: point, far: false });
      corner(point);
    },
    drag: (point, scale) => {
      const { from, points: now } = line.current;
      if (!from) return;
      if (!near(point, from, CLICK_PX / scale)) line.current.far = true;
      const last = now[now.length - 1];
      if (last && !near(point, last, STRIDE_PX / scale)) set([...now, point]);
    },
    release: () => {
      if (line.current.far) close();
      line.current.from = null;
    },
    onKey: (key, at) => {
      const now = line.current.points;
      if (key === "Escape") set([]);
      else if (key === "Backspace") set(now.slice(0, -1));
      else if (key === "Enter" || key === " ") {
        const last = now[now.length - 1];
        if (last && near(at, last, 1e-9)) close();
        else corner(at);
      } else return false;
      return true;
    },
    cancel: () => {
      set([]);
      line.current.from = null;
    },
  };
}
