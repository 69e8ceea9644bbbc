"use client";

import { useMemo, useState } from "react";
import { keepInside, type Frame, type Point, type Size } from "@/core/image";
import { useDesk } from "../desk-store";
import { useFrame, usePhoto } from "../photo-study";
import { panned, wholeView, zoomedAt, type Viewport } from "./viewport";

/** The frame that shows a whole turned photo, so that the sheet can be moved over it. */
function aroundAll(frame: Frame, { width, height }: Size): Frame {
  const angle = (Math.abs(frame.angleDegrees) * Math.PI) / 180;
  const across = width * Math.cos(angle) + height * Math.sin(angle);
  const down = width * Math.sin(angle) + height * Math.cos(angle);
  return { x: 0.5, y: 0.5, width: across / width, aspect: across / down, angleDegrees: frame.angleDegrees };
}

export interface ViewportControl {
  readonly viewport: Viewport;
  readonly zoomAt: (factor: number, at?: Point) => void;
  readonly panBy: (dx: number, dy: number) => void;
  readonly showAll: () => void;
}

/** The viewport over the sheet's part of the photo, or over all of it while the sheet is being placed. */
export function useViewport(available: Size): ViewportControl {
  const { size } = usePhoto();
  const frame = useFrame();
  const cropping = useDesk((s) => s.tool === "crop");
  const visible = useMemo(() => (cropping ? aroundAll(frame, size) : keepInside(frame, size)), [cropping, frame, size]);
  const scale = Math.min(available.width / visible.aspect, available.height);
  const [width, height] = [Math.max(1, Math.floor(scale * visible.aspect)), Math.max(1, Math.floor(scale))];
  const whole = useMemo(() => wholeView(visible, size, { width, height }), [visible, size, width, height]);
  // A place belongs to its frame: on another one the whole is shown first.
  const key = JSON.stringify(cropping ? "crop" : frame);
  const [kept, setPlace] = useState({ key, zoom: whole.zoom, centre: whole.centre });
  const viewport = useMemo(
    () => (kept.key === key ? { ...whole, zoom: kept.zoom, centre: kept.centre } : whole),
    [whole, kept, key],
  );
  const move = (change: (from: Viewport) => Viewport): void =>
    setPlace((now) => {
      const { zoom, centre } = change(now.key === key ? { ...whole, zoom: now.zoom, centre: now.centre } : whole);
      return { key, zoom, centre };
    });
  return {
    viewport,
    zoomAt: (factor, at = { x: width / 2, y: height / 2 }) => move((from) => zoomedAt(from, factor, at)),
    panBy: (dx, dy) => move((from) => panned(from, dx, dy)),
    showAll: () => setPlace({ key, zoom: whole.zoom, centre: whole.centre }),
  };
}
