"use client";

import { ArrowDown, ArrowUp } from "lucide-react";
import { JudgingPair } from "@/ui/judging-pair";
import type { ServedPalette } from "@/core/palette";
import { useWantedColours } from "../targets";
import { useWeighing } from "./weighing";
import { FAIR } from "./words";

/** Every area as a palette reaches it, with how it moves against another palette. */
export function AreaErrors({ before, after }: { before: ServedPalette; after: ServedPalette }) {
  const { areaNames } = useWeighing();
  const wanted = useWantedColours();
  return (
    <ul>
      {after.served.map(({ error, ideal, made }, t) => {
        const by = before.served[t]!.error - error;
        const moved = Math.abs(by) >= 0.05;
        return (
          <li key={t} className="flex items-center gap-3 border-t border-(--hairline) py-0.5">
            <span className="quiet w-6 text-right">{wanted[t]?.mark}</span>
            {made && wanted[t] && <JudgingPair wanted={wanted[t].lab} mix={made} className="h-6 w-16" />}
            <span className="name-face min-w-0 flex-1 truncate">{areaNames[t]}</span>
            {moved && (
              <span
                className="flex items-center text-[0.9rem] font-semibold"
                aria-label={by > 0 ? `better by ${by.toFixed(1)}` : `worse by ${(-by).toFixed(1)}`}
              >
                {by > 0 ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden />}
                {Math.abs(by).toFixed(1)}
              </span>
            )}
            <span className={`w-9 text-right ${ideal >= FAIR ? "text-warning" : ""}`}>{error.toFixed(1)}</span>
          </li>
        );
      })}
    </ul>
  );
}
