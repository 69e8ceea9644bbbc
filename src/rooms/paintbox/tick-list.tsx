"use client";

import { useMemo, useRef, useState } from "react";
import { paintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { answersTo, COMMON, HANDBOOK } from "@/core/pigments";
import { capital } from "@/model/text";
import { MIXABLE } from "@/model/paintbox";
import { Strip } from "@/ui/strip";
import { usePaintbox } from "./paintbox-store";

/** The handbook in the order of a box: what most own, then the rest by family. */
export const GROUPS: readonly { readonly name: string; readonly pigments: typeof HANDBOOK }[] = [
  { name: "In most boxes", pigments: COMMON.flatMap((id) => HANDBOOK.filter((pigment) => pigment.id === id)) },
  ...[...new Set(HANDBOOK.map(({ family }) => family))].map((family) => ({
    name: capital(family),
    pigments: HANDBOOK.filter((pigment) => pigment.family === family && !COMMON.includes(pigment.id)),
  })),
];

/** Arrow keys move between the buttons of a list as they stand. */
function moveBy(list: HTMLElement, from: HTMLElement, key: string): boolean {
  const all = [...list.querySelectorAll<HTMLElement>("button[data-tick]")];
  const { top, left, height } = from.getBoundingClientRect();
  const at = all.indexOf(from);
  if (key === "ArrowRight" || key === "ArrowLeft") {
    all[at + (key === "ArrowRight" ? 1 : -1)]?.focus();
    return true;
  }
  if (key !== "ArrowDown" && key !== "ArrowUp") return false;
  const down = key === "ArrowDown";
  const lines = all.filter((one) => {
    const y = one.getBoundingClientRect().top;
    return down ? y > top + height / 2 : y < top - height / 2;
  });
  const away = (one: HTMLElement): number => {
    const box = one.getBoundingClientRect();
    return 4 * Math.abs(box.top - top) + Math.abs(box.left - left);
  };
  lines.sort((one, two) => away(one) - away(two))[0]?.focus();
  return true;
}

/** Every pigment of the handbook with its strip, to be ticked off. */
export function TickList({ ticked, onTick }: { ticked: ReadonlySet<string>; onTick: (id: string) => void }) {
  const list = useRef<HTMLDivElement>(null);
  const [search, setSearch] = useState("");
  const paints = usePaintbox((s) => s.document.paints);
  const owned = useMemo(
    () =>
      new Set(
        paints.flatMap(({ status, demo, pigments }) =>
          MIXABLE.has(status) && !demo && pigments.length === 1 ? [pigments[0]!.pigmentId] : [],
        ),
      ),
    [paints],
  );
  return (
    <div className="space-y-3">
      <input
        type="search"
        className="input input-sm w-72"
        aria-label="Only pigments like"
        placeholder="Name or code"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
      />
      {/* The buttons take the keys; the list only moves the focus between them. */}
      {/* oxlint-disable-next-line jsx-a11y/no-static-element-interactions */}
      <div
        ref={list}
        className="max-h-[46vh] space-y-4 overflow-y-auto pr-2"
        onKeyDown={(event) => {
          if (list.current && event.target instanceof HTMLElement && moveBy(list.current, event.target, event.key))
            event.preventDefault();
        }}
      >
        {GROUPS.map(({ name, pigments }) => {
          const shown = pigments.filter((pigment) => answersTo(pigment, search));
          if (shown.length === 0) return null;
          return (
            <section key={name} aria-label={name}>
              <h3 className="label-line mb-1">{name}</h3>
              <div className="grid grid-cols-[repeat(auto-fill,minmax(215px,1fr))] gap-1">
                {shown.map((pigment) => (
                  <button
                    key={pigment.id}
                    type="button"
                    data-tick
                    aria-pressed={ticked.has(pigment.id)}
                    aria-label={`${capital(pigment.name)}, ${pigment.code}`}
                    className={`flex cursor-pointer items-center gap-2 rounded-field border p-1.5 text-left ${ticked.has(pigment.id) ? "border-primary bg-base-200" : "border-transparent hover:bg-base-200"}`}
                    onClick={() => onTick(pigment.id)}
                  >
                    <Strip
                      mix={[{ paint: paintModel(pigment.id, [{ pigmentId: pigment.id, share: 1 }]), parts: 1 }]}
                      paper={PAPERS[0]}
                      width={62}
                      height={26}
                      label=""
                    />
                    <span className="min-w-0 leading-tight">
                      <span className="name-face block truncate">{capital(pigment.name)}</span>
                      <span className="label-line">
                        {pigment.code}
                        {ticked.has(pigment.id) ? " · ticked" : owned.has(pigment.id) ? " · in your box" : ""}
                      </span>
                    </span>
                  </button>
                ))}
              </div>
            </section>
          );
        })}
      </div>
    </div>
  );
}
