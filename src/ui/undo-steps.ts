import type { TemporalState, ZundoOptions } from "zundo";
import type { StoreApi } from "zustand";

const UNDO_STEPS = 200;

/** The part of a room's state that can be undone. */
interface Undoable<Document> {
  readonly document: Document;
}

/** How a room's steps are undone. */
export interface UndoSteps<State extends Undoable<unknown>> {
  /** The next change belongs to this run: what is typed into one field is undone at once. Null ends the run. */
  readonly inRun: (run: string | null) => void;
  readonly options: ZundoOptions<State, Pick<State, "document">>;
}

/** Undo over a store's document, at most 200 steps; changes of one run are one step. */
export function undoSteps<State extends Undoable<unknown>>(): UndoSteps<State> {
  let run: string | null = null;
  let goesOn = false;
  let after: unknown = null;
  return {
    inRun: (next) => {
      goesOn = next !== null && next === run;
      run = next;
    },
    options: {
      limit: UNDO_STEPS,
      partialize: ({ document }) => ({ document }),
      equality: (a, b) => a.document === b.document,
      handleSet: (save) => (past, replace, current, delta) => {
        // Undo and redo come between the steps of a run without being told of here: then it is a run no more.
        const continued = goesOn && (past as State).document === after;
        after = current.document;
        if (!continued) (save as (...args: unknown[]) => void)(past, replace, current, delta);
      },
    },
  };
}

/** A store whose document can be undone. */
export type UndoableStore<State extends Undoable<unknown>> = StoreApi<State> & {
  readonly temporal: StoreApi<TemporalState<Pick<State, "document">>>;
};
