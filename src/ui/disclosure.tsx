"use client";

import { ChevronDown, ChevronRight } from "lucide-react";
import { useState, type ReactNode } from "react";

interface DisclosureProps {
  /** Name of the section. */
  readonly label: string;
  /** What the press that opens it says. */
  readonly words: string;
  readonly className?: string;
  readonly buttonClassName?: string;
  readonly children: ReactNode;
}

/** Something that is shown, and worked out, only once it is asked for by a press. */
export function Disclosure({
  label,
  words,
  className,
  buttonClassName = "btn-ghost -ml-3",
  children,
}: DisclosureProps) {
  const [open, setOpen] = useState(false);
  const Icon = open ? ChevronDown : ChevronRight;
  return (
    <section aria-label={label} className={className}>
      <button
        type="button"
        className={`btn btn-sm ${buttonClassName}`}
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        <Icon size={16} aria-hidden /> {words}
      </button>
      {open && children}
    </section>
  );
}
