"use client";

interface ViewChoiceProps<T extends string> {
  readonly label: string;
  readonly views: readonly { readonly view: T; readonly name: string; readonly title?: string }[];
  readonly shown: T;
  readonly onShow: (view: T) => void;
  readonly className?: string;
}

/** One of a few ways to look at the same thing, as words in a row. */
export function ViewChoice<T extends string>({ label, views, shown, onShow, className = "" }: ViewChoiceProps<T>) {
  return (
    <div role="radiogroup" aria-label={label} className={`flex gap-0.5 text-[0.95rem] ${className}`}>
      {views.map(({ view, name, title }) => (
        <button
          key={view}
          type="button"
          role="radio"
          aria-checked={view === shown}
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
