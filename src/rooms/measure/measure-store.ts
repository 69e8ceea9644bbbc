"use client";

import { createContext, useContext } from "react";
import { temporal, type TemporalState } from "zundo";
import { createStore, useStore, type StoreApi } from "zustand";
import { persist, type PersistStorage } from "zustand/middleware";
import { ROWS, type CardRead } from "@/core/calibration";
import { PAPERS } from "@/core/optics";
import { presentSpace } from "@/ui/saving/present-space";
import { measureDraft, type CardEdits, type MeasureDraft, type Numbers } from "./draft";
import { USUAL_PLACES } from "./swatch-places";

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

export type { CardEdits } from "./draft";

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

/** Nothing typed, chosen or read yet. */
const NEW_DRAFT: Pick<MeasureDraft, "way" | "one" | "numbers" | "readings" | "sheet"> = {
  way: "By photo",
  one: { paintId: null, paperId: PAPERS[0].id, on: null },
  numbers: {
    white: "D50",
    typed: USUAL_PLACES.map(() => ({ L: "", a: "", b: "" })),
    file: null,
    from: USUAL_PLACES.map(() => -1),
    leftOut: [],
  },
  readings: USUAL_PLACES.map(() => null),
  sheet: { kind: "box", card: null, box: null, paperId: PAPERS[0].id, page: "a4" },
};

export interface MeasureState extends Pick<MeasureDraft, "way" | "one" | "numbers" | "readings" | "sheet"> {
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
  readonly setWay: (way: MeasureDraft["way"]) => void;
  readonly setOne: (change: Partial<MeasureDraft["one"]>) => void;
  readonly setNumbers: (change: Partial<Numbers>) => void;
  readonly setReadings: (readings: MeasureDraft["readings"]) => void;
  readonly setSheet: (change: Partial<MeasureDraft["sheet"]>) => void;
  /** Puts away what was typed and read of one paint. */
  readonly beginAnew: () => void;
}

/** Whether there are numbers or readings that were not put away. */
export const holdsSomething = ({ numbers: { typed, file }, readings }: MeasureState): boolean =>
  file !== null || typed.some(({ L, a, b }) => `${L}${a}${b}` !== "") || readings.some((patch) => patch !== null);

type Undoable = Pick<MeasureState, "document">;
export type MeasureStore = StoreApi<MeasureState> & {
  temporal: StoreApi<TemporalState<Undoable>>;
  /** What the browser has kept of it is laid out again when this is called, once the page lives. */
  persist: { rehydrate: () => Promise<void> | void };
};

/** Where the browser keeps the draft: each space of a server has one of its own. */
const draftKey = (): string => `abendrot-measuring ${presentSpace()}`;

const read = (text: string | null): MeasureDraft | null => {
  try {
    return text === null ? null : (measureDraft.safeParse(JSON.parse(text)).data ?? null);
  } catch {
    return null;
  }
};

/** The browser's own storage; what an older program kept there otherwise, or what is none of ours, is no draft. */
const inBrowser: PersistStorage<MeasureDraft> = {
  getItem: () => {
    const state = read(localStorage.getItem(draftKey()));
    return state && { state };
  },
  setItem: (_, { state }) => {
    try {
      localStorage.setItem(draftKey(), JSON.stringify(state));
    } catch {
      // A browser that keeps nothing: the draft lives as long as the page.
    }
  },
  removeItem: () => localStorage.removeItem(draftKey()),
};

/** The measuring room's state: photos go through on their own, what the painter says of them can be undone. */
export function createMeasureStore(): MeasureStore {
  return createStore<MeasureState>()(
    persist(
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
          ...NEW_DRAFT,
          setWay: (way) => set({ way }),
          setOne: (change) => set((s) => ({ one: { ...s.one, ...change } })),
          setNumbers: (change) => set((s) => ({ numbers: { ...s.numbers, ...change } })),
          setReadings: (readings) => set({ readings }),
          setSheet: (change) => set((s) => ({ sheet: { ...s.sheet, ...change } })),
          beginAnew: () => set({ numbers: NEW_DRAFT.numbers, readings: NEW_DRAFT.readings }),
          setKept: (key, row, what) => set((s) => ({ kept: { ...s.kept, [`${key} ${row}`]: what } })),
        }),
        {
          limit: 200,
          partialize: ({ document }): Undoable => ({ document }),
          equality: (a, b) => a.document === b.document,
        },
      ),
      {
        name: "measuring",
        storage: inBrowser,
        skipHydration: true,
        partialize: ({ way, one, numbers, readings, sheet, document, photos, openKey, kept }): MeasureDraft => {
          const lasting = photos.flatMap(({ key, fileName, stored }) => {
            const named = (document.edits[key]?.paints ?? []).flatMap((paint, row) => (paint ? [row] : []));
            const done = named.length > 0 && named.every((row) => kept[`${key} ${row}`]);
            return stored && !done ? [{ key, fileName, stored }] : [];
          });
          // What was not whole in the data folder when the page was left is brought anew; a sheet all of whose paints
          // are kept is done with. What was said of a photo goes with it.
          const stays = (of: string): boolean => lasting.some(({ key }) => of.startsWith(key));
          const only = <T>(record: Readonly<Record<string, T>>): Record<string, T> =>
            Object.fromEntries(Object.entries(record).filter(([of]) => stays(of)));
          return {
            ...{ way, one, numbers, readings, sheet, openKey, photos: lasting },
            document: { edits: only(document.edits) },
            kept: only(kept),
          };
        },
        merge: (draft, state) => {
          const kept = draft as MeasureDraft;
          return {
            ...state,
            ...kept,
            openKey: (kept.photos.find(({ key }) => key === kept.openKey) ?? kept.photos[0])?.key ?? null,
            photos: kept.photos.map((photo): CardPhoto => ({ ...photo, state: "reading", share: 1 })),
          };
        },
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
