"use client";

import { useRef, type PointerEvent } from "react";
import type { Point } from "@/core/image";

export interface TwoFingers {
  /** Each is true while two fingers hold the photo, and the press is no tool's. */
  readonly down: (event: PointerEvent) => boolean;
  readonly move: (event: PointerEvent) => boolean;
  readonly up: (event: PointerEvent) => boolean;
}

/** Two fingers move the photo and bring it closer. */
export function useTwoFingers(
  zoomAt: (factor: number, at: Point) => void,
  panBy: (dx: number, dy: number) => void,
): TwoFingers {
  const fingers = useRef(new Map<number, Point>());
  const held = useRef(false);
  const place = (event: PointerEvent): Point => {
    const rect = event.currentTarget.getBoundingClientRect();
    return { x: event.clientX - rect.left, y: event.clientY - rect.top };
  };
  return {
    down: (event) => {
      if (event.pointerType !== "touch") return false;
      fingers.current.set(event.pointerId, place(event));
      held.current ||= fingers.current.size > 1;
      return held.current;
    },
    move: (event) => {
      if (!fingers.current.has(event.pointerId)) return false;
      const other = [...fingers.current].find(([id]) => id !== event.pointerId)?.[1];
      const before = fingers.current.get(event.pointerId)!;
      const now = place(event);
      fingers.current.set(event.pointerId, now);
      if (!other) return held.current;
      const spread = (a: Point): number => Math.max(20, Math.hypot(a.x - other.x, a.y - other.y));
      panBy((now.x - before.x) / 2, (now.y - before.y) / 2);
      zoomAt(spread(now) / spread(before), { x: (now.x + other.x) / 2, y: (now.y + other.y) / 2 });
      return true;
    },
    up: (event) => {
      fingers.current.delete(event.pointerId);
      const was = held.current;
      if (fingers.current.size === 0) held.current = false;
      return was;
    },
  };
}
