"use client";

import { Plus, Printer, Trash2 } from "lucide-react";
import { useMemo, useRef, useState, type KeyboardEvent } from "react";
import { arrangePaints, BOX_ORDERS, fillWells, paintModel, PAPERS, pigmentById, resizeWells, type BoxOrder } from "@/core";
import { MIXABLE, type PaintEntry, type TravelBox } from "@/db/paintbox-document";
import { PaintPicker } from "@/ui/paint-picker";
import { Strip } from "@/ui/strip";
import { usePaintbox } from "./paintbox-store";

const paper = PAPERS[0];
const WELL_PX = { "whole pan": { width: 118, height: 78 }, "half pan": { width: 92, height: 60 } } as const;
const codesOf = (paint: PaintEntry): string => paint.pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" ");
const modelOf = (paint: PaintEntry) => paintModel(`${paint.id} ${JSON.stringify(paint.pigments)} ${paint.tintingStrength}`, paint.pigments, paint.tintingStrength);

function swapped(wells: TravelBox["wells"], from: number, to: number): TravelBox["wells"] {
  const next = [...wells];
  [next[from], next[to]] = [next[to], next[from]];
  return next;
}

/** One real box: its wells are filled, moved by dragging or with Alt and the arrow keys, ordered, and printed as labels. */
function Box({ box, paints }: { box: TravelBox; paints: readonly PaintEntry[] }) {
  const { changeBox, removeBox, open } = usePaintbox((s) => s);
  const grid = useRef<HTMLDivElement>(null);
  const [dragged, setDragged] = useState<number | null>(null);
  const byId = useMemo(() => new Map(paints.map((paint) => [paint.id, paint])), [paints]);
  const pickable = useMemo(() => paints.filter(({ status }) => MIXABLE.has(status) || status === "wished for").map((paint) => ({ id: paint.id, name: paint.name, detail: codesOf(paint), search: paint.maker, model: modelOf(paint) })), [paints]);
  const size = WELL_PX[box.pan];
  const setWells = (wells: TravelBox["wells"]): void => changeBox(box.id, { wells });
  const resize = (rows: number, columns: number): void => {
    if (!(rows >= 1 && rows <= 12 && columns >= 1 && columns <= 24)) return;
    changeBox(box.id, { rows, columns, wells: [...resizeWells(box.wells, box.columns, rows, columns)] });
  };
  const order = (by: BoxOrder): void => {
    const inside = box.wells.flatMap((id) => (id ? (byId.get(id) ?? []) : []));
    const models = new Map(inside.map((paint) => [modelOf(paint).id, paint.id]));
    const ids = arrangePaints(inside.map(modelOf), by, paper).map(({ id }) => models.get(id)!);
    setWells([...fillWells(box.wells, ids)]);
  };
  const onKeyDown = (event: KeyboardEvent, at: number): void => {
    const steps: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -box.columns, ArrowDown: box.columns };
    const step = steps[event.key];
    if (event.key === "Delete" || event.key === "Backspace") setWells(box.wells.map((well, i) => (i === at ? null : well)));
    else if (step !== undefined) {
      const to = at + step;
      const sameRow = Math.abs(step) > 1 || box.columns === 1 || Math.floor(to / box.columns) === Math.floor(at / box.columns);
      if (to < 0 || to >= box.wells.length || !sameRow) return;
      if (event.altKey) setWells(swapped(box.wells, at, to));
      grid.current?.querySelector<HTMLElement>(`[data-well="${to}"]`)?.focus();
    } else return;
    event.preventDefault();
  };

  return (
    <section aria-label={`Box: ${box.name}`} className="mb-8">
      <div className="mb-3 flex flex-wrap items-end gap-3 print:hidden">
        <input key={box.name} defaultValue={box.name} aria-label="Name of the box" maxLength={80} className="name-face w-64 rounded-field border border-transparent bg-transparent px-1 text-2xl hover:border-(--hairline)"
          onBlur={(event) => (event.target.value.trim() ? changeBox(box.id, { name: event.target.value.trim() }) : (event.target.value = box.name))} />
        <label className="w-20"><span className="label-line block">Rows</span><input type="number" min={1} max={12} className="input input-sm w-full" value={box.rows} onChange={(event) => resize(Number(event.target.value), box.columns)} /></label>
        <label className="w-20"><span className="label-line block">Columns</span><input type="number" min={1} max={24} className="input input-sm w-full" value={box.columns} onChange={(event) => resize(box.rows, Number(event.target.value))} /></label>
        <select className="select select-sm w-32" aria-label="Pans" value={box.pan} onChange={(event) => changeBox(box.id, { pan: event.target.value === "half pan" ? "half pan" : "whole pan" })}>
          <option>whole pan</option>
          <option>half pan</option>
        </select>
        <select className="select select-sm w-48" aria-label="Order the box" value="" onChange={(event) => order(BOX_ORDERS.find((by) => by === event.target.value) ?? BOX_ORDERS[0])}>
          <option value="" disabled>order it …</option>
          {BOX_ORDERS.map((by) => <option key={by}>{by}</option>)}
        </select>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => window.print()}><Printer size={14} /> Labels</button>
        <button type="button" className="btn btn-square btn-ghost btn-sm" aria-label={`Remove the box ${box.name}`} onClick={() => removeBox(box.id)}><Trash2 size={15} /></button>
      </div>
      <div className="overflow-x-auto pb-2">
        <div ref={grid} role="group" aria-label="Wells" className="inline-grid gap-2 rounded-box border border-(--hairline) bg-base-100 p-3" style={{ gridTemplateColumns: `repeat(${box.columns}, ${size.width}px)` }}>
          {box.wells.map((id, at) => {
            const paint = id ? byId.get(id) : undefined;
            const place = `Row ${Math.floor(at / box.columns) + 1}, well ${(at % box.columns) + 1}`;
            return (
              // A well is moved to and moved with keys, and takes what is dropped on it.
              // eslint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
              <div
                key={at} role="group" data-well={at} tabIndex={at === 0 ? 0 : -1} onKeyDown={(event) => onKeyDown(event, at)} onDragOver={(event) => event.preventDefault()}
                aria-label={paint ? `${place}: ${paint.name}. Alt and arrow keys move it, Delete empties the well.` : `${place}: empty`}
                onDrop={() => dragged !== null && setWells(swapped(box.wells, dragged, at))}
                className="overflow-hidden rounded-field border border-(--hairline)" style={{ minHeight: size.height + 44 }}
              >
                {paint ? (
                  <div draggable onDragStart={() => setDragged(at)} onDragEnd={() => setDragged(null)} className="cursor-grab">
                    <Strip mix={[{ paint: modelOf(paint), parts: 1 }]} paper={paper} width={size.width - 2} height={size.height - 8} from={0.9} to={0.12} label={paint.name} />
                    <button type="button" tabIndex={-1} className="block w-full cursor-pointer px-1 pb-1 text-left" onClick={() => open(paint.id)}>
                      <span className="name-face line-clamp-2 text-[0.84rem] leading-tight">{paint.name}</span>
                      <span className="label-line block truncate leading-tight">{codesOf(paint)}</span>
                    </button>
                  </div>
                ) : (
                  <PaintPicker title={`A paint for row ${Math.floor(at / box.columns) + 1}, well ${(at % box.columns) + 1}`} paints={pickable} paper={paper} taken={{ ids: box.wells.filter((well) => well !== null), words: "in the box" }} closeOnPick onPick={(paintId) => setWells(box.wells.map((well, i) => (i === at ? paintId : well)))} className="quiet grid h-full w-full cursor-pointer place-items-center print:hidden">
                    <Plus size={16} aria-label="Fill this well" />
                  </PaintPicker>
                )}
              </div>
            );
          })}
        </div>
      </div>
    </section>
  );
}

/** The real boxes one fills from the paintbox. */
export function BoxView() {
  const { paints, boxes } = usePaintbox((s) => s.document);
  const addBox = usePaintbox((s) => s.addBox);
  return (
    <div>
      {boxes.length === 0 && <p className="name-face mb-4 text-xl">No box is laid out yet.</p>}
      {boxes.map((box) => <Box key={box.id} box={box} paints={paints} />)}
      <button type="button" className="btn btn-outline btn-sm border-dashed print:hidden" onClick={() => addBox({ id: crypto.randomUUID(), name: "Another box", rows: 2, columns: 6, pan: "half pan", wells: Array.from({ length: 12 }, () => null) })}>
        <Plus size={15} /> another box
      </button>
      <p className="quiet mt-4 max-w-2xl text-[0.9rem] print:hidden">Drag a paint to another well, or go to it with the arrow keys and move it with Alt and an arrow. Ordering leaves empty wells where they are, for paints to come.</p>
    </div>
  );
}
