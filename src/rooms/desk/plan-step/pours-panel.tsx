"use client";

import { useMemo, useState } from "react";
import { screenColourOfLab } from "@/core/colour";
import { waterWords } from "@/core/optics";
import { choosePours, dryingMinutes, filmOf, MOST_POURS } from "@/core/planning";
import { listed } from "@/model/text";
import { Disclosure } from "@/ui/disclosure";
import { ViewChoice } from "@/ui/view-choice";
import { useDesk } from "../desk-store";
import { useMixedColours } from "../mixed";
import { usePaints, usePaper } from "../paints";
import { sheetOf, usePhoto } from "../photo-study";
import { useConditions } from "./use-plan";
import { minutesWords } from "./words";

const COUNTS = ["best", ...Array.from({ length: MOST_POURS }, (_, i) => String(i + 1))] as const;
type Count = (typeof COUNTS)[number];

function PouredSheet() {
  const mixed = useMixedColours();
  const areas = useDesk((s) => s.document.areas);
  const palette = useDesk((s) => s.document.palette);
  const study = useDesk((s) => s.document.study);
  const { size } = usePhoto();
  const paints = usePaints();
  const paper = usePaper();
  const { air, sheet, wetness } = useConditions();
  const [count, setCount] = useState<Count>("best");
  const found = useMemo(() => {
    const tray = palette.flatMap((id) => paints.get(id)?.model ?? []);
    const wanted = mixed.flatMap(({ id, lab, areaCm2, overId }) =>
      overId === null && areaCm2 > 0 ? [{ id, lab, share: areaCm2 }] : [],
    );
    return choosePours(wanted, tray, paper, count === "best" ? null : Number(count));
  }, [mixed, palette, paints, paper, count]);
  const { widthCm, heightCm } = sheetOf(study, size);
  const nameOf = (id: string): string => mixed.find((colour) => colour.id === id)?.name ?? "";
  const areaNames = (ids: readonly string[]): string =>
    listed([
      ...new Set(
        ids.map((id) => {
          const areaId = mixed.find((colour) => colour.id === id)?.areaId;
          return areas.find((area) => area.id === areaId)?.name ?? nameOf(id);
        }),
      ),
    ]);
  if (!found) return <p className="leading-snug">There is nothing to pour: lay out a palette, and mix the areas.</p>;
  const dry = dryingMinutes(filmOf("first", true, wetness), widthCm * heightCm, air, sheet);
  return (
    <div className="space-y-2 pb-2">
      <ViewChoice
        label="How many pours"
        views={COUNTS.map((view) => ({ view, name: view === "best" ? "as many as it is worth" : view }))}
        shown={count}
        onShow={setCount}
      />
      {found.pours.length === 0 ? (
        <p className="leading-snug">
          No pour is worth it here: whatever lies over the whole sheet drowns more than it brings.
        </p>
      ) : (
        <>
          <ol aria-label="Pours" className="space-y-1">
            {found.pours.map(({ paint, waterParts, dry: lab }, i) => (
              <li key={paint.id} className="flex items-center gap-3">
                <span aria-hidden className="h-9 w-16 shrink-0" style={{ background: screenColourOfLab(lab).hex }} />
                <span className="leading-snug">
                  <span className="name-face text-[1.05rem]">
                    {i + 1}. {paints.get(paint.id)?.name}
                  </span>
                  <span className="quiet block text-[0.9rem]">
                    {waterWords(waterParts)}; dry before the {i + 1 < found.pours.length ? "next" : "first wash"}, about{" "}
                    {minutesWords(dry)}
                  </span>
                </span>
              </li>
            ))}
          </ol>
          <p className="leading-snug">
            {Math.round(100 * found.done)} % of the way from bare paper is gone then.
            {found.shows.length > 0 && ` It shows plainly in ${areaNames(found.shows)}.`}
            {found.lights.length > 0 &&
              ` It drowns ${areaNames(found.lights.map(({ id }) => id))}: mask ${found.lights.length === 1 ? "it" : "them"} before, or lift after.`}
          </p>
          <p className="quiet text-[0.9rem] leading-snug">
            All later washes lie over it: mix them a little weaker, and try one on the poured sheet&apos;s edge first.
            The recipes here are for bare paper.
          </p>
        </>
      )}
    </div>
  );
}

/** One to three pours over the whole sheet as a beginning. Asked for by a press. */
export function PoursPanel() {
  return (
    <Disclosure
      label="Pours"
      words="Or begin with pours over the whole sheet"
      className="border-t border-(--hairline) pt-2"
    >
      <PouredSheet />
    </Disclosure>
  );
}
