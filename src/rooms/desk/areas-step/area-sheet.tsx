"use client";

import { Combine, LassoSelect, Minus, Scissors } from "lucide-react";
import { useState } from "react";
import { type AreaMeasure } from "@/core/areas";
import { deltaE00, describeColour, screenColourOfLab, type Lab } from "@/core/colour";
import { EDGES, LIGHTS, PLANES, WEIGHTS, type PaintingArea } from "@/model/painting";
import { useDesk, useDeskStore } from "../desk-store";
import { useEdits } from "../edits-context";
import { AreaName, AreaNav } from "../panel/area-nav";
import { ColourFacts } from "../panel/colour-facts";
import { plainHue } from "../area-names";
import { sheetOf, useDetail, useMeasured, usePhoto } from "../photo-study";
import { useTarget } from "../targets";
import { CharacterChoice } from "./character-choice";
import { WashSection } from "./wash-section";
import { WishChoice } from "./wish-choice";
import { PhotoAndTarget } from "../panel/photo-and-target";

const WORDS = {
  plane: { near: "near", middle: "middle", far: "far" },
  light: { lit: "in the light", shade: "in shade", cast: "cast shadow" },
  edge: { soft: "soft", hard: "hard" },
} as const;
const WEIGHT_WORDS: Readonly<Record<PaintingArea["weight"], string>> = {
  0.5: "in passing",
  1: "like others",
  2: "matters",
  4: "focal point",
};
/** A border this crisp and crisper is called hard (measured, 0 to 1). From memory, tried on the demo. */
const HARD_FROM = 0.45;

