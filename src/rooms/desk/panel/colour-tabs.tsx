"use client";

import { screenColourOfLab } from "@/core/colour";
import type { PaintingArea } from "@/model/painting";
import { capital } from "@/model/text";
import { coloursOf } from "@/model/washes";
import { useTargets } from "../targets";
import { placeName } from "../wash-words";

/** The colours of a wash, one of them shown. */
export function ColourTabs({
  area,
  shown,
  onShow,
}: {
  area: PaintingArea;
  shown: string;
  onShow: (colourId: string) => void;
}) {
  const targets = useTargets();
  const colours = coloursOf(area);
  if (colours.length < 2) return null;
  return (
    <div role="tablist" aria-label={`Colours of ${area.name}`} className="mb-3 flex flex-wrap gap-1.5">
      {colours.map((colour, i) => (
        <button
          key={colour.id}
          type="button"
          role="tab"
          aria-selected={colour.id === shown}
          className={`flex min-h-9 cursor-pointer items-center gap-2 rounded-field border px-2 py-1 text-left ${colour.id === shown ? "border-base-content" : "border-(--hairline)"}`}
          onClick={() => onShow(colour.id)}
        >
          <span
            aria-hidden
            className="size-5"
            style={{ background: screenColourOfLab(targets.get(colour.id) ?? colour.lab).hex }}
          />
          <span className="text-[0.9rem] leading-tight">
            {capital(placeName(area, i))}
            {colour.recipe === null && <span className="quiet"> · not mixed</span>}
          </span>
        </button>
      ))}
    </div>
  );
}
