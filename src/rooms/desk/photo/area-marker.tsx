"use client";

import type { PaintingArea } from "@/model/painting";
import { useDragged } from "./use-dragged";

interface AreaMarkerProps {
  readonly area: PaintingArea;
  readonly number: number;
  readonly selected: boolean;
  /** Where its sample stands on the surface, and how large it is there, CSS px. */
  readonly place: { readonly left: number; readonly top: number };
  readonly radius: number;
  readonly roomWidth: number;
  /** Only the number: the area's outline says the rest. */
  readonly bare: boolean;
  /** Lets presses through to the photo. */
  readonly idle: boolean;
  readonly onSelect: () => void;
  /** The sample was dragged to a new place on the surface, CSS px. */
  readonly onMove: (left: number, top: number) => void;
}

/** A press that moves less than this is a click, CSS pixels. */
const CLICK_PX = 4;

/** An area on the photo: the ring that was averaged and a paper tab with its number; the ring can be dragged. */
export function AreaMarker({
  area,
  number,
  selected,
  place,
  radius,
  roomWidth,
  bare,
  idle,
  onSelect,
  onMove,
}: AreaMarkerProps) {
  const shown = Math.max(5, radius);
  const tabSide = place.left > 0.75 * roomWidth ? "right-full -mr-1 flex-row-reverse" : "left-full -ml-1";
  const { shift, listeners } = useDragged((moved) => {
    if (Math.hypot(moved.x, moved.y) < CLICK_PX) onSelect();
    else onMove(place.left + moved.x, place.top + moved.y);
  });

  return (
    <button
      type="button"
      aria-label={`Area ${number}: ${area.name}`}
      data-opens={area.id}
      aria-pressed={selected}
      title={`${area.name}: click to open, drag to sample elsewhere`}
      className={`group absolute z-10 -translate-x-1/2 -translate-y-1/2 cursor-grab touch-none ${idle ? "pointer-events-none opacity-60" : ""}`}
      style={{ left: place.left + shift.x, top: place.top + shift.y }}
      {...listeners}
      onClick={(event) => event.detail === 0 && onSelect()}
    >
      <span
        className={`block rounded-full border-2 border-white outline outline-1 outline-black/70 ${selected ? "ring-2 ring-black/60" : ""} ${bare ? "invisible" : ""}`}
        style={{ width: 2 * shown, height: 2 * shown }}
      />
      <span
        className={`absolute flex ${bare ? "top-1/2 left-1/2 -translate-x-1/2 -translate-y-1/2" : `bottom-full -mb-1.5 ${tabSide}`} h-5 items-center gap-1 rounded-[3px] px-1.5 text-[0.87rem] leading-none font-semibold whitespace-nowrap outline outline-1 outline-black/40 ${
          selected ? "bg-[#222] text-white" : "bg-[#fbfbfb] text-[#222]"
        }`}
      >
        {number}
        <span
          className={`name-face font-medium ${selected ? "" : "hidden group-hover:inline group-focus-visible:inline"}`}
        >
          {area.name}
        </span>
      </span>
    </button>
  );
}
