"use client";

import { createContext, useContext } from "react";
import { temporal, type TemporalState } from "zundo";
import { createStore, useStore, type StoreApi } from "zustand";
import { ROWS, type Box, type CardRead, type SheetKind } from "@/core/calibration";
import { type Lab } from "@/core/colour";
import { PAPERS } from "@/core/optics";

/** A photo of a card on its way through the measuring. */
export interface CardPhoto {
  readonly key: string;
  readonly fileName: string;
  readonly state: "waiting" | "sending" | "reading" | "read" | "refused";
  /** Share sent, while it is being sent. */
  readonly share: number;
  /** Why it was refused. */
  readonly message?: string;
  readonly stored?: { readonly id: string; readonly widthPx: number; readonly heightPx: number };
  readonly read?: CardRead;
  /** What that reading was asked for (see readingKey). */
  readonly readFor?: string;
}

/** A grey card or a chart's patch in the photo. */
interface ReferencePatch {
  readonly box: Box;
  readonly lab: Lab;
}

/** What the painter says of a photo; all of it can be undone. */
export interface CardEdits {
  readonly cardId: number | null;
  /** Null until the sheet's own cells have told, or the painter. */
  readonly kind: SheetKind | null;
  /** Paint of each place; null for none. */
  readonly paints: readonly (string | null)[];
  readonly paperId: string;
  readonly on: string;
  /** Dragged places, by "row place". */
  readonly moved: Readonly<Record<string, Box>>;
  /** Places left out, by "row place". */
  readonly leftOut: Readonly<Record<string, true>>;
  readonly references: readonly ReferencePatch[];
}

export const newEdits = (today: string): CardEdits => ({
  cardId: null,
  kind: null,
  paints: Array.from({ length: ROWS }, () => null),
  paperId: PAPERS[0].id,
  on: today,
  moved: {},
  leftOut: {},
  references: [],
});

interface MeasureDocument {
  readonly edits: Readonly<Record<string, CardEdits>>;
}

export interface MeasureState {
  readonly document: MeasureDocument;
  readonly photos: readonly CardPhoto[];
  readonly openKey: string | null;
  /** Rows kept, by "photo row": what of them was kept, as one text. */
  readonly kept: Readonly<Record<string, string>>;
  readonly addPhotos: (photos: readonly { readonly key: string; readonly fileName: string }[], today: string) => void;
  readonly setPhoto: (key: string, change: Partial<CardPhoto>) => void;
  readonly dropPhoto: (key: string) => void;
  readonly open: (key: string | null) => void;
  readonly edit: (key: string, change: Partial<CardEdits>) => void;
  readonly setKept: (key: string, row: number, what: string) => void;
}

type Undoable = Pick<MeasureState, "document">;
export type MeasureStore = StoreApi<MeasureState> & { temporal: StoreApi<TemporalState<Undoable>> };

/** The measuring room's state: photos go through on their own, what the painter says of them can be undone. */
export function createMeasureStore(): MeasureStore {
  return createStore<MeasureState>()(
    temporal(
      (set) => ({
        document: { edits: {} },
        photos: [],
        openKey: null,
        kept: {},
        addPhotos: (photos, today) =>
          set((s) => ({
            photos: [...s.photos, ...photos.map((photo): CardPhoto => ({ ...photo, state: "waiting", share: 0 }))],
            document: {
              edits: { ...s.document.edits, ...Object.fromEntries(photos.map(({ key }) => [key, newEdits(today)])) },
            },
            openKey: s.openKey ?? photos[0]?.key ?? null,
          })),
        setPhoto: (key, change) =>
          set((s) => ({ photos: s.photos.map((photo) => (photo.key === key ? { ...photo, ...change } : photo)) })),
        dropPhoto: (key) =>
          set((s) => ({
            photos: s.photos.filter((photo) => photo.key !== key),
            openKey: s.openKey === key ? (s.photos.find((photo) => photo.key !== key)?.key ?? null) : s.openKey,
          })),
        open: (openKey) => set({ openKey }),
        edit: (key, change) =>
          set((s) => ({
            document: { edits: { ...s.document.edits, [key]: { ...s.document.edits[key]!, ...change } } },
          })),
        setKept: (key, row, what) => set((s) => ({ kept: { ...s.kept, [`${key} ${row}`]: what } })),
      }),
      {
        limit: 200,
        partialize: ({ document }): Undoable => ({ document }),
        equality: (a, b) => a.document === b.document,
      },
    ),
  );
}

const MeasureContext = createContext<MeasureStore | null>(null);
export const MeasureProvider = MeasureContext.Provider;

export function useMeasureStore(): MeasureStore {
  const store = useContext(MeasureContext);
  if (!store) throw new Error("Only usable in the measuring room.");
  return store;
}

export function useMeasure<T>(select: (state: MeasureState) => T): T {
  return useStore(useMeasureStore(), select);
}
