"use client";

import type { KeyboardEvent } from "react";
import { screenColourOfLab, type Lab } from "@/core/colour";
import type { Point } from "@/core/image";
import type { PaintingArea } from "@/model/painting";
import { coloursOf } from "@/model/washes";
import { useDeskStore } from "../desk-store";
import { colourName } from "../wash-words";
import { useDragged } from "./use-dragged";
import { photoOfScreen, screenOfPhoto, type Viewport } from "./viewport";

const clamp = (x: number): number => Math.min(1, Math.max(0, x));
const KEY_STEP = 0.01;
const MOVES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface HandleProps {
  readonly at: Point;
  readonly viewport: Viewport;
  readonly label: string;
  readonly fill: string;
  readonly square?: boolean;
  readonly onMove: (to: Point) => void;
}

/** A place on the photo that can be dragged, or moved by the arrow keys. */
function Handle({ at, viewport, label, fill, square = false, onMove }: HandleProps) {
  const place = screenOfPhoto(viewport, at);
  const { shift, listeners } = useDragged((moved) => {
    if (moved.x === 0 && moved.y === 0) return;
    const to = photoOfScreen(viewport, { x: place.x + moved.x, y: place.y + moved.y });
    onMove({ x: clamp(to.x), y: clamp(to.y) });
  });
  const onKeyDown = (event: KeyboardEvent): void => {
    const move = MOVES[event.key];
    if (!move) return;
    event.preventDefault();
    event.stopPropagation();
    onMove({ x: clamp(at.x + KEY_STEP * move[0]), y: clamp(at.y + KEY_STEP * move[1]) });
  };
  return (
    <button
      type="button"
      aria-label={`${label}: drag, or move with the arrow keys`}
      title={label}
      className="absolute z-20 grid size-8 -translate-x-1/2 -translate-y-1/2 cursor-grab touch-none place-items-center"
      style={{ left: place.x + shift.x, top: place.y + shift.y }}
      {...listeners}
      onKeyDown={onKeyDown}
    >
      <span
        className={`block size-4.5 border-2 border-white outline-1 outline-black/70 ${square ? "rotate-45 rounded-[2px]" : "rounded-full"}`}
        style={{ background: fill }}
      />
    </button>
  );
}

/** Where the colours of the open area's wash lie in the photo, and how a graded one runs. */
export function WashMarks({
  area,
  viewport,
  colourAt,
}: {
  area: PaintingArea;
  viewport: Viewport;
  colourAt: (point: Point) => Lab;
}) {
  const { changeArea, moveColour } = useDeskStore().getState();
  const { run } = area.wash;
  const colours = coloursOf(area);
  if (colours.length < 2) return null;
  const laid = colours.filter(({ drop }) => !drop);
  const moveEnd = (end: "from" | "to", to: Point): void => {
    const index = end === "from" ? 0 : laid.length - 1;
    const lab = colourAt(to);
    const more = area.wash.more.map((one) => (one.id === laid[index]!.id ? { ...one, lab, at: to } : one));
    changeArea(area.id, {
      ...(index === 0 && { lab, sample: { ...area.sample, ...to } }),
      wash: { ...area.wash, more, run: { ...run!, [end]: to } },
    });
  };
  const [from, to] = run ? [screenOfPhoto(viewport, run.from), screenOfPhoto(viewport, run.to)] : [null, null];
  return (
    <>
      {from && to && (
        <svg aria-hidden className="pointer-events-none absolute inset-0 size-full overflow-hidden">
          <defs>
            <marker id="run-end" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="5" markerHeight="5" orient="auto">
              <path d="M0 0 L8 4 L0 8 z" fill="#fff" stroke="#000" strokeOpacity="0.5" strokeWidth="0.5" />
            </marker>
          </defs>
          <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="#000" strokeOpacity={0.55} strokeWidth={4} />
          <line x1={from.x} y1={from.y} x2={to.x} y2={to.y} stroke="#fff" strokeWidth={1.8} markerEnd="url(#run-end)" />
        </svg>
      )}
      {colours.map(({ id, lab, at }, i) => {
        const isEnd = run !== null && (i === 0 || i === laid.length - 1);
        // The area's own place has its marker already.
        if (i === 0 && !isEnd) return null;
        return (
          <Handle
            key={id}
            at={isEnd ? (i === 0 ? run.from : run.to) : at}
            viewport={viewport}
            label={isEnd ? `${colourName(area, i)}: end of the run` : colourName(area, i)}
            fill={screenColourOfLab(lab).hex}
            square={isEnd}
            onMove={(place) =>
              isEnd ? moveEnd(i === 0 ? "from" : "to", place) : moveColour(id, place, colourAt(place))
            }
          />
        );
      })}
    </>
  );
}
