"use client";

import { useRef, type ReactNode } from "react";
import { useFocusFollows } from "./focus-follows";
import { isForField } from "./undo";

/**
 * The sheet of what was opened, beside a room's list: by keys the focus goes to it, and on Escape back to what opened
 * it.
 * @param of names what it shows
 */
export function SideSheet({
  label,
  of,
  onClose,
  children,
}: {
  label: string;
  of: string;
  onClose: () => void;
  children: ReactNode;
}) {
  const sheet = useRef<HTMLElement>(null);
  useFocusFollows(sheet, of);
  return (
    // Escape closes it from wherever the focus is in it.
    // oxlint-disable-next-line jsx-a11y/no-noninteractive-element-interactions
    <aside
      ref={sheet}
      aria-label={label}
      tabIndex={-1}
      className="room-side border-l border-(--hairline) bg-base-100 outline-none print:hidden"
      onKeyDown={(event) => {
        if (event.key !== "Escape" || isForField(event.nativeEvent)) return;
        event.preventDefault();
        onClose();
      }}
    >
      {children}
    </aside>
  );
}
