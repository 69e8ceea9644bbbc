"use client";

import { useId, useState, type ReactNode } from "react";

interface TypedTextProps {
  /** What the document holds. */
  readonly value: string;
  /** Why a text can't be kept; null when it can. */
  readonly faultOf: (text: string) => string | null;
  /** Takes a text that can be kept, at every letter. */
  readonly onText: (text: string) => void;
  /** The field is left. */
  readonly onLeave?: () => void;
  readonly label: ReactNode;
  /** True where the label is only spoken. */
  readonly bare?: boolean;
  readonly type?: "text" | "number" | "date";
  readonly className?: string;
  readonly inputClassName?: string;
  /** Something odd but possible, said quietly. */
  readonly doubt?: string;
}

/**
 * A field whose text counts as it is typed: nothing waits for the field to be left. What can't be
 * kept is told beneath it, and the document keeps what it had; Escape brings that back.
 */
export function TypedText({
  value,
  faultOf,
  onText,
  onLeave,
  label,
  bare = false,
  type = "text",
  className = "",
  inputClassName = "input input-sm w-full",
  doubt,
}: TypedTextProps) {
  /** What is being typed, and the document's value that it stands over. */
  const [typed, setTyped] = useState<{
    readonly text: string;
    readonly over: string;
    readonly fault: string | null;
  } | null>(null);
  const [inside, setInside] = useState(false);
  const id = useId();
  // A fault that was left standing goes when the document changes under it, by undo or by another window.
  const stands = typed && (inside || typed.over === value) ? typed : null;
  const fault = stands?.fault ?? null;
  const take = (text: string): void => {
    const found = faultOf(text);
    setTyped({ text, over: value, fault: found });
    if (!found) onText(text);
  };
  return (
    <div className={`relative ${className}`}>
      {!bare && (
        <label className="label-line block" htmlFor={id}>
          {label}
        </label>
      )}
      <input
        id={id}
        type={type}
        step="any"
        className={inputClassName}
        value={stands?.text ?? value}
        autoComplete="off"
        aria-label={bare && typeof label === "string" ? label : undefined}
        aria-invalid={fault !== null}
        aria-describedby={fault ? `${id}-fault` : undefined}
        onChange={(event) => take(event.target.value)}
        onFocus={() => setInside(true)}
        onBlur={() => {
          setInside(false);
          // A fault stays to be read and mended, but for a heading, which shows what is stored.
          if (!fault || bare) setTyped(null);
          onLeave?.();
        }}
        onKeyDown={(event) => {
          if (event.key === "Enter") event.currentTarget.blur();
          if (event.key === "Escape") setTyped(null);
        }}
      />
      {!fault && doubt && <p className="label-line leading-snug">{doubt}</p>}
      {fault && (
        <p
          id={`${id}-fault`}
          role="alert"
          className={`text-[0.87rem] text-error ${bare ? "absolute top-full left-0 z-40 w-max max-w-80 rounded-field border border-error bg-base-100 px-2 py-1 shadow-md" : ""}`}
        >
          {fault}
        </p>
      )}
    </div>
  );
}
