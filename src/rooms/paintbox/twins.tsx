"use client";

import { memo, useDeferredValue, useMemo } from "react";
import { findingTwins, type PaintModel, type TwinTrait } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { isMixable } from "@/model/paintbox";
import { useInSlices } from "@/ui/in-slices";
import { Strip } from "@/ui/strip";
import type { Shown } from "./paint-row";
import { usePaintbox } from "./paintbox-store";

const [paper] = PAPERS;
const TWINS_SHOWN = 20;
/** Of the one of two paints of a colour that has more of it. */
const TRAIT_WORDS: Readonly<Record<TwinTrait, string>> = {
  opacity: "covers more",
  texture: "granulates more",
  staining: "stains more",
  lasting: "lasts longer in light",
};

const twinsOf = (models: readonly PaintModel[]) => findingTwins(models, paper);

/** Pairs of paints of which one is enough, and in what they are unlike after all. */
export const Twins = memo(function Twins({ list }: { list: readonly Shown[] }) {
  const open = usePaintbox((s) => s.open);
  const later = useDeferredValue(list);
  const byModel = new Map(later.map((shown) => [shown.model.id, shown]));
  const mixable = useMemo(
    () =>
      later.filter(({ paint, model }) => isMixable({ ...paint, measured: model.measured })).map(({ model }) => model),
    [later],
  );
  // A paint that was taken out while they are sought anew is in no pair any more.
  const twins = (useInSlices(mixable, twinsOf) ?? []).filter(
    ({ first, second }) => byModel.has(first) && byModel.has(second),
  );
  if (twins.length === 0) return null;
  return (
    <section aria-label="Twins" className="print:hidden mt-8 max-w-3xl border-t border-(--hairline) pt-4">
      <h2 className="name-face text-2xl">Twins</h2>
      <p className="quiet mb-2">
        So close in masstone, wash and tint that one of the two is enough, unless it says in what they differ.
      </p>
      <ul className="space-y-3">
        {twins.slice(0, TWINS_SHOWN).map(({ first, second, dE00, unlike }) => (
          <li key={`${first} ${second}`} className="flex flex-wrap items-center gap-x-3">
            {[first, second].map((id) => {
              const { paint, model, codes } = byModel.get(id)!;
              return (
                <button
                  key={id}
                  type="button"
                  className="flex shrink-0 cursor-pointer items-center gap-2 small:max-w-full small:flex-wrap rounded-field p-1 text-left hover:bg-base-300"
                  onClick={() => open(paint.id)}
                >
                  <Strip mix={[{ paint: model, parts: 1 }]} paper={paper} width={110} height={24} label={paint.name} />
                  <span className="name-face w-52 min-w-0 truncate">
                    {paint.name} <span className="label-line">{codes}</span>
                  </span>
                </button>
              );
            })}
            <span className="quiet w-full pl-1">
              at most dE00 {dE00.toFixed(1)} apart
              {unlike.length > 0 &&
                `, but ${unlike.map(({ trait, more }) => `${byModel.get(more)!.paint.name} ${TRAIT_WORDS[trait]}`).join(", ")}`}
            </span>
          </li>
        ))}
        {twins.length > TWINS_SHOWN && <li className="quiet">and {twins.length - TWINS_SHOWN} more pairs</li>}
      </ul>
    </section>
  );
});
