"use client";

import { createContext, useContext } from "react";
import { temporal, type TemporalState } from "zundo";
import { createStore, useStore, type StoreApi } from "zustand";
import type { Lab } from "@/core";
import type { PaintingArea, PaintingDocument, StoredRecipe } from "@/db/painting-document";

/** A colour taken from the photo that has no name yet. */
export interface TakenSample {
  readonly sample: PaintingArea["sample"];
  readonly lab: Lab;
  /** Share of its pixels that are burnt out or blocked. */
  readonly untrusted: number;
}

/** Which paints a match may use. */
export type MatchSource = "paintbox" | "tray";

export interface DeskState {
  readonly document: PaintingDocument;
  readonly selectedId: string | null;
  readonly taken: TakenSample | null;
  /** Sampling radius as a share of the photo's width. */
  readonly radius: number;
  readonly source: MatchSource;

  readonly take: (sample: TakenSample | null) => void;
  readonly select: (id: string | null) => void;
  readonly setRadius: (radius: number) => void;
  readonly setSource: (source: MatchSource) => void;

  readonly setTitle: (title: string) => void;
  readonly setPaper: (paperId: string) => void;
  readonly addArea: (area: PaintingArea) => void;
  readonly changeArea: (id: string, change: Partial<Omit<PaintingArea, "id">>) => void;
  readonly removeArea: (id: string) => void;
  /** Chooses recipes and lays their paints on the palette. */
  readonly chooseRecipes: (recipes: ReadonlyMap<string, StoredRecipe | null>) => void;
  readonly addToPalette: (paintId: string) => void;
  readonly removeFromPalette: (paintId: string) => void;
  readonly movePaint: (paintId: string, by: -1 | 1) => void;
}

type Undoable = Pick<DeskState, "document">;
export type DeskStore = StoreApi<DeskState> & { temporal: StoreApi<TemporalState<Undoable>> };

export const MIN_RADIUS = 0.001;
export const MAX_RADIUS = 0.05;
const UNDO_STEPS = 200;

/** The desk's state: the painting's document, which can be undone, and what is being looked at, which can't. */
export function createDeskStore(document: PaintingDocument): DeskStore {
  return createStore<DeskState>()(
    temporal(
      (set) => {
        const change = (f: (d: PaintingDocument) => PaintingDocument): void => set((s) => ({ document: f(s.document) }));
        return {
          document,
          selectedId: null,
          taken: null,
          radius: 0.006,
          source: "paintbox",
          take: (taken) => set({ taken, ...(taken && { selectedId: null }) }),
          select: (selectedId) => set({ selectedId, taken: null }),
          setRadius: (radius) => set({ radius: Math.min(MAX_RADIUS, Math.max(MIN_RADIUS, radius)) }),
          setSource: (source) => set({ source }),
          setTitle: (title) => change((d) => ({ ...d, title })),
          setPaper: (paperId) => change((d) => ({ ...d, paperId })),
          addArea: (area) =>
            set((s) => ({ document: { ...s.document, areas: [...s.document.areas, area] }, selectedId: area.id, taken: null })),
          changeArea: (id, part) => change((d) => ({ ...d, areas: d.areas.map((a) => (a.id === id ? { ...a, ...part } : a)) })),
          removeArea: (id) =>
            set((s) => ({ document: { ...s.document, areas: s.document.areas.filter((a) => a.id !== id) }, selectedId: null })),
          chooseRecipes: (recipes) =>
            change((d) => {
              const paints = [...recipes.values()].flatMap((recipe) => recipe?.parts.map((part) => part.paintId) ?? []);
              return {
                ...d,
                areas: d.areas.map((a) => (recipes.has(a.id) ? { ...a, recipe: recipes.get(a.id) ?? null } : a)),
                palette: [...new Set([...d.palette, ...paints])],
              };
            }),
          addToPalette: (paintId) => change((d) => ({ ...d, palette: [...new Set([...d.palette, paintId])] })),
          removeFromPalette: (paintId) => change((d) => ({ ...d, palette: d.palette.filter((id) => id !== paintId) })),
          movePaint: (paintId, by) =>
            change((d) => {
              const from = d.palette.indexOf(paintId);
              const to = from + by;
              if (from < 0 || to < 0 || to >= d.palette.length) return d;
              const palette = [...d.palette];
              [palette[from], palette[to]] = [palette[to], palette[from]];
              return { ...d, palette };
            }),
        };
      },
      { limit: UNDO_STEPS, partialize: ({ document: d }): Undoable => ({ document: d }), equality: (a, b) => a.document === b.document },
    ),
  );
}

const DeskContext = createContext<DeskStore | null>(null);
export const DeskProvider = DeskContext.Provider;

export function useDeskStore(): DeskStore {
  const store = useContext(DeskContext);
  if (!store) throw new Error("Only usable on the desk.");
  return store;
}

/** Reads from the desk's state. */
export function useDesk<T>(select: (state: DeskState) => T): T {
  return useStore(useDeskStore(), select);
}

/** The selected area, if it is still there. */
export function useSelectedArea(): PaintingArea | null {
  return useDesk((s) => s.document.areas.find((a) => a.id === s.selectedId) ?? null);
}
