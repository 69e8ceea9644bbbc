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
 * kept is told beneath it; the document keeps what it had, and a field that is left empty or wrong
 * shows that again when it is entered anew.
 */
export function TypedText({ value, faultOf, onText, onLeave, label, bare = false, type = "text", className = "", inputClassName = "input input-sm w-full", doubt }: TypedTextProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const id = useId();
  const back = (): void => {
    setTyped(null);
    setFault(null);
    onLeave?.();
  };
  const take = (text: string): void => {
    setTyped(text);
    const found = faultOf(text);
    setFault(found);
    if (!found) onText(text);
  };
  return (
    <div className={`relative ${className}`}>
      {!bare && <label className="label-line block" htmlFor={id}>{label}</label>}
      <input
        id={id} type={type} step="any" className={inputClassName} value={typed ?? value} autoComplete="off"
        aria-label={bare && typeof label === "string" ? label : undefined} aria-invalid={fault !== null} aria-describedby={fault ? `${id}-fault` : undefined}
        onChange={(event) => take(event.target.value)} onFocus={() => fault && back()}
        onBlur={() => {
          // A fault stays to be read; what is stored stands again once the field is entered.
          if (!fault) back();
          else onLeave?.();
        }}
        onKeyDown={(event) => {
          if (event.key === "Enter") event.currentTarget.blur();
          if (event.key === "Escape") back();
        }}
      />
      {!fault && doubt && <p className="label-line leading-snug">{doubt}</p>}
      {fault && (
        <p id={`${id}-fault`} role="alert" className={`text-[0.87rem] text-error ${bare ? "absolute top-full left-0 z-40 w-max max-w-80 rounded-field border border-error bg-base-100 px-2 py-1 shadow-md" : ""}`}>
          {fault}
        </p>
      )}
    </div>
  );
}
