"use client";

import { X } from "lucide-react";

/** Rules on paints, each to be dropped again; nothing where there are none. */
export function RuleChips({
  label,
  rules,
  onDrop,
}: {
  label: string;
  rules: readonly { readonly id: string; readonly name: string; readonly words: string }[];
  onDrop: (id: string) => void;
}) {
  if (rules.length === 0) return null;
  return (
    <ul aria-label={label} className="flex flex-wrap gap-1.5">
      {rules.map(({ id, name, words }) => (
        <li
          key={id}
          className="flex items-center gap-1 rounded-field border border-(--hairline) py-0.5 pr-1 pl-2 text-[0.9rem]"
        >
          <span className="quiet">{words}</span> {name}
          <button
            type="button"
            className="grid size-8 place-items-center"
            aria-label={`No rule for ${name}`}
            onClick={() => onDrop(id)}
          >
            <X size={13} />
          </button>
        </li>
      ))}
    </ul>
  );
}
