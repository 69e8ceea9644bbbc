"use client";

import { Star } from "lucide-react";
import { memo } from "react";
import type { PaintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import type { PaintEntry } from "@/model/paintbox";
import { Strip } from "@/ui/strip";

const [paper] = PAPERS;

/** A paint of the box as it is shown. */
export interface Shown {
  readonly paint: PaintEntry;
  readonly model: PaintModel;
  readonly codes: string;
}

/** A paint of the list; of thousands only those are drawn anew that something changed of. */
export const PaintRow = memo(function PaintRow({
  paint,
  model,
  codes,
  pressed,
  onPress,
}: Shown & { pressed: boolean; onPress: (id: string, range: boolean) => void }) {
  return (
    <button
      type="button"
      aria-pressed={pressed}
      className={`w-full cursor-pointer rounded-field p-1 text-left hover:bg-base-300/60 ${pressed ? "bg-base-300 outline-2 -outline-offset-2 outline-primary" : ""}`}
      onClick={(event) => onPress(paint.id, event.shiftKey)}
    >
      <Strip
        mix={[{ paint: model, parts: 1 }]}
        paper={paper}
        width={226}
        height={46}
        label={`${paint.name} from masstone to tint`}
        className={paint.status === "owned" || paint.status === "low" ? "" : "opacity-60"}
      />
      <span className="name-face flex items-center gap-1.5 text-[1.1rem] leading-tight">
        <span className="truncate">{paint.name}</span>
        {paint.favourite && <Star size={13} fill="currentColor" aria-label="favourite" />}
      </span>
      <span className="label-line block truncate">
        {codes} · {[paint.maker, paint.line].filter(Boolean).join(" ") || "no maker given"}
        {paint.status !== "owned" && ` · ${paint.status}`}
        {model.measured && " · measured"}
        {paint.demo && " · demo"}
      </span>
    </button>
  );
});
