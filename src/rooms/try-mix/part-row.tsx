"use client";

import { X } from "lucide-react";
import { TOUCH } from "@/core/mixing";
import { type Paper } from "@/core/optics";
import type { PickablePaint } from "@/ui/paint-picker";
import { partsWord } from "@/ui/recipe-bar";
import { Strip } from "@/ui/strip";

interface PartRowProps {
  readonly paint: PickablePaint;
  readonly parts: number;
  readonly paper: Paper;
  readonly onParts: (parts: number) => void;
  readonly onRemove: (() => void) | null;
}

const MOST_PARTS = 12;

/** One paint of the trial: its strip and its parts, from a touch to twelve. */
export function PartRow({ paint, parts, paper, onParts, onRemove }: PartRowProps) {
  return (
    <li>
      <div className="flex items-center gap-3">
        <Strip mix={[{ paint: paint.model, parts: 1 }]} paper={paper} width={150} height={32} label={paint.name} />
        <div className="min-w-0 flex-1">
          <p className="name-face truncate text-[1.1rem] leading-tight first-letter:uppercase">{paint.name}</p>
          <p className="label-line truncate">{paint.detail}</p>
        </div>
        <button
          type="button"
          className="btn btn-square btn-ghost btn-sm"
          disabled={!onRemove}
          aria-label={`Leave ${paint.name} out`}
          onClick={() => onRemove?.()}
        >
          <X size={16} />
        </button>
      </div>
      <div className="flex items-center gap-3">
        <input
          type="range"
          className="range range-xs flex-1 [--range-fill:0]"
          min={0}
          max={MOST_PARTS}
          step={1}
          value={parts === TOUCH ? 0 : parts}
          aria-label={`Parts of ${paint.name}`}
          aria-valuetext={partsWord(parts)}
          onChange={(event) => onParts(Number(event.target.value) || TOUCH)}
        />
        <span className="w-20 text-right">{parts === TOUCH ? "a touch" : parts}</span>
      </div>
    </li>
  );
}
