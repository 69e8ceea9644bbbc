import isEqual from "fast-deep-equal";
import { useEffect, useState } from "react";
import type { UndoableStore } from "./undo-steps";

interface KeptSteps {
  readonly document: unknown;
  readonly past: readonly unknown[];
  readonly future: readonly unknown[];
}

/** Steps of the rooms that were left in this window, by what they change. They go with the window. */
const kept = new Map<string, KeptSteps>();

/**
 * A room's store that can be undone also after the room was left and is opened again, as long as what is stored is what
 * was left.
 * @param of what the room changes, as a key
 */
export function useKeptSteps<State extends { readonly document: unknown }>(
  of: string,
  create: () => UndoableStore<State>,
): UndoableStore<State> {
  const [store] = useState(() => {
    const made = create();
    const before = kept.get(of);
    if (before && isEqual(before.document, made.getState().document))
      made.temporal.setState({
        pastStates: [...before.past] as Pick<State, "document">[],
        futureStates: [...before.future] as Pick<State, "document">[],
      });
    return made;
  });
  useEffect(
    () => () => {
      const { pastStates, futureStates } = store.temporal.getState();
      kept.set(of, { document: store.getState().document, past: pastStates, future: futureStates });
    },
    [of, store],
  );
  return store;
}
