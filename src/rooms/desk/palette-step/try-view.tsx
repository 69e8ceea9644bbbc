"use client";

import { useDraggable } from "@dnd-kit/core";
import { ArrowDown, ArrowUp, GripVertical } from "lucide-react";
import { useMemo, useState } from "react";
import { Strip } from "@/ui/strip";
import type { ServedPalette } from "@/core/palette";
import { useDesk, useDeskStore, withPaintIn } from "../desk-store";
import { usePaper, type KnownPaint } from "../paints";
import { AreaErrors } from "./area-errors";
import { useWeighing, useServed } from "./weighing";
import { useApplyPalette } from "./apply-palette";
import { Worth } from "./worth-list";
import { changeOf, changeWords } from "./words";

/** Stands for a well that is still to be filled. */
const NEW_WELL = "";

const paletteWith = (palette: readonly string[], paintId: string, well: string): readonly string[] =>
  well === NEW_WELL ? [...palette, paintId] : withPaintIn(palette, paintId, well);

interface CandidateProps {
  readonly paint: KnownPaint;
  readonly now: ServedPalette;
  readonly then: ServedPalette | null;
  readonly palette: readonly string[];
  readonly onPut: () => void;
}

/**
 * A paint that could come in, and what it would do: looked at by pointing, put in by a click or by dragging it to a
 * well.
 */
function Candidate({ paint, now, then, palette, onPut }: CandidateProps) {
  const paper = usePaper();
  const tryPalette = useDesk((s) => s.tryPalette);
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: `candidate ${paint.id}`,
    data: { paintId: paint.id },
  });
  const by = then ? now.error - then.error : 0;
  const spoken = `${paint.name}: ${then ? `off by ${then.error.toFixed(1)}, ${Math.abs(by) < 0.05 ? "as before" : by > 0 ? `${by.toFixed(1)} better` : `${(-by).toFixed(1)} worse`}` : "being weighed"}`;
  return (
    <li
      ref={setNodeRef}
      className={`flex items-center gap-1 border-b border-(--hairline) ${isDragging ? "relative z-30 bg-base-100 opacity-90" : ""}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      <span
        {...listeners}
        data-grip={paint.name}
        aria-hidden
        title="Drag it to a well"
        className="cursor-grab touch-none py-2 quiet"
      >
        <GripVertical size={14} />
      </span>
      <button
        type="button"
        aria-label={spoken}
        className="flex min-w-0 flex-1 cursor-pointer items-center gap-3 py-1 pr-1 text-left hover:bg-base-200"
        onPointerEnter={() => tryPalette(palette)}
        onPointerLeave={() => tryPalette(null)}
        onFocus={() => tryPalette(palette)}
        onBlur={() => tryPalette(null)}
        onClick={onPut}
      >
        <Strip mix={[{ paint: paint.model, parts: 1 }]} paper={paper} width={76} height={16} label={paint.name} />
        <span className="name-face min-w-0 flex-1 truncate text-[0.98rem]">{paint.name}</span>
        <span className="flex w-24 items-center justify-end gap-1 text-[0.9rem]">
          {then ? then.error.toFixed(1) : "…"}
          <span className={`inline-flex w-14 items-center ${Math.abs(by) < 0.05 ? "quiet" : "font-semibold"}`}>
            {!then ? (
              ""
            ) : Math.abs(by) < 0.05 ? (
              "as before"
            ) : (
              <>
                {by > 0 ? <ArrowDown size={13} /> : <ArrowUp size={13} />}
                {Math.abs(by).toFixed(1)}
              </>
            )}
          </span>
        </span>
      </button>
    </li>
  );
}

/** Auditions: what each paint in the tray earns, and what any other would do in its place. */
export function TryView() {
  const weighing = useWeighing();
  const palette = useDesk((s) => s.document.palette);
  const tried = useDesk((s) => s.tried);
  const { addToPalette, putInWell, tryPalette } = useDeskStore().getState();
  const { busy, applyPalette, fault } = useApplyPalette();
  const [chosenWell, setWell] = useState(NEW_WELL);
  const { paints, choosable, areaNames } = weighing;
  const well = palette.includes(chosenWell) ? chosenWell : NEW_WELL;
  const known = useMemo(() => new Map(paints.map((paint) => [paint.id, paint])), [paints]);
  const candidates = choosable.map((p) => paints[p]!.id).filter((id) => !palette.includes(id));
  const served = useServed([palette, tried ?? palette, ...candidates.map((id) => paletteWith(palette, id, well))]);
  if (palette.length === 0)
    return (
      <p className="leading-snug">
        The tray is empty. Choose a palette, or lay paints out yourself with the button at the right end of the tray.
      </p>
    );
  const [now, answered, ...each] = served;
  if (!now)
    return (
      <p role="status" className="quiet">
        Weighing the tray …
      </p>
    );
  const then = answered ?? now;
  const errorOf = (i: number): number => each[i]?.error ?? Infinity;
  const order = [...each.keys()].sort((a, b) => (errorOf(a) === errorOf(b) ? a - b : errorOf(a) - errorOf(b)));
  const put = (id: string): void => {
    tryPalette(null);
    if (well === NEW_WELL) addToPalette(id);
    else {
      putInWell(id, well);
      setWell(id);
    }
  };
  return (
    <div className="space-y-4">
      <section aria-label="Try another paint">
        <div className="flex items-baseline gap-2">
          <h3 className="font-semibold">Try another</h3>
          <label className="ml-auto flex items-center gap-1.5 text-[0.9rem]">
            in
            <select
              className="select select-sm w-48 text-[0.92rem]"
              aria-label="Well to try it in"
              value={well}
              onChange={(event) => setWell(event.target.value)}
            >
              <option value={NEW_WELL}>a new well</option>
              {palette.map(
                (id) =>
                  known.has(id) && (
                    <option key={id} value={id}>
                      {known.get(id)?.name}&apos;s well
                    </option>
                  ),
              )}
            </select>
          </label>
        </div>
        <p className="label-line">
          Point at one and the areas and the tray say what it would do; click it, or drag it to a well, and it is done.
        </p>
        <ul className="mt-1 max-h-64 overflow-y-auto border-t border-(--hairline)" aria-label="Paints to try">
          {order.map((i) => {
            const paint = known.get(candidates[i]!);
            return (
              paint && (
                <Candidate
                  key={paint.id}
                  paint={paint}
                  now={now}
                  then={each[i]!}
                  palette={paletteWith(palette, paint.id, well)}
                  onPut={() => put(paint.id)}
                />
              )
            );
          })}
        </ul>
      </section>
      <section aria-label="Areas with this palette">
        <div className="flex items-baseline">
          <h3 className="font-semibold">{tried ? "The areas, if so" : "The areas now"}</h3>
          <span className="label-line ml-auto">to paint | reached · off by</span>
        </div>
        <p className="min-h-10 text-[0.9rem] leading-snug" role="status">
          {tried && answered
            ? changeWords(changeOf(now, then, areaNames))
            : "Every area by the best mix that the tray can make."}
        </p>
        <AreaErrors before={now} after={then} />
      </section>
      {/* Below the list: its answers come later and must not move a paint from under the hand. */}
      <Worth served={now} />
      <button type="button" className="btn btn-outline btn-sm" disabled={busy} onClick={() => applyPalette(palette)}>
        Mix every area anew from the tray
      </button>
      {fault && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
    </div>
  );
}
