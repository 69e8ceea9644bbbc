"use client";

import { ArrowRight } from "lucide-react";
import { useMemo } from "react";
import { describeColour } from "@/core/colour";
import { JudgingPair } from "@/ui/judging-pair";
import { ViewChoice } from "@/ui/view-choice";
import { Relations } from "../areas-step/relations";
import { useDesk } from "../desk-store";
import { colourOf, mainColourOf, useMixedColours } from "../mixed";
import { useMeasured } from "../photo-study";
import { mendOf } from "./mends";
import { SHIFT_WORDS, warmthShiftWords } from "./words";

const MAPS = [
  { view: "off", name: "Off", title: "The photo as it is" },
  { view: "photo", name: "Photo", title: "How warm and cool the photo is" },
  { view: "planned", name: "Planned", title: "How warm and cool the mixes are, shape by shape" },
] as const;

/** All colours from the warmest mix to the coolest, beside what is wanted of each, and what holds between them. */
export function WarmthList() {
  const colours = useMixedColours();
  const select = useDesk((s) => s.select);
  const setShift = useDesk((s) => s.setShift);
  const areas = useDesk((s) => s.document.areas);
  const measured = useMeasured();
  const seeing = useDesk((s) => s.seeing);
  const see = useDesk((s) => s.see);
  const warmthMap = useDesk((s) => s.warmthMap);
  const showWarmthMap = useDesk((s) => s.showWarmthMap);
  const map = warmthMap ? "planned" : seeing === "temperature" ? "photo" : "off";
  const asMixed = useMemo(() => new Map(colours.map((colour) => [colour.id, colourOf(colour)])), [colours]);
  const sorted = [...colours].sort(
    (a, b) => describeColour(colourOf(b)).temperature - describeColour(colourOf(a)).temperature,
  );
  if (colours.length === 0)
    return <p className="leading-snug">There is no area yet, so nothing lies beside anything.</p>;
  return (
    <section aria-label="Warm and cool" className="space-y-4">
      <p className="quiet leading-snug">
        Warm is towards orange, cool towards blue, in so many steps of chroma; of two blues the one that leans to violet
        counts as the warmer. Open a colour to shift it at its own value.
      </p>
      <div>
        <div className="flex items-center">
          <h3 className="flex-1 font-semibold">From warm to cool</h3>
          <ViewChoice
            label="Warm and cool"
            views={MAPS}
            shown={map}
            onShow={(one) => {
              if (one === "planned") showWarmthMap(true);
              else see(one === "photo" ? "temperature" : "plain");
            }}
          />
        </div>
        <p className="label-line">to paint | mix, dry</p>
        <ol aria-label="From warm to cool" className="mt-1 border-b border-(--hairline)">
          {sorted.map((colour) => (
            <li key={colour.id} className="border-t border-(--hairline)">
              <button
                type="button"
                className="flex w-full cursor-pointer items-center gap-3 py-2 text-left hover:bg-base-200"
                aria-label={`Shift ${colour.name}`}
                onClick={() => select(colour.areaId, colour.id)}
              >
                <JudgingPair wanted={colour.lab} mix={colourOf(colour)} className="h-9 w-20" />
                <span className="min-w-0 flex-1 leading-snug">
                  <span className="name-face block truncate text-[1.05rem]">
                    <span className="quiet mr-1.5 text-[0.87rem]">{colour.mark}</span>
                    {colour.name}
                  </span>
                  <span className="quiet text-[0.9rem]">{warmthShiftWords(colour.lab, colour.laid?.dry ?? null)}</span>
                </span>
                <ArrowRight size={16} aria-hidden className="shrink-0" />
              </button>
            </li>
          ))}
        </ol>
      </div>
      <Relations
        heading="Does it hold together as it is mixed?"
        colours={asMixed}
        judgedOn="the mixes as they dry"
        mend={(relation) => {
          const mend = mendOf(relation, areas, colours, measured?.borders ?? []);
          return (
            mend && (
              <button
                type="button"
                className="btn btn-outline btn-sm mt-1 block"
                onClick={() => {
                  setShift(mend.shift);
                  select(mend.area.id, mainColourOf(colours, mend.area.id)?.id);
                }}
              >
                Make {mend.area.name} {SHIFT_WORDS[mend.shift]}
              </button>
            )
          );
        }}
      />
    </section>
  );
}
