"use client";

import { createContext, useContext, useMemo } from "react";
import { temporal } from "zundo";
import { createStore, useStore } from "zustand";
import { changeFault } from "@/model/change-fault";
import {
  boxesHere,
  paintboxDocument,
  paintEntry,
  travelBox,
  type PaintboxDocument,
  type PaintEntry,
  type TravelBox,
} from "@/model/paintbox";
import { changing } from "@/ui/changing";
import { undoSteps, type UndoableStore } from "@/ui/undo-steps";

export interface PaintboxState {
  readonly document: PaintboxDocument;
  readonly openId: string | null;
  readonly open: (id: string | null) => void;
  /** Why the last change was not taken; null when it was. */
  readonly refused: string | null;
  /** Puts a whole document in place of the present one. */
  readonly replace: (document: PaintboxDocument) => void;
  /** A field has been left: what is typed next is a step of its own. */
  readonly endTyping: () => void;
  /** Adds a paint at the front and opens it. */
  readonly add: (paint: PaintEntry) => void;
  /** Adds many at the end and puts others away, as one step. */
  readonly addMany: (paints: readonly PaintEntry[], away?: ReadonlySet<string>) => void;
  readonly change: (id: string, change: Partial<Omit<PaintEntry, "id">>) => void;
  /** Changes one field as it is typed: one step to undo for all that is typed. */
  readonly type: (id: string, field: keyof PaintEntry, change: Partial<Omit<PaintEntry, "id">>) => void;
  /** Takes a paint out, of every box too. */
  readonly remove: (id: string) => void;
  /** Changes many at once, as one step. */
  readonly changeMany: (ids: ReadonlySet<string>, change: Partial<Omit<PaintEntry, "id">>) => void;
  /** Takes many out, of every box too, as one step. */
  readonly removeMany: (ids: ReadonlySet<string>) => void;
  /** Lays many into a box's empty wells, in the paintbox's order; those without a well stay out. */
  readonly fillBox: (boxId: string, ids: ReadonlySet<string>) => void;
  readonly addBox: (box: TravelBox) => void;
  readonly changeBox: (id: string, change: Partial<Omit<TravelBox, "id">>) => void;
  readonly nameBox: (id: string, name: string) => void;
  readonly removeBox: (id: string) => void;
}

export type PaintboxStore = UndoableStore<PaintboxState>;

/** Why a changed paintbox can't be kept; null when it can. Only what has changed is looked at. */
const faultOf = (before: PaintboxDocument, after: PaintboxDocument): string | null =>
  changeFault(paintboxDocument, before, after, { paints: paintEntry, boxes: travelBox });

/** The paintbox while it is open: its document can be undone, which paint is looked at can't. */
export function createPaintboxStore(document: PaintboxDocument): PaintboxStore {
  const { inRun, options } = undoSteps<PaintboxState>();
  return createStore<PaintboxState>()(
    temporal((set) => {
      const change = changing<PaintboxState>(set, inRun, faultOf);
      const changePaint = (id: string, part: Partial<PaintEntry>, run: string | null): void =>
        change(
          (d) => ({ ...d, paints: d.paints.map((paint) => (paint.id === id ? { ...paint, ...part } : paint)) }),
          {},
          run,
        );
      const changeBox = (id: string, part: Partial<TravelBox>, run: string | null): void =>
        change((d) => ({ ...d, boxes: d.boxes.map((box) => (box.id === id ? { ...box, ...part } : box)) }), {}, run);
      const removeMany = (ids: ReadonlySet<string>): void =>
        change(
          (d) => ({
            paints: d.paints.filter(({ id }) => !ids.has(id)),
            boxes: d.boxes.map((box) => ({
              ...box,
              wells: box.wells.map((well) => (well !== null && ids.has(well) ? null : well)),
            })),
          }),
          { openId: null },
        );
      return {
        document,
        refused: null,
        openId: null,
        open: (openId) => set({ openId }),
        replace: (next) => {
          inRun(null);
          set({ document: next, refused: null });
        },
        endTyping: () => inRun(null),
        add: (paint) => change((d) => ({ ...d, paints: [paint, ...d.paints] }), { openId: paint.id }),
        addMany: (more, away = new Set()) =>
          change((d) => ({
            ...d,
            paints: [
              ...d.paints.map((paint) => (away.has(paint.id) ? { ...paint, status: "put away" as const } : paint)),
              ...more,
            ],
          })),
        change: (id, part) => changePaint(id, part, null),
        type: (id, field, part) => changePaint(id, part, `${id} ${field}`),
        remove: (id) => removeMany(new Set([id])),
        changeMany: (ids, part) =>
          change((d) => ({
            ...d,
            paints: d.paints.map((paint) => (ids.has(paint.id) ? { ...paint, ...part } : paint)),
          })),
        removeMany,
        fillBox: (boxId, ids) =>
          change((d) => ({
            ...d,
            boxes: d.boxes.map((box) => {
              if (box.id !== boxId) return box;
              const coming = d.paints.flatMap(({ id }) => (ids.has(id) && !box.wells.includes(id) ? [id] : []));
              return { ...box, wells: box.wells.map((well) => well ?? coming.shift() ?? null) };
            }),
          })),
        addBox: (box) => change((d) => ({ ...d, boxes: [...d.boxes, box] })),
        changeBox: (id, part) => changeBox(id, part, null),
        nameBox: (id, name) => changeBox(id, { name }, `box ${id}`),
        removeBox: (id) => change((d) => ({ ...d, boxes: d.boxes.filter((box) => box.id !== id) })),
      };
    }, options),
  );
}

const PaintboxContext = createContext<PaintboxStore | null>(null);
export const PaintboxProvider = PaintboxContext.Provider;

export function usePaintboxStore(): PaintboxStore {
  const store = useContext(PaintboxContext);
  if (!store) throw new Error("Only usable in the paintbox.");
  return store;
}

export function usePaintbox<T>(select: (state: PaintboxState) => T): T {
  return useStore(usePaintboxStore(), select);
}

/** The boxes that lie here; those of paints that were put away do not. */
export function useBoxesHere(): readonly TravelBox[] {
  const { paints, boxes } = usePaintbox((s) => s.document);
  return useMemo(() => {
    const status = new Map(paints.map((paint) => [paint.id, paint.status]));
    return boxesHere(boxes, (id) => status.get(id));
  }, [paints, boxes]);
}
