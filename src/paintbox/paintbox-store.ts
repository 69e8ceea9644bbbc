"use client";

import { createContext, useContext } from "react";
import { temporal, type TemporalState } from "zundo";
import { createStore, useStore, type StoreApi } from "zustand";
import type { PaintboxDocument, PaintEntry, TravelBox } from "@/model/paintbox";

export interface PaintboxState {
  readonly document: PaintboxDocument;
  readonly openId: string | null;
  readonly open: (id: string | null) => void;
  /** Adds a paint at the front and opens it. */
  readonly add: (paint: PaintEntry) => void;
  /** Adds many at the end, as one step. */
  readonly addMany: (paints: readonly PaintEntry[]) => void;
  readonly change: (id: string, change: Partial<Omit<PaintEntry, "id">>) => void;
  /** Takes a paint out, of every box too. */
  readonly remove: (id: string) => void;
  readonly addBox: (box: TravelBox) => void;
  readonly changeBox: (id: string, change: Partial<Omit<TravelBox, "id">>) => void;
  readonly removeBox: (id: string) => void;
}

type Undoable = Pick<PaintboxState, "document">;
export type PaintboxStore = StoreApi<PaintboxState> & { temporal: StoreApi<TemporalState<Undoable>> };

/** The paintbox while it is open: its document can be undone, which paint is looked at can't. */
export function createPaintboxStore(document: PaintboxDocument): PaintboxStore {
  return createStore<PaintboxState>()(
    temporal(
      (set) => {
        const paints = (f: (list: PaintEntry[]) => PaintEntry[]): void => set((s) => ({ document: { ...s.document, paints: f(s.document.paints) } }));
        const boxes = (f: (list: TravelBox[]) => TravelBox[]): void => set((s) => ({ document: { ...s.document, boxes: f(s.document.boxes) } }));
        return {
          document,
          openId: null,
          open: (openId) => set({ openId }),
          add: (paint) => set((s) => ({ document: { ...s.document, paints: [paint, ...s.document.paints] }, openId: paint.id })),
          addMany: (more) => paints((list) => [...list, ...more]),
          change: (id, part) => paints((list) => list.map((paint) => (paint.id === id ? { ...paint, ...part } : paint))),
          remove: (id) =>
            set((s) => ({
              document: {
                paints: s.document.paints.filter((paint) => paint.id !== id),
                boxes: s.document.boxes.map((box) => ({ ...box, wells: box.wells.map((well) => (well === id ? null : well)) })),
              },
              openId: null,
            })),
          addBox: (box) => boxes((list) => [...list, box]),
          changeBox: (id, part) => boxes((list) => list.map((box) => (box.id === id ? { ...box, ...part } : box))),
          removeBox: (id) => boxes((list) => list.filter((box) => box.id !== id)),
        };
      },
      { limit: 200, partialize: ({ document: d }): Undoable => ({ document: d }), equality: (a, b) => a.document === b.document },
    ),
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
