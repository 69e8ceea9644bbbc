"use client";

import { useEffect, useState } from "react";
import type { DeskStore } from "./desk-store";
import { Saver, type SaveState } from "./saver";

/** Keeps a painting saved while its desk is open; returns how that stands. */
export function useAutosave(id: string, revision: number, store: DeskStore): SaveState {
  const [state, setState] = useState<SaveState>({ state: "saved" });
  useEffect(() => {
    const saver = new Saver(id, revision, store, setState);
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
  }, [id, revision, store]);
  return state;
}
