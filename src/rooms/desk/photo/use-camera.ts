"use client";

import { useMemo, useState } from "react";
import { keepInside, type Frame, type Point, type Size } from "@/core/image";
import { useDesk } from "../desk-store";
import { useFrame, usePhoto } from "../photo-study";
import { panned, wholeView, zoomedAt, type Camera } from "./camera";

/** The frame that shows a whole turned photo, so that the sheet can be moved over it. */
function aroundAll(frame: Frame, { width, height }: Size): Frame {
  const angle = (Math.abs(frame.angleDegrees) * Math.PI) / 180;
  const across = width * Math.cos(angle) + height * Math.sin(angle);
  const down = width * Math.sin(angle) + height * Math.cos(angle);
  return { x: 0.5, y: 0.5, width: across / width, aspect: across / down, angleDegrees: frame.angleDegrees };
}

export interface CameraControl {
  readonly camera: Camera;
  readonly zoomAt: (factor: number, at?: Point) => void;
  readonly panBy: (dx: number, dy: number) => void;
  readonly showAll: () => void;
}

/** The camera over the sheet's part of the photo, or over all of it while the sheet is being placed. */
export function useCamera(room: Size): CameraControl {
  const { size } = usePhoto();
  const frame = useFrame();
  const cropping = useDesk((s) => s.tool === "crop");
  const visible = useMemo(() => (cropping ? aroundAll(frame, size) : keepInside(frame, size)), [cropping, frame, size]);
  const scale = Math.min(room.width / visible.aspect, room.height);
  const [width, height] = [Math.max(1, Math.floor(scale * visible.aspect)), Math.max(1, Math.floor(scale))];
  const whole = useMemo(() => wholeView(visible, size, { width, height }), [visible, size, width, height]);
  // A place belongs to its frame: on another one the whole is shown first.
  const key = JSON.stringify(cropping ? "crop" : frame);
  const [kept, setPlace] = useState({ key, zoom: whole.zoom, centre: whole.centre });
  const camera = useMemo(() => (kept.key === key ? { ...whole, zoom: kept.zoom, centre: kept.centre } : whole), [whole, kept, key]);
  const move = (change: (from: Camera) => Camera): void => setPlace((now) => {
    const { zoom, centre } = change(now.key === key ? { ...whole, zoom: now.zoom, centre: now.centre } : whole);
    return { key, zoom, centre };
  });
  return {
    camera,
    zoomAt: (factor, at = { x: width / 2, y: height / 2 }) => move((from) => zoomedAt(from, factor, at)),
    panBy: (dx, dy) => move((from) => panned(from, dx, dy)),
    showAll: () => setPlace({ key, zoom: whole.zoom, centre: whole.centre }),
  };
}
