"use client";

import type { KeyboardEvent } from "react";

interface ViewChoiceProps<T extends string> {
  readonly label: string;
  readonly views: readonly { readonly view: T; readonly name: string; readonly title?: string }[];
  readonly shown: T;
  readonly onShow: (view: T) => void;
  readonly className?: string;
}

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/**
 * One of a few ways to look at the same thing, as words in a row. By keys it is one stop, and arrows go round in it
 * (WAI-ARIA Authoring Practices, radio group).
 */
export function ViewChoice<T extends string>({ label, views, shown, onShow, className = "" }: ViewChoiceProps<T>) {
  const onKeyDown = (event: KeyboardEvent<HTMLDivElement>): void => {
    const step = STEPS[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const at = (views.findIndex(({ view }) => view === shown) + step + views.length) % views.length;
    onShow(views[at]!.view);
    event.currentTarget.querySelectorAll<HTMLElement>("[role=radio]")[at]?.focus();
  };
  return (
    // oxlint-disable-next-line jsx-a11y/interactive-supports-focus -- the focus lies on the radios
    <div
      onKeyDown={onKeyDown}
      role="radiogroup"
      aria-label={label}
      className={`flex gap-0.5 text-[0.95rem] ${className}`}
    >
      {views.map(({ view, name, title }) => (
        <button
          key={view}
          type="button"
          role="radio"
          aria-checked={view === shown}
          tabIndex={view === shown ? 0 : -1}
          title={title}
          onClick={() => onShow(view)}
          className={`cursor-pointer rounded-field px-2.5 py-1 leading-tight whitespace-nowrap ${view === shown ? "bg-neutral text-neutral-content" : "hover:bg-base-200"}`}
        >
          {name}
        </button>
      ))}
    </div>
  );
}
