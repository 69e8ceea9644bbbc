"use client";

import { ChevronDown } from "lucide-react";
import { useEffect, useId, useRef, useState, type KeyboardEvent, type ReactNode } from "react";

const ITEMS = "a[href], button:not([disabled])";

/**
 * A list of ways that opens on a press and closes on Escape, on a press beside it, or when one of them is taken: while
 * it is closed none of them is in the way of Tab. Arrows, Home and End walk it.
 * @param label names the button, and the list
 * @param children items, each an `li`; made only while it is open
 */
export function Menu({
  label,
  children,
  className = "",
  wide = false,
}: {
  label: string;
  children: () => ReactNode;
  className?: string;
  wide?: boolean;
}) {
  const [open, setOpen] = useState(false);
  const id = useId();
  const around = useRef<HTMLDivElement>(null);
  const button = useRef<HTMLButtonElement>(null);
  const list = useRef<HTMLUListElement>(null);
  const items = (): HTMLElement[] => [...(list.current?.querySelectorAll<HTMLElement>(ITEMS) ?? [])];
  const close = (back: boolean): void => {
    setOpen(false);
    if (back) button.current?.focus();
  };
  useEffect(() => {
    if (!open) return;
    const present = list.current?.querySelector<HTMLElement>("[aria-current]");
    (present ?? list.current?.querySelector<HTMLElement>(ITEMS))?.focus();
    const outside = (event: PointerEvent): void => {
      if (!around.current?.contains(event.target as Node)) setOpen(false);
    };
    window.addEventListener("pointerdown", outside);
    return () => window.removeEventListener("pointerdown", outside);
  }, [open]);
  const onKeyDown = (event: KeyboardEvent): void => {
    if (!open) return;
    const all = items();
    const at = all.indexOf(document.activeElement as HTMLElement);
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: all.length - 1 }[event.key];
    if (event.key === "Escape") close(true);
    else if (to !== undefined && all.length > 0) all[(to + all.length) % all.length]!.focus();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    // The list's own keys are those of its items.
    // oxlint-disable-next-line jsx-a11y/no-static-element-interactions
    <div
      ref={around}
      className={`relative ${className}`}
      onKeyDown={onKeyDown}
      onClick={(event) => (event.target as Element).closest("a") && close(false)}
      onBlur={(event) => {
        if (event.relatedTarget && !around.current?.contains(event.relatedTarget)) setOpen(false);
      }}
    >
      <button
        ref={button}
        type="button"
        className="btn btn-ghost btn-sm"
        aria-expanded={open}
        aria-controls={id}
        onClick={() => setOpen((now) => !now)}
      >
        {label} <ChevronDown size={14} />
      </button>
      <ul
        ref={list}
        id={id}
        aria-label={label}
        hidden={!open}
        className={`menu absolute right-0 z-40 mt-1 max-h-[min(24rem,70vh)] flex-nowrap overflow-y-auto rounded-box border border-(--hairline) bg-base-100 p-2 shadow-md small:fixed small:inset-x-2 small:w-auto ${wide ? "w-80" : "w-52"}`}
      >
        {open && children()}
      </ul>
    </div>
  );
}
