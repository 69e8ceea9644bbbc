"use client";

import { useEffect } from "react";
import { focusFirstOf, neighboursOf } from "./focus-neighbour";

/**
 * Who works by keys and removes what has the focus goes on at its neighbour: the next one of a list, else the one
 * before, else what stands around it; never back at the head of the page.
 */
export function LostFocus(): null {
  useEffect(() => {
    let held: { readonly element: Element; neighbours: readonly Element[] } | null = null;
    const taken = ({ target }: FocusEvent): void => {
      held =
        target instanceof Element && target !== document.body && target.matches(":focus-visible")
          ? { element: target, neighbours: neighboursOf(target) }
          : null;
    };
    const changed = (): void => {
      if (!held) return;
      // As long as it stands its neighbours are those of the moment.
      if (held.element.isConnected) return void (held.neighbours = neighboursOf(held.element));
      const { neighbours } = held;
      held = null;
      // A sheet that closes gives the focus back itself, and a dialog: they come first.
      requestAnimationFrame(() => {
        if (document.activeElement !== document.body && document.activeElement !== null) return;
        focusFirstOf(neighbours);
      });
    };
    document.addEventListener("focusin", taken);
    const watch = new MutationObserver(changed);
    watch.observe(document.body, { childList: true, subtree: true });
    return () => {
      document.removeEventListener("focusin", taken);
      watch.disconnect();
    };
  }, []);
  return null;
}
