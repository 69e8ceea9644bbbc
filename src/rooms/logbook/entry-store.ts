"use client";

import { createContext, useContext } from "react";
import { temporal } from "zundo";
import { createStore, useStore } from "zustand";
import { changeFault } from "@/model/change-fault";
import { logEntry, loggedMix, loggedPaintOf, newLoggedMix, type LogEntry, type LoggedMix } from "@/model/logbook";
import type { PaintEntry } from "@/model/paintbox";
import { changing } from "@/ui/changing";
import { undoSteps, type UndoableStore } from "@/ui/undo-steps";

export interface EntryState {
  readonly document: LogEntry;
  /** Why the last change was not taken; null when it was. */
  readonly refused: string | null;
  readonly replace: (document: LogEntry) => void;
  /** A field has been left: what is typed next is a step of its own. */
  readonly endTyping: () => void;
  /** Changes some of the entry; what is typed into one field is one step under one run. */
  readonly change: (part: Partial<LogEntry>, run?: string) => void;
  readonly changeMix: (id: string, part: Partial<LoggedMix>, run?: string) => void;
  /** Notes a paint of the page that no swatch need have, as a ring's; or forgets it. */
  readonly notePaint: (paint: PaintEntry) => void;
  readonly forgetPaint: (id: string) => void;
  /** Takes a paint into a swatch, and remembers its label. */
  readonly addPaint: (mixId: string, paint: PaintEntry) => void;
  /** Adds a swatch behind the others. */
  readonly addMix: (mix: Pick<LoggedMix, "id"> & Partial<LoggedMix>) => void;
  readonly removeMix: (id: string) => void;
}

export type EntryStore = UndoableStore<EntryState>;

const faultOf = (before: LogEntry, after: LogEntry): string | null =>
  changeFault(logEntry, before, after, { mixes: loggedMix });

/** Ids of the paints that a swatch of the entry names. */
export const namedBySwatches = ({ mixes }: Pick<LogEntry, "mixes">): ReadonlySet<string> =>
  new Set(mixes.flatMap(({ parts, over }) => [...parts, ...(over?.parts ?? [])].map(({ paintId }) => paintId)));

/** An entry while it is open; its document can be undone. */
export function createEntryStore(document: LogEntry): EntryStore {
  const { inRun, options } = undoSteps<EntryState>();
  return createStore<EntryState>()(
    temporal((set) => {
      const change = changing<EntryState>(set, inRun, faultOf);
      return {
        document,
        refused: null,
        replace: (next) => {
          inRun(null);
          set({ document: next, refused: null });
        },
        endTyping: () => inRun(null),
        change: (part, run) => change((d) => ({ ...d, ...part }), {}, run ?? null),
        changeMix: (id, part, run) =>
          change(
            (d) => ({ ...d, mixes: d.mixes.map((mix) => (mix.id === id ? { ...mix, ...part } : mix)) }),
            {},
            run ? `${id} ${run}` : null,
          ),
        notePaint: (paint) =>
          change((d) =>
            d.paints.some(({ id }) => id === paint.id) ? d : { ...d, paints: [...d.paints, loggedPaintOf(paint)] },
          ),
        forgetPaint: (id) => change((d) => ({ ...d, paints: d.paints.filter((paint) => paint.id !== id) })),
        addPaint: (mixId, paint) =>
          change((d) => ({
            ...d,
            paints: d.paints.some(({ id }) => id === paint.id) ? d.paints : [...d.paints, loggedPaintOf(paint)],
            mixes: d.mixes.map((mix) =>
              mix.id === mixId ? { ...mix, parts: [...mix.parts, { paintId: paint.id, parts: 1 }] } : mix,
            ),
          })),
        addMix: (mix) => change((d) => ({ ...d, mixes: [...d.mixes, newLoggedMix(mix)] })),
        removeMix: (id) =>
          change((d) => {
            const mixes = d.mixes
              .filter((mix) => mix.id !== id)
              .map((mix) => (mix.from === id ? { ...mix, from: null } : mix));
            // What the swatch alone brought goes with it; what was noted of the page stays.
            const [before, now] = [namedBySwatches(d), namedBySwatches({ mixes })];
            const gone = (paintId: string): boolean => before.has(paintId) && !now.has(paintId);
            return { ...d, mixes, paints: d.paints.filter((paint) => !gone(paint.id)) };
          }),
      };
    }, options),
  );
}

const EntryContext = createContext<EntryStore | null>(null);
export const EntryProvider = EntryContext.Provider;

export function useEntryStore(): EntryStore {
  const store = useContext(EntryContext);
  if (!store) throw new Error("Only usable in an open entry.");
  return store;
}

export const useEntry = <T>(select: (state: EntryState) => T): T => useStore(useEntryStore(), select);
