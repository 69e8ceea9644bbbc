"use client";

import { useState } from "react";
import { keepInside, MAX_ANGLE_DEGREES, wholePhoto, widestFrame } from "@/core/image";
import { SmoothSlider } from "@/ui/smooth-slider";
import { useDesk, useDeskStore } from "../desk-store";
import { sheetOf, useFrame, usePhoto } from "../photo-study";

interface Format {
  readonly name: string;
  readonly longCm: number;
  readonly shortCm: number;
}

const INCH_CM = 2.54;
/** Sheets as they are sold: imperial and its parts, ISO 216, and common blocks. From memory. */
const FORMATS: readonly Format[] = [
  { name: "Full imperial", longCm: 76, shortCm: 56 },
  { name: "Half imperial", longCm: 56, shortCm: 38 },
  { name: "Quarter imperial", longCm: 38, shortCm: 28 },
  { name: "Eighth imperial", longCm: 28, shortCm: 19 },
  { name: "A3", longCm: 42, shortCm: 29.7 },
  { name: "A4", longCm: 29.7, shortCm: 21 },
  { name: "A5", longCm: 21, shortCm: 14.8 },
  { name: "Block 40 × 30", longCm: 40, shortCm: 30 },
  { name: "Block 31 × 23", longCm: 31, shortCm: 23 },
  { name: "Square 20 × 20", longCm: 20, shortCm: 20 },
];

type Unit = "cm" | "in";
const inUnit = (cm: number, unit: Unit): number => Math.round((unit === "in" ? cm / INCH_CM : cm) * 100) / 100;

function Length({ label, cm, unit, onKeep }: { label: string; cm: number; unit: Unit; onKeep: (cm: number) => void }) {
  const [fault, setFault] = useState<string | null>(null);
  const keep = (text: string): void => {
    const typed = Number(text.replace(",", "."));
    const found = unit === "in" ? typed * INCH_CM : typed;
    if (!(found >= 2 && found <= 300))
      setFault(`${label}: between ${inUnit(2, unit)} and ${inUnit(300, unit)} ${unit}.`);
    else {
      setFault(null);
      if (Math.abs(found - cm) > 0.004) onKeep(found);
    }
  };
  return (
    <label className="block">
      <span className="label-line block">
        {label}, {unit}
      </span>
      <input
        key={`${cm} ${unit}`}
        className="input input-sm w-24"
        inputMode="decimal"
        defaultValue={inUnit(cm, unit)}
        aria-invalid={fault !== null}
        onBlur={(event) => keep(event.target.value)}
        onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
      />
      {fault && (
        <span role="alert" className="block max-w-32 text-[0.87rem] text-error">
          {fault}
        </span>
      )}
    </label>
  );
}

