"use client";

import { useEffect, useRef, type RefObject } from "react";
import { focusFirstOf, neighboursOf } from "./focus-neighbour";

/** Opened by keys: what was pressed shows that it has the focus. */
const OPENER = "button:focus-visible, a:focus-visible";

/**
 * Takes the focus along for whoever works by keys: to a sheet when it opens, and back to what opened it when it closes,
 * or to the neighbour of that when it is no longer there.
 * Presses of a mouse or a finger leave the focus where it is.
 * @param sheet takes the focus itself (tabIndex -1)
 * @param of what the sheet is of; null while it is closed. What opens it may be named by `data-opens`, and is found by
 *   that when it has been made anew meanwhile
 */
export function useFocusFollows(sheet: RefObject<HTMLElement | null>, of: string | null): void {
  const opener = useRef<HTMLElement | null>(null);
  /** What stands beside the opener: the focus goes there when what was opened is removed. */
  const beside = useRef<readonly Element[]>([]);
  useEffect(() => {
    const [own, at] = [sheet.current, document.activeElement];
    if (of === null || !own) return;
    if (at instanceof HTMLElement && at.matches(OPENER) && !own.contains(at)) {
      opener.current = at;
      beside.current = neighboursOf(at);
      own.focus({ preventScroll: true });
    }
    return () => {
      const from = opener.current;
      if (!from) return;
      requestAnimationFrame(() => {
        const now = document.activeElement;
        if (now !== document.body && now !== own) return;
        const back = from.isConnected ? from : document.querySelector<HTMLElement>(`[data-opens="${CSS.escape(of)}"]`);
        if (back) back.focus();
        else focusFirstOf(beside.current);
      });
    };
  }, [sheet, of]);
}
