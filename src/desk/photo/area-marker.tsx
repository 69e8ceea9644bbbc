"use client";

import { useRef, useState, type PointerEvent } from "react";
import type { PaintingArea } from "@/db/painting-document";

interface AreaMarkerProps {
  readonly area: PaintingArea;
  readonly number: number;
  readonly selected: boolean;
  /** Size of the photo on screen, CSS pixels. */
  readonly width: number;
  readonly height: number;
  readonly onSelect: () => void;
  /** The sample was dragged to a new place (shares of the photo). */
  readonly onMove: (x: number, y: number) => void;
}

/** A press that moves less than this is a click, CSS pixels. */
const CLICK_PX = 4;

/** An area on the photo: the ring that was averaged and a paper tab with its number; the ring can be dragged. */
export function AreaMarker({ area, number, selected, width, height, onSelect, onMove }: AreaMarkerProps) {
  const start = useRef<{ x: number; y: number } | null>(null);
  const [shift, setShift] = useState({ x: 0, y: 0 });
  const radius = Math.max(5, area.sample.radius * width);
  const tabSide = area.sample.x > 0.75 ? "right-full -mr-1 flex-row-reverse" : "left-full -ml-1";
  const place = { left: area.sample.x * width + shift.x, top: area.sample.y * height + shift.y };

  const press = (event: PointerEvent<HTMLButtonElement>): void => {
    event.stopPropagation();
    event.currentTarget.setPointerCapture(event.pointerId);
    start.current = { x: event.clientX, y: event.clientY };
  };
  const drag = (event: PointerEvent): void => {
    if (start.current) setShift({ x: event.clientX - start.current.x, y: event.clientY - start.current.y });
  };
  const drop = (event: PointerEvent): void => {
    if (!start.current) return;
    const moved = { x: event.clientX - start.current.x, y: event.clientY - start.current.y };
    start.current = null;
    setShift({ x: 0, y: 0 });
    if (Math.hypot(moved.x, moved.y) < CLICK_PX) onSelect();
    else onMove(Math.min(1, Math.max(0, area.sample.x + moved.x / width)), Math.min(1, Math.max(0, area.sample.y + moved.y / height)));
  };

  return (
    <button
      type="button"
      aria-label={`Area ${number}: ${area.name}`}
      aria-pressed={selected}
      title={`${area.name}: click to open, drag to sample elsewhere`}
      className="group absolute z-10 -translate-x-1/2 -translate-y-1/2 cursor-grab touch-none"
      style={place}
      onPointerDown={press}
      onPointerMove={drag}
      onPointerUp={drop}
      onPointerCancel={() => {
        start.current = null;
        setShift({ x: 0, y: 0 });
      }}
      onClick={(event) => event.detail === 0 && onSelect()}
    >
      <span
        className={`block rounded-full border-2 border-white outline outline-1 outline-black/70 ${selected ? "ring-2 ring-black/60" : ""}`}
        style={{ width: 2 * radius, height: 2 * radius }}
      />
      <span
        className={`absolute bottom-full -mb-1.5 flex ${tabSide} h-5 items-center gap-1 rounded-[3px] px-1.5 text-[0.75rem] leading-none font-semibold whitespace-nowrap outline outline-1 outline-black/40 ${
          selected ? "bg-[#222] text-white" : "bg-[#fbfbfb] text-[#222]"
        }`}
      >
        {number}
        <span className={`name-face font-medium ${selected ? "" : "hidden group-hover:inline group-focus-visible:inline"}`}>{area.name}</span>
      </span>
    </button>
  );
}
