"use client";

import { ArrowLeft, ArrowRight, Trash2 } from "lucide-react";
import { paintingArea, type PaintingArea } from "@/model/painting";
import { faultIn } from "@/model/fault";
import { TypedText } from "@/ui/typed-text";
import { useDesk, useDeskStore } from "../desk-store";

/** From one area to the next, back to all, or away with it. */
export function AreaNav({ area }: { area: PaintingArea }) {
  const areas = useDesk((s) => s.document.areas);
  const { select, removeArea } = useDeskStore().getState();
  const index = areas.findIndex((a) => a.id === area.id);
  const beside = (by: number): PaintingArea => areas[(index + by + areas.length) % areas.length]!;
  return (
    <nav aria-label="Areas" className="mb-2 flex items-center gap-1">
      <button type="button" className="btn btn-ghost btn-sm -ml-3" onClick={() => select(null)}>
        All areas
      </button>
      <span className="quiet ml-auto">
        {index + 1} of {areas.length}
      </span>
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label={`Previous: ${beside(-1).name}`}
        onClick={() => select(beside(-1).id)}
      >
        <ArrowLeft size={16} />
      </button>
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label={`Next: ${beside(1).name}`}
        onClick={() => select(beside(1).id)}
      >
        <ArrowRight size={16} />
      </button>
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label={`Remove ${area.name}`}
        title="Remove this area (undo brings it back)"
        onClick={() => removeArea(area.id)}
      >
        <Trash2 size={16} />
      </button>
    </nav>
  );
}

/** An area's name, changed where it stands. */
export function AreaName({ area }: { area: PaintingArea }) {
  const { nameArea, endTyping } = useDeskStore().getState();
  return (
    <TypedText
      bare
      label="Name of the area"
      value={area.name}
      faultOf={(text) => faultIn(paintingArea.shape.name, text)}
      onText={(text) => nameArea(area.id, text.trim())}
      onLeave={endTyping}
      className="w-full min-w-0"
      inputClassName="name-face w-full min-w-0 rounded-field border border-transparent bg-transparent px-1 text-2xl hover:border-(--hairline)"
    />
  );
}
