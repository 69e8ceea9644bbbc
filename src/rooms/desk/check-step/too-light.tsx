"use client";

import { useState } from "react";
import { describeColour, screenColourOfLab } from "@/core/colour";
import { cameOut, SQUEEZED } from "@/core/darks";
import { BRUSHES } from "@/core/planning";
import { predict, type MixPart } from "@/core/mixing";
import { loadOfWater, type Paper, type WaterParts } from "@/core/optics";
import { Disclosure } from "@/ui/disclosure";
import { StrengthStrip } from "@/ui/strength-strip";
import { slipWords } from "./words";

const STRIP_WIDTH = 380;
/** A value that is off by no more than this is what it is compared with. From memory. */
const NEAR = 0.25;

interface TooLightProps {
  readonly mix: readonly MixPart[];
  readonly waterParts: WaterParts;
  readonly paper: Paper;
}

function Diagnosis({ mix, waterParts, paper }: TooLightProps) {
  const [brush, setBrush] = useState<number>(BRUSHES[1].number);
  const [squeezed, setSqueezed] = useState<string>(SQUEEZED[1].word);
  const [shown, setShown] = useState<string | null>(null);
  const [got, setGot] = useState<number | null>(null);
  const meant = describeColour(predict(mix, loadOfWater(waterParts), paper).dry).value;
  const { ml: brushMl } = BRUSHES.find(({ number }) => number === brush) ?? BRUSHES[1];
  const { ml: paintMl } = SQUEEZED.find(({ word }) => word === squeezed) ?? SQUEEZED[1];
  const all = cameOut(mix, waterParts, brushMl, paintMl, paper);
  const nearest = got === null ? all : [...all].sort((a, b) => Math.abs(a.value - got) - Math.abs(b.value - got));
  const looked = all.find(({ slip }) => slip === shown) ?? nearest[0]!;
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-end gap-3">
        <label className="label-line">
          Round brush
          <select
            className="select select-sm mt-1 block w-28"
            value={brush}
            onChange={(event) => setBrush(Number(event.target.value))}
          >
            {BRUSHES.map(({ number }) => (
              <option key={number} value={number}>
                no. {number}
              </option>
            ))}
          </select>
        </label>
        <label className="label-line">
          Paint squeezed out
          <select
            className="select select-sm mt-1 block w-32"
            value={squeezed}
            onChange={(event) => setSqueezed(event.target.value)}
          >
            {SQUEEZED.map(({ word }) => (
              <option key={word}>{word}</option>
            ))}
          </select>
        </label>
        <label className="label-line">
          It came out at value
          <input
            type="number"
            className="input input-sm mt-1 block w-24"
            min={0}
            max={10}
            step={0.1}
            placeholder={meant.toFixed(1)}
            value={got ?? ""}
            onChange={(event) => {
              const typed = event.target.valueAsNumber;
              setGot(Number.isFinite(typed) ? Math.min(10, Math.max(0, typed)) : null);
            }}
          />
        </label>
      </div>
      {got !== null && got <= meant && (
        <p role="status" className="leading-snug">
          Value {got.toFixed(1)} is no lighter than it was meant to be, {meant.toFixed(1)}.
        </p>
      )}
      <StrengthStrip mix={mix} paper={paper} waterParts={looked.waterParts} width={STRIP_WIDTH} />
      <ul aria-label="What may have happened">
        {nearest.map((one) => {
          const { name, mend } = slipWords(one.slip);
          return (
            <li key={one.slip} className="border-t border-(--hairline)">
              <button
                type="button"
                aria-pressed={one === looked}
                className={`flex w-full cursor-pointer items-start gap-3 py-2 text-left ${one === looked ? "" : "hover:bg-base-200"}`}
                onClick={() => setShown(one.slip)}
              >
                <span
                  aria-hidden
                  className="mt-0.5 h-9 w-12 shrink-0"
                  style={{ background: screenColourOfLab(one.dry).hex }}
                />
                <span className="leading-snug">
                  <span className="block">
                    <strong className="font-semibold">{name}</strong>: value {one.value.toFixed(1)} instead of{" "}
                    {meant.toFixed(1)}
                    {got !== null && Math.abs(one.value - got) <= NEAR && <em> · as light as yours</em>}
                  </span>
                  <span className="quiet text-[0.93rem]">{mend}</span>
                </span>
              </button>
            </li>
          );
        })}
      </ul>
      <p className="quiet text-[0.87rem] leading-snug">
        What brushes hold, and how much water stays in them, are typical figures from memory; what they do to this mix
        is computed.
      </p>
    </div>
  );
}

/** Why a dark came out lighter than it was planned: each slip with what it makes of this mix. */
export function TooLight(props: TooLightProps) {
  return (
    <Disclosure label="Too light" words="Did it come out too light?" className="border-t border-(--hairline) pt-2">
      <Diagnosis {...props} />
    </Disclosure>
  );
}
