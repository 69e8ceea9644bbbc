"use client";

import { useEffect, useState } from "react";
import type { StartingPoint, Structure } from "@/core/palette";
import { troubleWith } from "@/ui/trouble";
import { Strip } from "@/ui/strip";
import { listed } from "@/model/text";
import { usePaper } from "../paints";
import { useWeighing, useServed } from "./weighing";
import { FAIR, firstOf, GOOD } from "./words";

const WORDS: Readonly<Record<Structure, string>> = {
  "bright triad": "The yellow, red and blue that span the most.",
  "earth triad": "Two earths and a quiet blue.",
  "pair of each primary": "A warm and a cool of each, as far apart as they come.",
  "opposites and an accent": "Two that grey each other, and one that sings.",
  "magenta, yellow, cyan": "The printers' three.",
  "one blue, one brown": "The two that make the darkest neutral together.",
};

/** Nothing is asked of palettes while the section is closed. */
const NONE: readonly (readonly string[])[] = [];

/** Classic structures filled from one's own paints, and what each can and can't do here. */
export function Classics({ busy, onLayOut }: { busy: boolean; onLayOut: (ids: readonly string[]) => void }) {
  const { opened, ready, ask, choosable, paints, idsOf, areaNames } = useWeighing();
  const paper = usePaper();
  const [open, setOpen] = useState(false);
  const [points, setPoints] = useState<readonly StartingPoint[]>([]);
  const key = JSON.stringify([open, ready ? opened : 0, choosable]);
  useEffect(() => {
    const [isOpen, now, among] = JSON.parse(key) as [boolean, number, number[]];
    if (!isOpen || now === 0) return;
    let stale = false;
    ask("start", among).then(
      (found) => !stale && setPoints(found),
      troubleWith("The classic beginnings could not be found"),
    );
    return () => {
      stale = true;
    };
  }, [key, ask]);
  const usable = points.filter((point) => point.paints.every((p) => p < paints.length));
  const served = useServed(open ? usable.map((point) => idsOf(point.paints)) : NONE);
  return (
    <section aria-label="Classic beginnings" className="border-t border-(--hairline) pt-3">
      <button
        type="button"
        aria-expanded={open}
        className="cursor-pointer font-semibold underline-offset-2 hover:underline"
        onClick={() => setOpen(!open)}
      >
        Or begin from a classic …
      </button>
      {open && (
        <ul>
          {usable.map((point, i) => {
            const own = point.paints.flatMap((p) => paints[p] ?? []);
            const how = served[i];
            const can = how?.served.flatMap(({ ideal }, t) => (ideal < GOOD ? (areaNames[t] ?? []) : [])) ?? [];
            const cant =
              how?.served
                .map(({ ideal }, t) => ({ name: areaNames[t] ?? "", error: ideal }))
                .filter(({ error }) => error >= FAIR)
                .sort((a, b) => b.error - a.error) ?? [];
            return (
              <li key={point.structure} className="space-y-1 border-b border-(--hairline) py-2.5">
                <div className="flex items-baseline gap-2">
                  <span className="name-face text-[1.1rem] leading-tight first-letter:uppercase">
                    {point.structure}
                  </span>
                  {how && own.length > 0 && <span className="text-[0.9rem]">off by {how.error.toFixed(1)}</span>}
                  <button
                    type="button"
                    className="btn btn-outline btn-xs ml-auto"
                    disabled={busy || own.length === 0}
                    aria-label={`Lay out: ${point.structure}`}
                    onClick={() => onLayOut(own.map(({ id }) => id))}
                  >
                    Lay it out
                  </button>
                </div>
                <p className="label-line">
                  {WORDS[point.structure]}
                  {point.lacks.length > 0 && ` The box lacks ${listed(point.lacks)}.`}
                </p>
                <ul className="flex flex-wrap gap-x-2">
                  {own.map((paint) => (
                    <li key={paint.id} style={{ width: 72 }}>
                      <Strip
                        mix={[{ paint: paint.model, parts: 1 }]}
                        paper={paper}
                        width={72}
                        height={15}
                        label={paint.name}
                      />
                      <p className="name-face truncate text-[0.87rem] leading-tight" title={paint.name}>
                        {paint.name}
                      </p>
                    </li>
                  ))}
                </ul>
                {how && own.length > 0 && (
                  <p className="text-[0.88rem] leading-snug">
                    {can.length > 0 ? `Does ${firstOf(can, 4)} well. ` : "Does none as wanted. "}
                    {cant.length > 0 && (
                      <span className="text-warning">
                        Can&apos;t do{" "}
                        {firstOf(
                          cant.map(({ name, error }) => `${name} (${error.toFixed(0)} off)`),
                          3,
                        )}
                        .
                      </span>
                    )}
                  </p>
                )}
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}
