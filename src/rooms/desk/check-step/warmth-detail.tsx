"use client";

import { useMemo, useState } from "react";
import { workableLoad } from "@/core/mixing";
import { neighboursOf, SHIFTS, shiftsOf, variationsOf, warmAndCool } from "@/core/variations";
import type { PaintingArea } from "@/model/painting";
import { ViewChoice } from "@/ui/view-choice";
import { useDesk } from "../desk-store";
import { useMixedColours, type MixedColour } from "../mixed";
import { ColourTabs } from "../panel/colour-tabs";
import { usePaints } from "../paints";
import { GroundAdviser } from "./ground-adviser";
import { VariationRow } from "./variation-row";
import { isDark, SHIFT_WORDS, warmthWords, withinWords } from "./words";

function WarmthOf({ colour }: { colour: MixedColour }) {
  const palette = useDesk((s) => s.document.palette);
  const paints = usePaints();
  const shift = useDesk((s) => s.shift);
  const setShift = useDesk((s) => s.setShift);
  const { laid, ground, areaCm2 } = colour;
  const variations = useMemo(() => {
    const tray = palette.flatMap((id) => paints.get(id)?.model ?? []);
    return laid ? variationsOf(laid.mix, laid.waterParts, tray, workableLoad(areaCm2), ground) : [];
  }, [laid, ground, areaCm2, palette, paints]);
  if (!laid) return <p className="leading-snug">{colour.name} is not mixed yet: its warmth is judged on its mix.</p>;
  const neighbours = neighboursOf(laid, variations);
  const ends = isDark(laid.dry) ? warmAndCool(variations) : null;
  const ways = shiftsOf(laid, variations, shift);
  return (
    <div className="space-y-4">
      <p className="leading-snug">
        As mixed: value <b>{laid.value.toFixed(1)}</b>, <b>{warmthWords(laid)}</b>. All that stands here keeps that
        value, with more or less of one paint.
      </p>
      {ends && (
        <section aria-label="One dark, warm and cool">
          <h3 className="font-semibold">One dark, warm and cool</h3>
          <p className="quiet mb-2 leading-snug">
            Divide the puddle, and let the two run into each other inside the shape: a large dark is not one colour.
          </p>
          <ul aria-label="The two ends of the dark">
            <VariationRow colour={colour} variation={ends.warm} />
            <VariationRow colour={colour} variation={ends.cool} />
          </ul>
        </section>
      )}
      <section aria-label="Shift it">
        <h3 className="font-semibold">Shift it, at the same value</h3>
        <ViewChoice
          className="mt-1"
          label="Which way"
          views={SHIFTS.map((one) => ({ view: one, name: SHIFT_WORDS[one] }))}
          shown={shift}
          onShow={setShift}
        />
        {ways.length === 0 ? (
          <p className="mt-2 leading-snug">
            No paint of the tray makes it {SHIFT_WORDS[shift]} at this value, with three paints at most.
          </p>
        ) : (
          <ul aria-label={`Ways to make it ${SHIFT_WORDS[shift]}`} className="mt-2">
            {ways.map((way) => (
              <VariationRow key={way.paint.id} colour={colour} variation={way} />
            ))}
          </ul>
        )}
      </section>
      <section aria-label="As the wash goes">
        <h3 className="font-semibold">Let it change as it goes</h3>
        <p className="quiet mb-2 leading-snug">
          {neighbours.length === 0
            ? "Nothing in the tray changes it without leaving its hue."
            : "Neighbours of one value and hue: drop one in while the wash is wet. Further than this it becomes another colour."}
        </p>
        <ul aria-label="Neighbours of one value">
          {neighbours.map((one) => (
            <VariationRow key={`${one.paint.id} ${one.difference}`} colour={colour} variation={one} />
          ))}
        </ul>
      </section>
      <GroundAdviser colour={colour} />
    </div>
  );
}

/** One area's warmth: other mixes of its value, by what is wanted of it; of a wash of several colours one at a time. */
export function WarmthDetail({ area }: { area: PaintingArea }) {
  const asked = useDesk((s) => s.colourId);
  const [shown, setShown] = useState(asked ?? area.id);
  const colours = useMixedColours().filter(({ areaId }) => areaId === area.id);
  const colour = colours.find(({ id }) => id === shown) ?? colours[0];
  const within = withinWords(colours.flatMap(({ laid }) => laid ?? []));
  if (!colour) return null;
  return (
    <section aria-label="Warmth of this area" className="space-y-3">
      {within && <p className="leading-snug">{within}</p>}
      <ColourTabs area={area} shown={colour.id} onShow={setShown} />
      <WarmthOf key={colour.id} colour={colour} />
    </section>
  );
}
