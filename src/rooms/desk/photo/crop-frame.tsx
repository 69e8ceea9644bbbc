"use client";

import { useRef, type PointerEvent } from "react";
import { keepInside, MAX_ANGLE_DEGREES, type Frame, type Size } from "@/core/image";
import { useDesk, useDeskStore } from "../desk-store";
import { useFrame, usePhoto } from "../photo-study";
import { photoOfScreen, scaleOf, screenOfPhoto, type Viewport } from "./viewport";

/** Smallest width of a frame, as a share of the photo's. */
export const NARROWEST = 0.08;

/**
 * What a key does to the sheet's place: arrows move it, + and - change its size, [ and ] turn the photo; null for
 * other keys.
 */
export function nudged(frame: Frame, key: string, fine: boolean, size: Size): Frame | null {
  const step = fine ? 0.002 : 0.01;
  const change: Partial<Frame> | undefined = {
    ArrowLeft: { x: frame.x - step },
    ArrowRight: { x: frame.x + step },
    ArrowUp: { y: frame.y - step },
    ArrowDown: { y: frame.y + step },
    "+": { width: frame.width * (1 + 2 * step) },
    "=": { width: frame.width * (1 + 2 * step) },
    "-": { width: Math.max(NARROWEST, frame.width * (1 - 2 * step)) },
    "[": { angleDegrees: Math.max(-MAX_ANGLE_DEGREES, frame.angleDegrees - 50 * step) },
    "]": { angleDegrees: Math.min(MAX_ANGLE_DEGREES, frame.angleDegrees + 50 * step) },
  }[key];
  return change ? keepInside({ ...frame, ...change }, size) : null;
}

/** The sheet laid over the whole photo: drag it to move it, a corner to make it larger or smaller. */
export function CropFrame({ viewport }: { viewport: Viewport }) {
  const { size } = usePhoto();
  const frame = useFrame();
  const changeStudy = useDesk((s) => s.changeStudy);
  const { temporal } = useDeskStore();
  const drag = useRef<{ x: number; y: number; frame: Frame; corner: boolean; moved: boolean } | null>(null);
  const middle = screenOfPhoto(viewport, frame);
  const width = frame.width * scaleOf(viewport);
  const height = width / frame.aspect;

  const press = (event: PointerEvent, corner: boolean): void => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, y: event.clientY, frame, corner, moved: false };
  };
  const move = (event: PointerEvent): void => {
    const from = drag.current;
    if (!from) return;
    const [dx, dy] = [event.clientX - from.x, event.clientY - from.y];
    let next: Frame;
    if (from.corner) {
      const was = (from.frame.width * scaleOf(viewport)) / 2;
      next = { ...from.frame, width: Math.max(NARROWEST, (from.frame.width * (was + dx)) / was) };
    } else {
      const start = screenOfPhoto(viewport, from.frame);
      next = { ...from.frame, ...photoOfScreen(viewport, { x: start.x + dx, y: start.y + dy }) };
    }
    changeStudy({ frame: keepInside(next, size) });
    // One drag is one step to undo: the first change is kept, what follows replaces it.
    if (!from.moved) temporal.getState().pause();
    from.moved = true;
  };
  const drop = (): void => {
    drag.current = null;
    temporal.getState().resume();
  };
  const handlers = { onPointerMove: move, onPointerUp: drop, onPointerCancel: drop };
  return (
    <div className="absolute inset-0 overflow-hidden">
      <div
        data-frame
        className="absolute cursor-move touch-none outline outline-2 outline-white"
        style={{
          left: middle.x - width / 2,
          top: middle.y - height / 2,
          width,
          height,
          boxShadow: "0 0 0 1px #000, 0 0 0 4000px rgb(60 60 60 / 0.62)",
        }}
        onPointerDown={(event) => press(event, false)}
        {...handlers}
      >
        {[1, 2].map((line) => (
          <span
            key={`h${line}`}
            className="absolute inset-x-0 border-t border-white/45"
            style={{ top: `${(100 * line) / 3}%` }}
          />
        ))}
        {[1, 2].map((line) => (
          <span
            key={`v${line}`}
            className="absolute inset-y-0 border-l border-white/45"
            style={{ left: `${(100 * line) / 3}%` }}
          />
        ))}
        <span
          className="absolute -right-2 -bottom-2 size-5 cursor-nwse-resize touch-none rounded-full border-2 border-[#222] bg-white"
          onPointerDown={(event) => press(event, true)}
          {...handlers}
        />
      </div>
    </div>
  );
}
