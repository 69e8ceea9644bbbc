"use client";

import { useEffect, useEffectEvent, useRef, useState } from "react";
import type { Point } from "@/core/image";

/**
 * Presses on the photo: done at once when it can be measured, else kept and done once it can be. Of several kept the
 * last one counts; it is let go when the tool has changed meanwhile. `waiting` is where one is kept.
 */
export function useEarlyPress(
  canMeasure: boolean,
  tool: string,
  act: (point: Point) => void,
): { readonly waiting: Point | null; readonly press: (point: Point) => void } {
  const [early, setEarly] = useState<{ point: Point; tool: string } | null>(null);
  const done = useRef(early);
  const due = useEffectEvent(() => {
    if (!early || early === done.current) return;
    done.current = early;
    if (early.tool === tool) act(early.point);
  });
  useEffect(() => {
    if (canMeasure) due();
  }, [canMeasure]);
  return {
    waiting: !canMeasure && early?.tool === tool ? early.point : null,
    press: (point) => (canMeasure ? act(point) : setEarly({ point, tool })),
  };
}