/** The sheet: its size, the part of the photo that it takes in, and how the photo is straightened. */
export function Sheet() {
  const { size } = usePhoto();
  const frame = useFrame();
  const study = useDesk((s) => s.document.study);
  const tool = useDesk((s) => s.tool);
  const { changeStudy, setTool } = useDeskStore().getState();
  const { temporal } = useDeskStore();
  const sheet = sheetOf(study, size);
  const unit = study.sheet?.unit ?? "cm";
  const lying = sheet.widthCm >= sheet.heightCm;
  const format = FORMATS.find(
    ({ longCm, shortCm }) =>
      Math.abs(Math.max(sheet.widthCm, sheet.heightCm) - longCm) < 0.06 &&
      Math.abs(Math.min(sheet.widthCm, sheet.heightCm) - shortCm) < 0.06,
  );

  /** Lays a sheet of a size over the photo, as large as it was. */
  const lay = (widthCm: number, heightCm: number, nextUnit = unit): void => {
    const aspect = widthCm / heightCm;
    const reshaped = { ...frame, aspect };
    const width = study.frame
      ? Math.min(widestFrame(reshaped, size), Math.sqrt((frame.width * frame.width * aspect) / frame.aspect))
      : widestFrame(reshaped, size);
    changeStudy({ sheet: { widthCm, heightCm, unit: nextUnit }, frame: keepInside({ ...reshaped, width }, size) });
  };
  const turn = (angleDegrees: number): void => {
    // A turned sheet keeps its size if it can, and grows back to it when the turn is taken back.
    const full = !study.frame || frame.width >= widestFrame(frame, size) - 1e-6;
    const turned = { ...frame, angleDegrees };
    changeStudy({ frame: keepInside({ ...turned, width: full ? widestFrame(turned, size) : frame.width }, size) });
  };
  const share = (frame.width * frame.width * size.width) / frame.aspect / size.height;

  return (
    <section aria-label="Sheet" className="space-y-3">
      <h3 className="font-semibold">The sheet</h3>
      <div className="flex items-end gap-3">
        <label className="block min-w-0 flex-1">
          <span className="label-line block">Format</span>
          <select
            className="select select-sm w-full"
            value={study.sheet ? (format?.name ?? "own") : "photo"}
            onChange={(event) => {
              const chosen = FORMATS.find(({ name }) => name === event.target.value);
              if (chosen) lay(lying ? chosen.longCm : chosen.shortCm, lying ? chosen.shortCm : chosen.longCm);
              else if (event.target.value === "photo") changeStudy({ sheet: null, frame: null });
            }}
          >
            <option value="photo">As the photo</option>
            {FORMATS.map(({ name, longCm, shortCm }) => (
              <option key={name} value={name}>
                {name} · {longCm} × {shortCm} cm
              </option>
            ))}
            <option value="own" disabled>
              A size of your own
            </option>
          </select>
        </label>
        <button type="button" className="btn btn-outline btn-sm" onClick={() => lay(sheet.heightCm, sheet.widthCm)}>
          {lying ? "Stand it up" : "Lay it down"}
        </button>
      </div>
      <div className="flex items-end gap-3">
        <Length label="Width" cm={sheet.widthCm} unit={unit} onKeep={(cm) => lay(cm, sheet.heightCm)} />
        <Length label="Height" cm={sheet.heightCm} unit={unit} onKeep={(cm) => lay(sheet.widthCm, cm)} />
        <fieldset className="flex h-8 items-center gap-3">
          <legend className="sr-only">Unit</legend>
          {(["cm", "in"] as const).map((one) => (
            <label key={one} className="flex cursor-pointer items-center gap-1.5">
              <input
                type="radio"
                name="unit"
                className="radio radio-xs radio-primary"
                checked={unit === one}
                onChange={() => changeStudy({ sheet: { ...sheet, unit: one }, frame })}
              />{" "}
              {one}
            </label>
          ))}
        </fieldset>
      </div>
      <div className="flex items-center gap-3">
        <button
          type="button"
          className={`btn btn-sm ${tool === "crop" ? "btn-primary" : "btn-outline"}`}
          onClick={() => setTool(tool === "crop" ? "sample" : "crop")}
        >
          {tool === "crop" ? "Done" : "Place the sheet"}
        </button>
        <label className="flex min-w-0 flex-1 items-center gap-2">
          <span className="quiet">straighten</span>
          <SmoothSlider
            history={temporal}
            className="range range-xs min-w-0 flex-1 [--range-fill:0]"
            min={-15}
            max={15}
            step={0.1}
            value={frame.angleDegrees}
            aria-label="Straighten"
            aria-valuetext={`${frame.angleDegrees.toFixed(1)} degrees`}
            onSlide={(degrees) => turn(Math.max(-MAX_ANGLE_DEGREES, Math.min(MAX_ANGLE_DEGREES, degrees)))}
          />
          <span className="w-11 text-right">{frame.angleDegrees.toFixed(1)}°</span>
        </label>
      </div>
      <p className="quiet text-[0.87rem]">
        {study.frame && (share < 0.995 || frame.angleDegrees !== 0) ? (
          <>
            The sheet takes in {Math.round(100 * share)} % of the photo.{" "}
            <button
              type="button"
              className="link"
              onClick={() =>
                changeStudy({
                  frame: study.sheet ? keepInside({ ...wholePhoto(size), aspect: frame.aspect }, size) : null,
                })
              }
            >
              As much as fits
            </button>
          </>
        ) : (
          "The sheet takes in the whole photo."
        )}
      </p>
    </section>
  );
}
