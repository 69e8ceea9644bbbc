"use client";

import dynamic from "next/dynamic";
import { useMemo } from "react";
import { describeColour } from "@/core/colour";
import { darkeningPath, darkWays, type DarkWay } from "@/core/darks";
import { loadOfWater, waterOfLoad, waterWords } from "@/core/optics";
import type { PaintingArea } from "@/model/painting";
import { useDesk } from "../desk-store";
import { useMixedColours, type MixedColour } from "../mixed";
import { usePaints } from "../paints";
import { MixRow } from "./mix-row";
import { TooLight } from "./too-light";
import { carriesWords, eatsWords, firstWords, isDark, KIND_NAMES, turningWords, wayWords } from "./words";

const TurningChart = dynamic(() => import("./turning-chart").then(({ TurningChart: chart }) => chart), { ssr: false });

/** The water that gives a way its whole load in one film; how many layers that takes at its size is told beside it. */
const waterOf = ({ waterParts, layers }: DarkWay): number =>
  layers === 1 ? waterParts : waterOfLoad(layers * loadOfWater(waterParts));

function WayRow({ way, colour }: { way: DarkWay; colour: MixedColour }) {
  const paints = usePaints();
  const known = way.parts.flatMap(({ paintId, parts }) => {
    const paint = paints.get(paintId);
    return paint ? [{ paint, parts }] : [];
  });
  const first = firstWords(known.map(({ paint }) => paint));
  const mix = known.map(({ paint, parts }) => ({ paint: paint.model, parts }));
  return (
    <MixRow
      colour={colour}
      laid={{ mix, waterParts: waterOf(way), dry: way.dry }}
      beside={colour.lab}
      spoken={known.map(({ paint }) => paint.name).join(", ")}
      title={KIND_NAMES[way.kind]}
      says={wayWords(way)}
    >
      <p className="quiet text-[0.9rem] leading-snug">
        {way.layers === 2 ? "two layers of " : ""}
        {waterWords(way.waterParts)}, off by {way.difference.toFixed(1)} dE00; {eatsWords(way.paint)}
      </p>
      {first && <p className="text-[0.93rem] leading-snug">{first}</p>}
    </MixRow>
  );
}

function DarkOf({ colour }: { colour: MixedColour }) {
  const palette = useDesk((s) => s.document.palette);
  const paints = usePaints();
  const { lab, areaCm2, ground, laid } = colour;
  const models = useMemo(() => palette.flatMap((id) => paints.get(id)?.model ?? []), [palette, paints]);
  const ways = useMemo(() => darkWays(models, lab, areaCm2, ground), [models, lab, areaCm2, ground]);
  const darkened = ways.find(({ kind }) => kind === "darkener");
  const path = useMemo(() => {
    const [base, darkener] = (darkened?.parts ?? []).map(({ paintId }) => paints.get(paintId));
    if (!darkened || !base || !darkener) return null;
    return {
      name: darkener.name,
      base: base.name,
      ...darkeningPath(base.model, darkener.model, loadOfWater(darkened.waterParts), ground),
    };
  }, [darkened, paints, ground]);
  const value = describeColour(lab).value;
  return (
    <div className="space-y-2">
      <p className="leading-snug">
        Wanted: value <b>{value.toFixed(1)}</b> over {areaCm2} cm². {carriesWords(ways, value)}
      </p>
      {ways.length === 0 ? (
        <p className="leading-snug">
          {models.length === 0
            ? "The tray is empty: lay paints out below."
            : "No paint in the tray makes a dark. Lay a deep blue, red or brown out below."}
        </p>
      ) : (
        <ul aria-label="Ways to a dark">
          {ways.map((way) => (
            <WayRow key={way.kind} way={way} colour={colour} />
          ))}
        </ul>
      )}
      {path && (
        <section aria-label="Where it turns" className="border-t border-(--hairline) pt-3">
          <h3 className="font-semibold">
            {path.base}, and more and more {path.name}
          </h3>
          <p className="mt-1 leading-snug">{turningWords(path.name, path)}</p>
          <TurningChart path={path} darkener={path.name} />
        </section>
      )}
      {laid && <TooLight mix={laid.mix} waterParts={laid.waterParts} paper={ground} />}
    </div>
  );
}

/** One area's darks: the ways to each, compared side by side. */
export function DarkDetail({ area }: { area: PaintingArea }) {
  const darks = useMixedColours().filter(({ areaId, lab }) => areaId === area.id && isDark(lab));
  return (
    <section aria-label="Ways to this dark" className="space-y-3">
      {darks.length === 0 && <p className="leading-snug">This area is lighter than value 4: it is no dark.</p>}
      {darks.map((colour) => (
        <DarkOf key={colour.id} colour={colour} />
      ))}
    </section>
  );
}