function Choice<T extends string | number>({
  name,
  value,
  choices,
  onChoose,
  none,
}: {
  name: string;
  value: T | null;
  choices: readonly (readonly [T, string])[];
  onChoose: (value: T | null) => void;
  none?: string;
}) {
  return (
    <label className="block">
      <span className="label-line block">{name}</span>
      <select
        className="select select-sm w-full"
        value={value === null ? "" : String(value)}
        onChange={(event) => onChoose(choices.find(([one]) => String(one) === event.target.value)?.[0] ?? null)}
      >
        {none !== undefined && <option value="">{none}</option>}
        {choices.map(([one, words]) => (
          <option key={one} value={String(one)}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The colours that the photo shows within the area; any of them can stand for it. */
function Parts({ area, measured }: { area: PaintingArea; measured: AreaMeasure }) {
  const changeArea = useDesk((s) => s.changeArea);
  const parts: readonly (readonly [string, Lab | null])[] = [
    ["mean", measured.mean],
    ["lit side", measured.lit],
    ["shaded side", measured.shaded],
    ["accent", measured.accent],
  ];
  return (
    <div>
      <p className="label-line">In the photo: click the one to paint by</p>
      <div className="mt-1 flex gap-2">
        {parts.map(
          ([name, lab]) =>
            lab && (
              <button
                key={name}
                type="button"
                aria-pressed={deltaE00(lab, area.lab) < 0.2}
                onClick={() => changeArea(area.id, { lab })}
                className={`min-w-0 flex-1 cursor-pointer rounded-field border p-1 text-left ${deltaE00(lab, area.lab) < 0.2 ? "border-base-content" : "border-transparent hover:border-(--hairline)"}`}
              >
                <span className="block h-9" style={{ background: screenColourOfLab(lab).hex }} />
                <span className="mt-0.5 block truncate text-[0.87rem] leading-tight">
                  {name}
                  <span className="quiet block">value {describeColour(lab).value.toFixed(1)}</span>
                </span>
              </button>
            ),
        )}
      </div>
    </div>
  );
}

interface Neighbour {
  readonly area: PaintingArea;
  readonly lengthCm: number;
  readonly hardness: number;
}

function Shape({ area, neighbours }: { area: PaintingArea; neighbours: readonly Neighbour[] }) {
  const edits = useEdits();
  const setLasso = useDesk((s) => s.setLasso);
  const setTool = useDesk((s) => s.setTool);
  const tool = useDesk((s) => s.tool);
  const lasso = useDesk((s) => s.lasso);
  const [other, setOther] = useState("");
  const chosen = neighbours.find(({ area: { id } }) => id === other)?.area ?? neighbours[0]?.area;
  const draw = (use: "add" | "take") => (): void =>
    tool === "lasso" && lasso === use ? setTool("select") : setLasso(use);
  return (
    <section aria-label="Shape" className="space-y-2.5">
      <h3 className="font-semibold">Its shape</h3>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className={`btn btn-sm ${tool === "lasso" && lasso === "add" ? "btn-neutral" : "btn-outline"}`}
          onClick={draw("add")}
        >
          <LassoSelect size={14} /> {area.region === null ? "Draw it" : "Add to it"}
        </button>
        {area.region !== null && (
          <button
            type="button"
            className={`btn btn-sm ${tool === "lasso" && lasso === "take" ? "btn-neutral" : "btn-outline"}`}
            onClick={draw("take")}
          >
            <Minus size={14} /> Take from it
          </button>
        )}
        {area.region !== null && (
          <button
            type="button"
            className="btn btn-outline btn-sm"
            disabled={edits.busy}
            onClick={() => void edits.split(area)}
          >
            <Scissors size={14} /> Split in two
          </button>
        )}
      </div>
      {chosen && (
        <div className="flex items-end gap-2">
          <label className="min-w-0 flex-1">
            <span className="label-line block">Paint it together with</span>
            <select
              className="select select-sm w-full"
              value={chosen.id}
              onChange={(event) => setOther(event.target.value)}
            >
              {neighbours.map(({ area: { id, name } }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </label>
          <button
            type="button"
            className="btn btn-outline btn-sm"
            disabled={edits.busy}
            onClick={() => void edits.merge(area, chosen)}
          >
            <Combine size={14} /> Merge
          </button>
        </div>
      )}
      {edits.words && (
        <p role="alert" className="text-[0.92rem] text-warning">
          {edits.words}
        </p>
      )}
    </section>
  );
}

/** One area in the second step: its shape, its place in the picture, and what is wanted of its colour. */
export function AreaSheet({ area }: { area: PaintingArea }) {
  const { size } = usePhoto();
  const areas = useDesk((s) => s.document.areas);
  const study = useDesk((s) => s.document.study);
  const { changeArea, goTo } = useDeskStore().getState();
  const all = useMeasured();
  const target = useTarget(area);
  const measured = all?.areas.find(({ label }) => label === area.region) ?? null;
  const detail = useDetail(area.region);
  const lifted = useDesk((s) =>
    s.document.plan.reserved.some(({ areaId, how }) => areaId === area.id && how === "lift"),
  );
  const sheet = sheetOf(study, size);
  const neighbours: Neighbour[] = (all?.borders ?? [])
    .filter(({ a, b }) => area.region !== null && (a === area.region || b === area.region))
    .flatMap(({ a, b, length, hardness }) => {
      const other = areas.find(({ region }) => region === (a === area.region ? b : a));
      return other ? [{ area: other, lengthCm: length * sheet.widthCm, hardness }] : [];
    })
    .sort((one, two) => two.lengthCm - one.lengthCm);
  const border = neighbours.reduce((sum, { lengthCm }) => sum + lengthCm, 0);
  const crispness =
    border > 0 ? neighbours.reduce((sum, { lengthCm, hardness }) => sum + lengthCm * hardness, 0) / border : null;

  return (
    <article aria-label={`Area ${areas.indexOf(area) + 1}: ${area.name}`} className="space-y-4 p-6 pt-4">
      <div>
        <AreaNav area={area} />
        <div className="flex gap-4">
          <PhotoAndTarget photo={area.lab} target={target} width="w-28" />
          <div className="min-w-0 flex-1">
            <AreaName key={area.id} area={area} />
            <p className="quiet pl-1">
              {measured
                ? `${(100 * measured.share).toFixed(1)} % of the sheet, ${(measured.share * sheet.widthCm * sheet.heightCm).toFixed(1)} cm²`
                : area.region === null
                  ? "known by one spot of the photo, without a shape"
                  : "Its shape is being measured …"}
            </p>
            {detail && (
              <p className="quiet pl-1 text-[0.9rem] leading-snug">
                fine detail on it: {plainHue(detail.lab)}, {Math.round(100 * detail.share)} %
              </p>
            )}
          </div>
        </div>
      </div>
      <ColourFacts lab={target} />
      <WashSection area={area} />
      {measured && area.wash.kind === "flat" && <Parts area={area} measured={measured} />}
      <section aria-label="Wanted colour" className="space-y-1.5">
        <h3 className="font-semibold">What you want of it</h3>
        <WishChoice
          name={`For ${area.name}`}
          wish={area.wish}
          none="as for all"
          onWish={(wish) => changeArea(area.id, { wish })}
        />
        <CharacterChoice
          name={area.name}
          character={area.character}
          planned={lifted}
          onChange={(character) => changeArea(area.id, { character })}
        />
      </section>
      <section aria-label="Place in the picture" className="grid grid-cols-2 gap-x-4 gap-y-2">
        <Choice
          name="Plane"
          value={area.plane}
          none="not said"
          choices={PLANES.map((one) => [one, WORDS.plane[one]] as const)}
          onChoose={(plane) => changeArea(area.id, { plane })}
        />
        <Choice
          name="Light"
          value={area.light}
          none="not said"
          choices={LIGHTS.map((one) => [one, WORDS.light[one]] as const)}
          onChoose={(light) => changeArea(area.id, { light })}
        />
        <Choice
          name="Edge"
          value={area.edge}
          none={crispness === null ? "not said" : `as in the photo: ${crispness >= HARD_FROM ? "hard" : "soft"}`}
          choices={EDGES.map((one) => [one, WORDS.edge[one]] as const)}
          onChoose={(edge) => changeArea(area.id, { edge })}
        />
        <Choice
          name="Weight"
          value={area.weight}
          choices={WEIGHTS.map((one) => [one, WEIGHT_WORDS[one]] as const)}
          onChoose={(weight) => weight && changeArea(area.id, { weight })}
        />
      </section>
      <Shape area={area} neighbours={neighbours} />
      {neighbours.length > 0 && (
        <section aria-label="Neighbours">
          <h3 className="font-semibold">It touches</h3>
          <p className="quiet text-[0.87rem]">A long common border means wet paint beside wet paint.</p>
          <ul className="mt-1">
            {neighbours.slice(0, 6).map(({ area: other, lengthCm, hardness }) => (
              <li key={other.id} className="flex items-center gap-2 border-t border-(--hairline) py-1">
                <span
                  aria-hidden
                  className="size-4 shrink-0"
                  style={{ background: screenColourOfLab(other.lab).hex }}
                />
                <span className="name-face min-w-0 flex-1 truncate">{other.name}</span>
                <span className="quiet text-[0.87rem] whitespace-nowrap">
                  {lengthCm.toFixed(1)} cm, {hardness >= HARD_FROM ? "hard" : "soft"}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
      <button type="button" className="btn btn-primary btn-sm" onClick={() => goTo("mixes")}>
        Mix it
      </button>
    </article>
  );
}
