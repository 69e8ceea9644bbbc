"use client";

import { temporal, type TemporalState } from "zundo";
import { createStore, type StoreApi } from "zustand";
import { PAPERS } from "@/core/optics";

/** What is being tried: up to three paints, water, paper, and a dried wash to glaze over. */
export interface Trial {
  readonly parts: readonly { readonly id: string; readonly parts: number }[];
  readonly waterParts: number;
  readonly paperId: string;
  readonly under: { readonly id: string; readonly waterParts: number } | null;
}

interface TrialState {
  readonly trial: Trial;
  readonly change: (part: Partial<Trial>) => void;
}

export type TrialStore = StoreApi<TrialState> & { temporal: StoreApi<TemporalState<Pick<TrialState, "trial">>> };

export const MOST_PAINTS = 3;

/** The trial, undoable in every step. */
export function createTrialStore(ids: readonly string[]): TrialStore {
  return createStore<TrialState>()(
    temporal(
      (set) => ({
        trial: {
          parts: ids.slice(0, MOST_PAINTS).map((id, i) => ({ id, parts: i === 0 ? 2 : 1 })),
          waterParts: 3,
          paperId: PAPERS[0].id,
          under: null,
        },
        change: (part) => set((s) => ({ trial: { ...s.trial, ...part } })),
      }),
      { limit: 200, partialize: ({ trial }) => ({ trial }), equality: (a, b) => a.trial === b.trial },
    ),
  );
}
