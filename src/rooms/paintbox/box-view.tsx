"use client";

import {
  DndContext,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from "@dnd-kit/core";
import { Plus, Printer, Trash2 } from "lucide-react";
import { useMemo, useRef, type KeyboardEvent, type ReactNode } from "react";
import { PAPERS } from "@/core/optics";
import { arrangePaints, BOX_ORDERS, fillWells, resizeWells, type BoxOrder } from "@/core/palette";
import { pigmentById } from "@/core/pigments";
import { faultIn } from "@/model/fault";
import { MIXABLE, panOfRow, travelBox, type PaintEntry, type PanKind, type TravelBox } from "@/model/paintbox";
import { PaintPicker } from "@/ui/paint-picker";
import { Strip } from "@/ui/strip";
import { TypedText } from "@/ui/typed-text";
import { useModelOf } from "./measured";
import { useBoxesHere, usePaintbox, usePaintboxStore } from "./paintbox-store";

const paper = PAPERS[0];
const WELL_PX = { "whole pan": { width: 140, height: 84 }, "half pan": { width: 92, height: 60 } } as const;
const codesOf = (paint: PaintEntry): string =>
  paint.pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" ");

function swapped(wells: TravelBox["wells"], from: number, to: number): TravelBox["wells"] {
  const next = [...wells];
  [next[from], next[to]] = [next[to]!, next[from]!];
  return next;
}

/** What is dragged must move this far first, so that a click and a tap stay what they are, CSS px. */
const DRAG_FROM_PX = 6;

/** A well: takes what is dropped on it. */
function Well({
  at,
  size,
  label,
  onKeyDown,
  children,
}: {
  at: number;
  size: { width: number; height: number };
  label: string;
  onKeyDown: (event: KeyboardEvent) => void;
  children: ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: at });
  return (
    // A well is moved to and moved with keys.
    // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
    <div
      ref={setNodeRef}
      role="group"
      data-well={at}
      // oxlint-disable-next-line jsx-a11y/no-noninteractive-tabindex
      tabIndex={at === 0 ? 0 : -1}
      onKeyDown={onKeyDown}
      aria-label={label}
      className={`grid rounded-field border ${isOver ? "border-primary" : "border-(--hairline)"}`}
      style={{ width: size.width, minHeight: size.height + 44 }}
    >
      {children}
    </div>
  );
}

