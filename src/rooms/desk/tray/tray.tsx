"use client";

import { useDraggable, useDroppable } from "@dnd-kit/core";
import { X } from "lucide-react";
import { type KeyboardEvent } from "react";
import { type Paper } from "@/core/optics";
import { Strip } from "@/ui/strip";
import { useDesk, useDeskStore } from "../desk-store";
import { usePaints, usePaper, type KnownPaint } from "../paints";
import { useRangeLookedAt } from "../reach";
import { useOutsiders, usePaintUses } from "../uses";
import { AddPaint } from "./add-paint";
import { TrayNews } from "./tray-news";
import { NEW_WELL } from "./well-dragging";

interface WellProps {
  readonly paint: KnownPaint;
  readonly paper: Paper;
  /** Numbers of the areas that are mixed from it. */
  readonly uses: readonly number[];
  /** CSS pixels. */
  readonly width: number;
}

/** A paint as a wash, as wide as its well. */
function WellStrip({ paint, paper, width }: Omit<WellProps, "uses">) {
  return (
    <Strip
      mix={[{ paint: paint.model, parts: 1 }]}
      paper={paper}
      width={width}
      height={Math.round(width / 4.4)}
      label={`${paint.name} from masstone to tint`}
    />
  );
}

function Well({ paint, paper, uses, width }: WellProps) {
  const { removeFromPalette, movePaint } = useDeskStore().getState();
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === "ArrowLeft" || event.key === "ArrowRight")
      movePaint(paint.id, event.key === "ArrowLeft" ? -1 : 1);
    else if (event.key === "Delete" || event.key === "Backspace") removeFromPalette(paint.id);
    else return;
    event.preventDefault();
  };
  const work = uses.length > 0 ? `for ${uses.join(", ")}` : "unused";
  const { setNodeRef: setWellRef, isOver } = useDroppable({ id: `well ${paint.id}` });
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: `paint ${paint.id}`,
    data: { paintId: paint.id },
  });
  return (
    <li
      ref={setWellRef}
      data-well={paint.name}
      data-drop={paint.id}
      className={`group relative flex-none rounded-field ${isOver && !isDragging ? "outline-2 outline-offset-2 outline-primary" : ""}`}
      style={{ width }}
    >
      {/* oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions -- has keys */}
      <div
        role="group"
        aria-label={`${paint.name}, ${paint.codes}, ${work}. Arrow keys move it, Delete takes it out.`}
        // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex
        tabIndex={0}
        onKeyDown={onKeyDown}
        ref={setNodeRef}
        {...listeners}
        className={`touch-pan-x rounded-field ${isDragging ? "relative z-30 bg-base-100 opacity-80" : ""}`}
        style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      >
        <WellStrip paint={paint} paper={paper} width={width} />
        <p className="name-face mt-0.5 truncate text-[0.95rem] leading-tight" title={paint.name}>
          {paint.name}
        </p>
        <p className="label-line truncate leading-tight">
          {paint.codes} · {uses.length > 0 ? work : <em>{work}</em>}
        </p>
      </div>
      <button
        type="button"
        tabIndex={-1}
        aria-label={`Take ${paint.name} out of the tray`}
        title="Take out of the tray"
        className="btn btn-square btn-xs absolute -top-1.5 -right-1.5 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
        onClick={() => removeFromPalette(paint.id)}
      >
        <X size={12} />
      </button>
    </li>
  );
}

/** A paint that recipes use though it is not laid out: it is told, and a press lays it out. */
function Outsider({ paint, paper, uses, width }: WellProps) {
  const addToPalette = useDesk((s) => s.addToPalette);
  const work = `for ${uses.join(", ")}`;
  return (
    <li className="flex-none" style={{ width }}>
      <button
        type="button"
        aria-label={`Lay ${paint.name} out again, ${paint.codes}, ${work}`}
        title={`Not laid out, but mixed ${work}. Press to lay it out again`}
        className="block w-full cursor-pointer rounded-field text-left outline-1 outline-offset-3 outline-warning outline-dashed hover:bg-base-200"
        onClick={() => addToPalette(paint.id)}
      >
        <WellStrip paint={paint} paper={paper} width={width} />
        <span className="name-face mt-0.5 block truncate text-[0.95rem] leading-tight">{paint.name}</span>
        <span className="block truncate text-[0.87rem] leading-tight text-warning">not laid out</span>
      </button>
    </li>
  );
}

const WIDEST = 150;
const NARROWEST = 116;
const ROOM_PX = 1046;
const GAP_PX = 12;

/** The palette along the bottom: its wells, what each paint does here, and the values it reaches. */
export function Tray() {
  const palette = useDesk((s) => s.document.palette);
  const paints = usePaints();
  const paper = usePaper();
  const uses = usePaintUses();
  const outsiders = useOutsiders();
  const { setNodeRef, isOver } = useDroppable({ id: NEW_WELL });
  const wells = palette.flatMap((id) => paints.get(id) ?? []);
  const range = useRangeLookedAt();
  const width = Math.floor(
    Math.min(WIDEST, Math.max(NARROWEST, ROOM_PX / Math.max(1, wells.length + outsiders.length) - GAP_PX)),
  );
  return (
    <section aria-label="Tray" className="border-t border-(--hairline) bg-base-100 px-5 py-3">
      <TrayNews />
      <div className="flex items-center gap-5 small:flex-wrap small:gap-2">
        <div className="w-24 shrink-0">
          <h2 className="name-face text-xl leading-tight">Palette</h2>
          <p className="label-line leading-snug">{wells.length === 1 ? "1 paint" : `${wells.length} paints`}</p>
          {wells.length > 0 && (
            <p className="label-line leading-snug">
              value {range.darkest.toFixed(1)} to {range.lightest.toFixed(1)}
            </p>
          )}
        </div>
        <div
          className="-my-2 flex min-w-0 flex-1 overflow-x-auto small:basis-full small:flex-wrap overflow-y-hidden py-2 pr-2"
          style={{ gap: GAP_PX }}
        >
          <ul className="flex small:flex-wrap" style={{ gap: GAP_PX }}>
            {wells.map((paint) => (
              <Well key={paint.id} paint={paint} paper={paper} uses={uses.get(paint.id) ?? []} width={width} />
            ))}
            {wells.length + outsiders.length === 0 && (
              <li className="quiet self-center">
                Choose a recipe and its paints are laid out here, or lay them out yourself.
              </li>
            )}
          </ul>
          {outsiders.length > 0 && (
            <ul aria-label="Mixed from, but not laid out" className="flex pr-1 pl-1" style={{ gap: GAP_PX }}>
              {outsiders.map((paint) => (
                <Outsider key={paint.id} paint={paint} paper={paper} uses={uses.get(paint.id) ?? []} width={width} />
              ))}
            </ul>
          )}
        </div>
        <div
          ref={setNodeRef}
          data-drop={NEW_WELL}
          className={`flex self-stretch rounded-field ${isOver ? "outline-2 outline-offset-2 outline-primary" : ""}`}
        >
          <AddPaint paper={paper} />
        </div>
      </div>
    </section>
  );
}
