"use client";

import { useEffect, useState } from "react";
import { lightnessOfValue, screenColourOfLab, type Lab } from "@/core/colour";
import { stepValue } from "@/core/image";
import type { ValueShares as Shares } from "@/workers/photo-api";
import { troubleWith } from "@/ui/trouble";
import { useDesk, useDeskStore } from "../desk-store";
import { useLook, usePhoto } from "../photo-study";

const greyOf = (value: number): string => {
  const lab: Lab = { L: lightnessOfValue(value), a: 0, b: 0 };
  return screenColourOfLab(lab).hex;
};

/** How much of the sheet lies in each value step, and how much of the photo is lost. */
export function ValueShares() {
  const { study } = usePhoto();
  const look = useLook();
  const steps = useDesk((s) => s.valueSteps) || 5;
  const marks = useDesk((s) => s.marks);
  const { setValueSteps, toggle } = useDeskStore().getState();
  const [found, setFound] = useState<Shares | null>(null);
  useEffect(() => {
    let stale = false;
    study
      ?.ask("shares", look, steps)
      .then((shares) => !stale && setFound(shares), troubleWith("The values could not be counted"));
    return () => {
      stale = true;
    };
  }, [study, look, steps]);
  const shares = found?.steps.length === steps ? found.steps : null;
  const lost = found ? found.burnt + found.blocked : 0;
  return (
    <section aria-label="Values" className="space-y-2.5">
      <h3 className="font-semibold">The values</h3>
      <div
        className="flex h-9"
        role="img"
        aria-label={
          shares
            ? `Shares of ${steps} values from dark to light: ${shares.map((share) => `${Math.round(100 * share)} percent`).join(", ")}`
            : "Values are being measured"
        }
      >
        {shares?.map((share, i) => (
          <span key={i} style={{ width: `${100 * share}%`, background: greyOf(stepValue(i, steps)) }} />
        ))}
      </div>
      <ol className="flex" aria-hidden>
        {(shares ?? []).map((share, i) => (
          <li key={i} className="min-w-0 flex-1 border-l border-(--hairline) pl-1 leading-tight">
            <span className="label-line block">{stepValue(i, steps).toFixed(1)}</span>
            <span className="block text-[0.87rem]">{Math.round(100 * share)} %</span>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap items-center gap-1.5">
        <span className="quiet mr-1">see it in</span>
        {[2, 3, 5, 7, 9].map((n) => (
          <button
            key={n}
            type="button"
            className={`btn btn-xs ${n === steps ? "btn-neutral" : "btn-outline"}`}
            aria-pressed={n === steps}
            aria-label={`${n} values`}
            onClick={() => setValueSteps(n)}
          >
            {n}
          </button>
        ))}
        <span className="quiet ml-1">values</span>
      </div>
      {found && lost > 0.0005 && (
        <p className="text-[0.9rem] leading-snug text-warning">
          {(100 * found.burnt).toFixed(1)} % of the sheet is burnt out and {(100 * found.blocked).toFixed(1)} % blocked
          in the photo: no colour can be trusted there.{" "}
          <button type="button" className="link" onClick={() => toggle("marks")}>
            {marks ? "Hide it" : "Show where"}
          </button>
        </p>
      )}
    </section>
  );
}