/** A paint in its well: dragged with the mouse, a pen or a finger. */
function PanPaint({
  at,
  paint,
  size,
  onOpen,
}: {
  at: number;
  paint: PaintEntry;
  size: { width: number; height: number };
  onOpen: () => void;
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({ id: at });
  const modelOf = useModelOf();
  return (
    <div
      ref={setNodeRef}
      {...listeners}
      data-pan
      className={`relative cursor-grab touch-none ${isDragging ? "z-20 bg-base-100 opacity-90" : ""}`}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
    >
      <Strip
        mix={[{ paint: modelOf(paint), parts: 1 }]}
        paper={paper}
        width={size.width - 2}
        height={size.height - 8}
        from={0.9}
        to={0.12}
        label={paint.name}
      />
      <button type="button" tabIndex={-1} className="block w-full cursor-pointer px-1 pb-1 text-left" onClick={onOpen}>
        <span className="name-face line-clamp-2 text-[0.87rem] leading-tight">{paint.name}</span>
        <span className="label-line block truncate leading-tight">{codesOf(paint)}</span>
      </button>
    </div>
  );
}

/**
 * One real box: its wells are filled, moved by dragging or with Alt and the arrow keys, ordered, and printed as
 * labels.
 */
function Box({ box, paints }: { box: TravelBox; paints: readonly PaintEntry[] }) {
  const { changeBox, nameBox, endTyping, removeBox, open } = usePaintboxStore().getState();
  const modelOf = useModelOf();
  const grid = useRef<HTMLDivElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: DRAG_FROM_PX } }));
  const byId = useMemo(() => new Map(paints.map((paint) => [paint.id, paint])), [paints]);
  const pickable = useMemo(
    () =>
      paints
        .filter(({ status }) => MIXABLE.has(status) || status === "wished for")
        .map((paint) => ({
          id: paint.id,
          name: paint.name,
          detail: codesOf(paint),
          search: paint.maker,
          model: modelOf(paint),
        })),
    [paints, modelOf],
  );
  const setPans = (pan: PanKind, row: number): void => {
    const rowPans = Array.from({ length: box.rows }, (_, i) => (i === row ? pan : panOfRow(box, i)));
    changeBox(box.id, { rowPans });
  };
  const drop = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id) setWells(swapped(box.wells, Number(active.id), Number(over.id)));
  };
  const setWells = (wells: TravelBox["wells"]): void => changeBox(box.id, { wells });
  const resize = (rows: number, columns: number): void => {
    if (!(rows >= 1 && rows <= 12 && columns >= 1 && columns <= 24)) return;
    const rowPans = box.rowPans?.length ? Array.from({ length: rows }, (_, row) => panOfRow(box, row)) : [];
    changeBox(box.id, { rows, columns, rowPans, wells: [...resizeWells(box.wells, box.columns, rows, columns)] });
  };
  const order = (by: BoxOrder): void => {
    const inside = box.wells.flatMap((id) => (id ? (byId.get(id) ?? []) : []));
    const ids = arrangePaints(inside.map(modelOf), by, paper).map(({ id }) => id);
    setWells([...fillWells(box.wells, ids)]);
  };
  const onKeyDown = (event: KeyboardEvent, at: number): void => {
    const steps: Record<string, number> = {
      ArrowLeft: -1,
      ArrowRight: 1,
      ArrowUp: -box.columns,
      ArrowDown: box.columns,
    };
    const step = steps[event.key];
    if (event.key === "Delete" || event.key === "Backspace")
      setWells(box.wells.map((well, i) => (i === at ? null : well)));
    else if (step !== undefined) {
      const to = at + step;
      const sameRow =
        Math.abs(step) > 1 || box.columns === 1 || Math.floor(to / box.columns) === Math.floor(at / box.columns);
      if (to < 0 || to >= box.wells.length || !sameRow) return;
      if (event.altKey) setWells(swapped(box.wells, at, to));
      grid.current?.querySelector<HTMLElement>(`[data-well="${to}"]`)?.focus();
    } else return;
    event.preventDefault();
  };

  return (
    <section aria-label={`Box: ${box.name}`} className="mb-8">
      <div className="mb-3 flex flex-wrap items-end gap-3 print:hidden">
        <TypedText
          bare
          label="Name of the box"
          value={box.name}
          faultOf={(text) => faultIn(travelBox.shape.name, text)}
          onText={(text) => nameBox(box.id, text.trim())}
          onLeave={endTyping}
          inputClassName="name-face w-64 rounded-field border border-transparent bg-transparent px-1 text-2xl hover:border-(--hairline)"
        />
        <label className="w-20">
          <span className="label-line block">Rows</span>
          <input
            type="number"
            min={1}
            max={12}
            className="input input-sm w-full"
            value={box.rows}
            onChange={(event) => resize(Number(event.target.value), box.columns)}
          />
        </label>
        <label className="w-20">
          <span className="label-line block">Columns</span>
          <input
            type="number"
            min={1}
            max={24}
            className="input input-sm w-full"
            value={box.columns}
            onChange={(event) => resize(box.rows, Number(event.target.value))}
          />
        </label>
        <select
          className="select select-sm w-32"
          aria-label="Pans"
          value={box.pan}
          onChange={(event) =>
            changeBox(box.id, { pan: event.target.value === "half pan" ? "half pan" : "whole pan", rowPans: [] })
          }
        >
          <option>whole pan</option>
          <option>half pan</option>
        </select>
        <select
          className="select select-sm w-48"
          aria-label="Order the box"
          value=""
          onChange={(event) => order(BOX_ORDERS.find((by) => by === event.target.value) ?? BOX_ORDERS[0])}
        >
          <option value="" disabled>
            order it …
          </option>
          {BOX_ORDERS.map((by) => (
            <option key={by}>{by}</option>
          ))}
        </select>
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => window.print()}>
          <Printer size={14} /> Labels
        </button>
        <button
          type="button"
          className="btn btn-square btn-ghost btn-sm"
          aria-label={`Remove the box ${box.name}`}
          onClick={() => removeBox(box.id)}
        >
          <Trash2 size={15} />
        </button>
      </div>
      <DndContext
        sensors={sensors}
        onDragEnd={drop}
        accessibility={{ screenReaderInstructions: { draggable: "Alt and the arrow keys move a paint." } }}
      >
        <div className="overflow-x-auto pb-2">
          <div
            ref={grid}
            role="group"
            aria-label="Wells"
            className="inline-flex flex-col gap-2 rounded-box border border-(--hairline) bg-base-100 p-3"
          >
            {Array.from({ length: box.rows }, (_, row) => {
              const pan = panOfRow(box, row);
              const size = WELL_PX[pan];
              return (
                <div key={row} className="flex items-center gap-2">
                  {box.wells.slice(row * box.columns, (row + 1) * box.columns).map((id, column) => {
                    const at = row * box.columns + column;
                    const paint = id ? byId.get(id) : undefined;
                    const place = `Row ${row + 1}, well ${column + 1}`;
                    return (
                      <Well
                        key={at}
                        at={at}
                        size={size}
                        label={
                          paint
                            ? `${place}: ${paint.name}. Alt and arrow keys move it, Delete empties the well.`
                            : `${place}: empty`
                        }
                        onKeyDown={(event) => onKeyDown(event, at)}
                      >
                        {paint ? (
                          <PanPaint at={at} paint={paint} size={size} onOpen={() => open(paint.id)} />
                        ) : (
                          <PaintPicker
                            title={`A paint for row ${row + 1}, well ${column + 1}`}
                            paints={pickable}
                            paper={paper}
                            taken={{ ids: box.wells.filter((well) => well !== null), words: "in the box" }}
                            closeOnPick
                            onPick={(paintId) => setWells(box.wells.map((well, i) => (i === at ? paintId : well)))}
                            className="quiet grid h-full w-full cursor-pointer place-items-center print:hidden"
                          >
                            <Plus size={16} aria-label="Fill this well" />
                          </PaintPicker>
                        )}
                      </Well>
                    );
                  })}
                  {box.rows > 1 && (
                    <button
                      type="button"
                      className="btn btn-ghost btn-xs print:hidden"
                      title="A whole pan is twice a half pan"
                      aria-label={`Row ${row + 1} has ${pan}s: change it`}
                      onClick={() => setPans(pan === "half pan" ? "whole pan" : "half pan", row)}
                    >
                      {pan}s
                    </button>
                  )}
                </div>
              );
            })}
          </div>
        </div>
      </DndContext>
    </section>
  );
}

/** The real boxes one fills from the paintbox. */
export function BoxView() {
  const paints = usePaintbox((s) => s.document.paints);
  const boxes = useBoxesHere();
  const addBox = usePaintbox((s) => s.addBox);
  return (
    <div>
      {boxes.length === 0 && <p className="name-face mb-4 text-xl">No box is laid out yet.</p>}
      {boxes.map((box) => (
        <Box key={box.id} box={box} paints={paints} />
      ))}
      <button
        type="button"
        className="btn btn-outline btn-sm border-dashed print:hidden"
        onClick={() =>
          addBox({
            id: crypto.randomUUID(),
            name: "Another box",
            rows: 2,
            columns: 6,
            pan: "half pan",
            rowPans: [],
            wells: Array.from({ length: 12 }, () => null),
          })
        }
      >
        <Plus size={15} /> another box
      </button>
      <p className="quiet mt-4 max-w-2xl text-[0.9rem] print:hidden">
        Drag a paint to another well, or go to it with the arrow keys and move it with Alt and an arrow. Ordering leaves
        empty wells where they are, for paints to come.
      </p>
    </div>
  );
}
