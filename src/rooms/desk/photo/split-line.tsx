"use client";

import { useDesk } from "../desk-store";

/** The line between the photo and its repainting: dragged, or moved with the arrow keys. */
export function SplitLine() {
  const split = useDesk((s) => s.split);
  const setSplit = useDesk((s) => s.setSplit);
  const planned = useDesk((s) => s.seeing === "planned");
  const hasPalette = useDesk((s) => s.document.palette.length > 0);
  if (!hasPalette && !planned)
    return (
      <p className="absolute inset-x-6 top-4 z-10 rounded-box bg-base-100 p-3">
        The tray is empty: lay paints in it, and the photo is shown in their colours.
      </p>
    );
  return (
    <div className="pointer-events-none absolute inset-0 z-10">
      <div
        aria-hidden
        className="absolute inset-y-0 w-px bg-white mix-blend-difference"
        style={{ left: `${100 * split}%` }}
      />
      <p
        aria-hidden
        className="absolute bottom-2 -translate-x-full rounded-field bg-[#222] px-1.5 py-0.5 text-[0.87rem] leading-none text-white"
        style={{ left: `calc(${100 * split}% - 6px)` }}
      >
        photo
      </p>
      <p
        aria-hidden
        className="absolute bottom-2 rounded-field bg-[#222] px-1.5 py-0.5 text-[0.87rem] leading-none text-white"
        style={{ left: `calc(${100 * split}% + 6px)` }}
      >
        {planned ? "as planned, a prediction" : "in paint"}
      </p>
      <input
        type="range"
        min={0}
        max={1}
        step={0.01}
        value={split}
        aria-label="Line between the photo and its repainting"
        aria-valuetext={`${Math.round(100 * split)} percent photo`}
        onChange={(event) => setSplit(Number(event.target.value))}
        className="split-range pointer-events-none absolute inset-x-0 top-1/2 h-10 w-full -translate-y-1/2 appearance-none bg-transparent"
      />
    </div>
  );
}
