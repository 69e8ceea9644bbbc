"use client";

import { createContext, useContext } from "react";
import { temporal, type TemporalState } from "zundo";
import { createStore, useStore, type StoreApi } from "zustand";
import type { PaintboxDocument, PaintEntry } from "@/db/paintbox-document";

export interface PaintboxState {
  readonly document: PaintboxDocument;
  readonly openId: string | null;
  readonly open: (id: string | null) => void;
  /** Adds a paint at the front and opens it. */
  readonly add: (paint: PaintEntry) => void;
  /** Adds many at the end, as one step. */
  readonly addMany: (paints: readonly PaintEntry[]) => void;
  readonly change: (id: string, change: Partial<Omit<PaintEntry, "id">>) => void;
  readonly remove: (id: string) => void;
}

type Undoable = Pick<PaintboxState, "document">;
export type PaintboxStore = StoreApi<PaintboxState> & { temporal: StoreApi<TemporalState<Undoable>> };

/** The paintbox while it is open: its document can be undone, which paint is looked at can't. */
export function createPaintboxStore(document: PaintboxDocument): PaintboxStore {
  return createStore<PaintboxState>()(
    temporal(
      (set) => {
        const paints = (f: (list: PaintEntry[]) => PaintEntry[]): void => set((s) => ({ document: { paints: f(s.document.paints) } }));
        return {
          document,
          openId: null,
          open: (openId) => set({ openId }),
          add: (paint) => set((s) => ({ document: { paints: [paint, ...s.document.paints] }, openId: paint.id })),
          addMany: (more) => paints((list) => [...list, ...more]),
          change: (id, part) => paints((list) => list.map((paint) => (paint.id === id ? { ...paint, ...part } : paint))),
          remove: (id) => set((s) => ({ document: { paints: s.document.paints.filter((paint) => paint.id !== id) }, openId: null })),
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
