"use client";

import { Maximize, Minus, Plus } from "lucide-react";
import { useEffect } from "react";
import { MAX_STEPS, MIN_STEPS } from "@/core/image";
import { isForField } from "@/ui/undo";
import type { Seeing } from "../desk-state";
import { useDesk, useDeskStore } from "../desk-store";

const WAYS: readonly { seeing: Seeing; words: string; title: string }[] = [
  { seeing: "plain", words: "as it is", title: "The photo as it is" },
  { seeing: "values", words: "values", title: "Only light and dark, in steps" },
  {
    seeing: "heightened",
    words: "heightened",
    title: "Chroma raised, hue and value kept: the colour hidden in shadows and greys",
  },
  { seeing: "temperature", words: "warm | cool", title: "How warm or cool each place is, at its own value" },
  { seeing: "hue", words: "hue alone", title: "Every hue at one value; greys stay grey" },
  { seeing: "squint", words: "squint", title: "The areas as flat shapes in the colours to be painted" },
  {
    seeing: "palette",
    words: "in paint",
    title: "The photo in the nearest colours that the palette makes; drag the line to compare",
  },
  {
    seeing: "planned",
    words: "as planned",
    title: "The sheet as it will look once it is painted by the plan; drag the line to compare",
  },
];

/** The ways of seeing, each on a key of its own, and how close one stands. */
export function ViewBar({
  zoom,
  zoomAt,
  showAll,
}: {
  zoom: number;
  zoomAt: (factor: number) => void;
  showAll: () => void;
}) {
  const seeing = useDesk((s) => s.seeing);
  const steps = useDesk((s) => s.valueSteps);
  const outlines = useDesk((s) => s.outlines);
  const marks = useDesk((s) => s.marks);
  const { see, setValueSteps, toggle } = useDeskStore().getState();

  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (isForField(event) || event.ctrlKey || event.metaKey || event.altKey || document.querySelector("dialog[open]"))
        return;
      const way = WAYS[Number(event.key) - 1];
      if (way) see(way.seeing);
      else if (event.key === "o") toggle("outlines");
      else if (event.key === "b") toggle("marks");
      else if (event.key === "+" || event.key === "=") zoomAt(1.5);
      else if (event.key === "-") zoomAt(1 / 1.5);
      else if (event.key === "0") showAll();
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [see, toggle, zoomAt, showAll]);

  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 pt-2.5 text-[0.87rem] text-(--photo-ink)">
      <div role="radiogroup" aria-label="Way of seeing" className="flex items-center gap-0.5 small:flex-wrap">
        {WAYS.map((way, i) => (
          <button
            key={way.seeing}
            type="button"
            role="radio"
            aria-checked={seeing === way.seeing}
            title={`${way.title} (key ${i + 1})`}
            onClick={() => see(way.seeing)}
            className={`cursor-pointer rounded-field px-2 py-1 leading-none whitespace-nowrap ${seeing === way.seeing ? "bg-[#222] text-white" : "hover:bg-black/10"}`}
          >
            <span aria-hidden className="mr-1 text-[0.87rem] opacity-80">
              {i + 1}
            </span>
            {way.words}
          </button>
        ))}
      </div>
      {seeing === "values" && (
        <label className="flex items-center gap-2 whitespace-nowrap">
          <input
            type="range"
            className="range range-xs w-24 [--range-fill:0] text-(--photo-ink)"
            min={MIN_STEPS - 1}
            max={MAX_STEPS}
            value={steps === 0 ? MIN_STEPS - 1 : steps}
            aria-label="Value steps"
            aria-valuetext={steps === 0 ? "all values" : `${steps} steps`}
            onChange={(event) => setValueSteps(Number(event.target.value) < MIN_STEPS ? 0 : Number(event.target.value))}
          />
          <span className="w-14">{steps === 0 ? "all values" : `${steps} steps`}</span>
        </label>
      )}
      <div className="ml-auto flex items-center gap-3">
        <label className="flex cursor-pointer items-center gap-1.5" title="Lines around the areas (key O)">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={outlines}
            onChange={() => toggle("outlines")}
          />{" "}
          outlines
        </label>
        <label
          className="flex cursor-pointer items-center gap-1.5"
          title={
            seeing === "palette"
              ? "Stripes where the palette's nearest colour is clearly off (key B)"
              : "Stripes where the photo is burnt out or blocked: no colour can be trusted there (key B)"
          }
        >
          <input type="checkbox" className="checkbox checkbox-xs" checked={marks} onChange={() => toggle("marks")} />{" "}
          {seeing === "palette" ? "out of reach" : "lost"}
        </label>
        <span className="flex items-center">
          <button
            type="button"
            className="btn btn-square btn-ghost btn-xs"
            aria-label="Farther"
            title="Farther (key −)"
            disabled={zoom <= 1}
            onClick={() => zoomAt(1 / 1.5)}
          >
            <Minus size={13} />
          </button>
          <button
            type="button"
            className="btn btn-square btn-ghost btn-xs"
            aria-label="Closer"
            title="Closer (key +, or the wheel)"
            onClick={() => zoomAt(1.5)}
          >
            <Plus size={13} />
          </button>
          <button
            type="button"
            className="btn btn-square btn-ghost btn-xs"
            aria-label="Show the whole sheet"
            title="Show the whole sheet (key 0)"
            disabled={zoom <= 1}
            onClick={showAll}
          >
            <Maximize size={13} />
          </button>
        </span>
      </div>
    </div>
  );
}
