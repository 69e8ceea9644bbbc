"use client";

import { X } from "lucide-react";
import { useState } from "react";
import { KINDS, type Kind } from "@/core/palette";
import { useDesk } from "../desk-store";

const MANY: Readonly<Record<Kind, string>> = {
  yellow: "yellows",
  red: "reds",
  blue: "blues",
  magenta: "magentas",
  cyan: "cyans",
  earth: "earths",
  "dark brown": "dark browns",
  neutral: "neutrals",
  granulating: "granulating paints",
};
/** No palette holds more. */
const ALL = 12;

/** At least or at most so many paints of a kind. */
export function KindRules() {
  const kinds = useDesk((s) => s.document.rules.kinds);
  const changeRules = useDesk((s) => s.changeRules);
  const [kind, setKind] = useState<Kind>("granulating");
  const [side, setSide] = useState<"least" | "most">("most");
  const [count, setCount] = useState(1);
  const [open, setOpen] = useState(false);
  const add = (): void => {
    const before = kinds.find((rule) => rule.kind === kind) ?? { kind, least: 0, most: ALL };
    const rule =
      side === "least"
        ? { ...before, least: count, most: Math.max(before.most, count) }
        : { ...before, most: count, least: Math.min(before.least, count) };
    changeRules({ kinds: [...kinds.filter((one) => one.kind !== kind), rule] });
  };
  return (
    <section aria-label="How many of a kind" className="space-y-1.5 text-[0.9rem]">
      {kinds.length > 0 && (
        <ul className="flex flex-wrap gap-1.5">
          {kinds.map((rule) => (
            <li
              key={rule.kind}
              className="flex items-center gap-1 rounded-field border border-(--hairline) py-0.5 pr-1 pl-2"
            >
              {rule.least > 0 && rule.most < ALL
                ? `${rule.least} to ${rule.most}`
                : rule.least > 0
                  ? `at least ${rule.least}`
                  : `at most ${rule.most}`}{" "}
              {MANY[rule.kind]}
              <button
                type="button"
                className="grid size-8 place-items-center"
                aria-label={`No rule for ${MANY[rule.kind]}`}
                onClick={() => changeRules({ kinds: kinds.filter((one) => one.kind !== rule.kind) })}
              >
                <X size={13} />
              </button>
            </li>
          ))}
        </ul>
      )}
      {open ? (
        <div className="flex items-center gap-1.5">
          <select
            className="select select-sm w-24 text-[0.92rem]"
            aria-label="At least or at most"
            value={side}
            onChange={(event) => setSide(event.target.value === "least" ? "least" : "most")}
          >
            <option value="most">at most</option>
            <option value="least">at least</option>
          </select>
          <select
            className="select select-sm w-16 text-[0.92rem]"
            aria-label="How many"
            value={count}
            onChange={(event) => setCount(Number(event.target.value))}
          >
            {[0, 1, 2, 3, 4].map((n) => (
              <option key={n} value={n}>
                {n}
              </option>
            ))}
          </select>
          <select
            className="select select-sm min-w-0 flex-1 text-[0.92rem]"
            aria-label="Of which kind"
            value={kind}
            onChange={(event) => setKind(KINDS.find((one) => one === event.target.value) ?? "granulating")}
          >
            {KINDS.map((one) => (
              <option key={one} value={one}>
                {MANY[one]}
              </option>
            ))}
          </select>
          <button type="button" className="btn btn-outline btn-xs" onClick={add}>
            Add
          </button>
        </div>
      ) : (
        <button
          type="button"
          className="quiet cursor-pointer text-left underline-offset-2 hover:underline"
          onClick={() => setOpen(true)}
        >
          At least or at most so many of a kind …
        </button>
      )}
    </section>
  );
}
