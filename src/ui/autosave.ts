"use client";

import { useEffect, useState } from "react";
import type { StoreApi } from "zustand";
import { Saver, type SaveState } from "./saver";

/** Keeps a store's document saved while it is open; returns how that stands. */
export function useAutosave<Document>(url: string, revision: number, store: StoreApi<{ readonly document: Document }>): SaveState {
  const [state, setState] = useState<SaveState>({ state: "saved" });
  useEffect(() => {
    const saver = new Saver(url, revision, () => store.getState().document, setState);
    const unsubscribe = store.subscribe(() => saver.changed());
    const hidden = (): void => void saver.save(true);
    const leaving = (event: BeforeUnloadEvent): void => {
      if (saver.atRisk) event.preventDefault();
    };
    window.addEventListener("pagehide", hidden);
    window.addEventListener("beforeunload", leaving);
    return () => {
      unsubscribe();
      void saver.save(true).finally(() => saver.stop());
      window.removeEventListener("pagehide", hidden);
      window.removeEventListener("beforeunload", leaving);
    };
  }, [url, revision, store]);
  return state;
}
