"use client";

import { Redo2, Undo2 } from "lucide-react";
import { useEffect } from "react";
import type { TemporalState } from "zundo";
import { useStore, type StoreApi } from "zustand";

/** The past and future of a store's undoable part. */
export type History<State> = StoreApi<TemporalState<State>>;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.matches("input:not([type=range]):not([type=radio]):not([type=checkbox]), textarea, select");

/** True where a key belongs to what is being typed or to an open dialog, not to the room. */
export function isForField(event: Event): boolean {
  return isTyping(event.target) || document.querySelector("dialog[open]") !== null;
}

/** Ctrl+Z undoes, Ctrl+Shift+Z and Ctrl+Y redo, from anywhere in a room but its text fields. */
export function useUndoKeys<State>(history: History<State>): void {
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || isForField(event)) return;
      const { undo, redo } = history.getState();
      const key = event.key.toLowerCase();
      if (key === "z") (event.shiftKey ? redo : undo)();
      else if (key === "y") redo();
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKeyDown);
    return () => window.removeEventListener("keydown", onKeyDown);
  }, [history]);
}

/** Undo and redo as buttons. */
export function UndoButtons<State>({ history }: { history: History<State> }) {
  const canUndo = useStore(history, (s) => s.pastStates.length > 0);
  const canRedo = useStore(history, (s) => s.futureStates.length > 0);
  return (
    <>
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label="Undo"
        title="Undo (Ctrl+Z)"
        disabled={!canUndo}
        onClick={() => history.getState().undo()}
      >
        <Undo2 size={16} />
      </button>
      <button
        type="button"
        className="btn btn-square btn-ghost btn-sm"
        aria-label="Redo"
        title="Redo (Ctrl+Shift+Z)"
        disabled={!canRedo}
        onClick={() => history.getState().redo()}
      >
        <Redo2 size={16} />
      </button>
    </>
  );
}
