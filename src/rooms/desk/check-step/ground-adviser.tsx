"use client";

import { useMemo, useState } from "react";
import { describeColour, type Lab } from "@/core/colour";
import { GROUND_TONES, groundsFor, type GroundTone } from "@/core/grounds";
import { workableLoad } from "@/core/mixing";
import { waterWords } from "@/core/optics";
import { FOCAL_WEIGHT } from "@/model/painting";
import { capital } from "@/model/text";
import { Disclosure } from "@/ui/disclosure";
import { ViewChoice } from "@/ui/view-choice";
import { useDesk } from "../desk-store";
import { colourOf, mainColourOf, useMixedColours, type MixedColour } from "../mixed";
import { usePaints } from "../paints";
import { MixRow } from "./mix-row";
import { liftWords } from "./words";

/** The tone whose value is nearest to what is wanted of the ground. */
const toneOf = (lab: Lab): GroundTone => {
  const { value } = describeColour(lab);
  return value >= 7 ? "light" : value >= 4.7 ? "middle" : "dark";
};

function Grounds({ colour, subject }: { colour: MixedColour; subject: MixedColour }) {
  const palette = useDesk((s) => s.document.palette);
  const paints = usePaints();
  const [tone, setTone] = useState<GroundTone>(toneOf(colour.lab));
  const { areaCm2, ground } = colour;
  const before = colourOf(subject);
  const grounds = useMemo(() => {
    const tray = palette.flatMap((id) => paints.get(id)?.model ?? []);
    return groundsFor(before, tray, workableLoad(areaCm2), ground);
  }, [before, palette, paints, areaCm2, ground]);
  const shown = grounds.filter((one) => one.tone === tone);
  return (
    <div className="space-y-2">
      <p className="quiet leading-snug">
        What lifts {subject.name} if this were its ground or the shadow beside it: by value, temperature and purity.
        Those that lift it most stand first.
      </p>
      <ViewChoice
        label="How light a ground"
        views={GROUND_TONES.map((one) => ({ view: one, name: capital(one) }))}
        shown={tone}
        onShow={setTone}
      />
      {shown.length === 0 ? (
        <p className="leading-snug">No mix of the tray comes down to that value at this size.</p>
      ) : (
        <ul aria-label="Grounds for the subject">
          {shown.map((one) => {
            const spoken = one.mix.map(({ paint }) => paints.get(paint.id)?.name ?? "paint").join(" and ");
            return (
              <MixRow
                key={one.mix.map(({ paint, parts }) => `${paint.id} ${parts}`).join()}
                colour={colour}
                laid={one}
                beside={before}
                names={[subject.name, "the ground"]}
                spoken={`${spoken} as the ground`}
                title={capital(describeColour(one.dry).hueName)}
                says={`${liftWords(one)}; ${waterWords(one.waterParts)}`}
              />
            );
          })}
        </ul>
      )}
    </div>
  );
}

/** Grounds and shadows that lift the focal point, tried in place of one colour. Asked for by a press. */
export function GroundAdviser({ colour }: { colour: MixedColour }) {
  const areas = useDesk((s) => s.document.areas);
  const mixed = useMixedColours();
  const focal = areas.find(({ id, weight }) => weight === FOCAL_WEIGHT && id !== colour.areaId);
  const subject = focal && mainColourOf(mixed, focal.id);
  return (
    <Disclosure
      label="As a ground"
      words="Not decided yet: a ground or shadow for the subject"
      className="border-t border-(--hairline) pt-2"
    >
      {subject ? (
        <Grounds colour={colour} subject={subject} />
      ) : (
        <p className="leading-snug">
          No other area is the focal point: give one that weight in the areas, and grounds are found that lift it.
        </p>
      )}
    </Disclosure>
  );
}
