"use client";

import { FileUp } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { patchOfSpectrum, type MeasuredPatch } from "@/core/calibration";
import { type Lab } from "@/core/colour";
import { decodeText, labUnderD65, LAB_WHITES, readMeasuredColours, type LabWhite } from "@/core/formats";
import { whyUnread } from "@/model/file-words";
import type { Numbers } from "./draft";
import { useMeasure } from "./measure-store";
import { BeginAnew, OnePaintFields, OnePaintResult, useOnePaint } from "./one-paint";
import { placeWords, USUAL_PLACES } from "./swatch-places";

type Typed = Readonly<Record<keyof Lab, string>>;
const LIMITS: Readonly<Record<keyof Lab, readonly [number, number]>> = { L: [0, 100], a: [-128, 128], b: [-128, 128] };
const MOST_BYTES = 4 * 1024 * 1024;

const numberOf = (text: string): number => (text.trim() === "" ? NaN : Number(text.trim().replace(",", ".")));

/** What is wrong with a typed colour, in words; null for none or for a place left empty. */
function faultOf(typed: Typed): string | null {
  const filled = (["L", "a", "b"] as const).filter((axis) => typed[axis].trim() !== "");
  if (filled.length === 0) return null;
  for (const axis of filled) {
    const value = numberOf(typed[axis]);
    if (!Number.isFinite(value)) return `${axis}* is no number.`;
    const [least, most] = LIMITS[axis];
    if (value < least || value > most) return `${axis}* lies between ${least} and ${most}.`;
  }
  return filled.length < 3 ? "L*, a* and b* are all needed." : null;
}

/** Measuring without a picture: colours typed as L*, a*, b*, or read from a CSV or CGATS file. */
export function ByNumbers({ start }: { start: string | null }) {
  const [one, setOne] = useOnePaint(start);
  const { white, typed, file, from, leftOut } = useMeasure((s) => s.numbers);
  const setNumbers = useMeasure((s) => s.setNumbers);
  const set = (change: Partial<Numbers>): void => {
    // What is typed is of the paint that stands above it, also when the room is opened for another one.
    setOne({ paintId: one.paint?.id ?? null });
    setNumbers(change);
  };
  const [fault, setFault] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const sources = useMemo(
    () =>
      USUAL_PLACES.flatMap((place, index): { index: number; patch: MeasuredPatch }[] => {
        const { what, swatch, waterParts } = place;
        const out = leftOut.includes(index);
        const colour = file?.colours[from[index]!];
        if (colour?.reflectance)
          return [
            {
              index,
              patch: {
                ...patchOfSpectrum(what, swatch, waterParts, Float64Array.from(colour.reflectance)),
                leftOut: out,
              },
            },
          ];
        const text = typed[index]!;
        const lab =
          colour?.lab ??
          (faultOf(text) === null && text.L.trim() !== ""
            ? { L: numberOf(text.L), a: numberOf(text.a), b: numberOf(text.b) }
            : null);
        return lab ? [{ index, patch: { what, swatch, waterParts, lab: labUnderD65(lab, white), leftOut: out } }] : [];
      }),
    [file, from, typed, white, leftOut],
  );
  const patches = useMemo(() => sources.map(({ patch }) => patch), [sources]);
  const spectral = file?.colours.some(({ reflectance }) => reflectance) ?? false;
  const open = async (chosen: File): Promise<void> => {
    setFault(null);
    try {
      if (chosen.size > MOST_BYTES)
        throw new RangeError(
          "The file is over 4 MB. Measurements of a few swatches are much smaller; choose another one.",
        );
      const read = readMeasuredColours(decodeText(new Uint8Array(await chosen.arrayBuffer())));
      if (read.colours.length === 0) throw new RangeError("The file holds no colours.");
      // With as many colours as places they stand for all of them in order, with fewer for the washes first.
      const first = read.colours.length >= USUAL_PLACES.length ? 0 : 1;
      set({
        file: {
          name: chosen.name,
          colours: read.colours.map((colour) => ({
            ...colour,
            reflectance: colour.reflectance && [...colour.reflectance],
          })),
        },
        white: read.white,
        from: USUAL_PLACES.map((_, i) => (i >= first && i - first < read.colours.length ? i - first : -1)),
      });
    } catch (error) {
      setFault(whyUnread(error, "The file could not be read as a table of colours."));
    }
  };
  return (
    <div className="mx-auto max-w-5xl space-y-5 px-6 py-6">
      <OnePaintFields one={one} onChange={setOne} />
      <section aria-label="Colours" className="space-y-2">
        <div className="flex items-center gap-4">
          <button
            type="button"
            className="btn border-(--hairline) bg-base-100 btn-sm"
            onClick={() => input.current?.click()}
          >
            <FileUp size={15} /> CSV or CGATS file
          </button>
          <input
            ref={input}
            type="file"
            accept=".csv,.txt,.ti3,.cgats,.tsv,text/plain,text/csv"
            className="hidden"
            aria-label="File of measured colours"
            tabIndex={-1}
            onChange={(event) => {
              const chosen = event.target.files?.[0];
              if (chosen) void open(chosen);
              event.target.value = "";
            }}
          />
          {file && (
            <span>
              {file.name}: {file.colours.length} {spectral ? "spectra" : "colours"}{" "}
              <button type="button" className="btn btn-ghost btn-xs" onClick={() => set({ file: null })}>
                put away
              </button>
            </span>
          )}
          {!spectral && (
            <label className="ml-auto flex items-center gap-2">
              <span>The numbers are relative to</span>
              <select
                className="select select-sm w-24"
                value={white}
                onChange={(event) => set({ white: event.target.value as LabWhite })}
              >
                {LAB_WHITES.map((name) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
            </label>
          )}
        </div>
        {fault && (
          <p role="alert" className="text-error">
            {fault}
          </p>
        )}
        <p className="quiet">
          {file
            ? "Say which colour of the file is which swatch."
            : "Type what your meter shows. Two washes are the least; the black line tells how opaque the paint is; bare paper makes it surer."}
        </p>
        <table className="text-left">
          <thead>
            <tr className="label-line">
              <th className="w-64 font-normal">swatch</th>
              {file ? (
                <th className="font-normal">from the file</th>
              ) : (
                <>
                  <th className="font-normal">L*</th>
                  <th className="font-normal">a*</th>
                  <th className="font-normal">b*</th>
                </>
              )}
              <th />
            </tr>
          </thead>
          <tbody>
            {USUAL_PLACES.map((place, index) => {
              const words = placeWords(place);
              const wrong = file ? null : faultOf(typed[index]!);
              return (
                <tr key={words}>
                  <th scope="row" className="py-0.5 font-normal whitespace-pre">
                    {words}
                  </th>
                  {file ? (
                    <td>
                      <select
                        className="select select-xs w-52"
                        aria-label={`Colour of ${words}`}
                        value={from[index]}
                        onChange={(event) =>
                          set({ from: from.map((one1, i) => (i === index ? Number(event.target.value) : one1)) })
                        }
                      >
                        <option value={-1}>none</option>
                        {file.colours.map(({ name }, i) => (
                          <option key={i} value={i}>
                            {name}
                          </option>
                        ))}
                      </select>
                    </td>
                  ) : (
                    (["L", "a", "b"] as const).map((axis) => (
                      <td key={axis} className="pr-2">
                        <input
                          className="input input-xs w-20"
                          inputMode="decimal"
                          autoComplete="off"
                          aria-label={`${words}, ${axis}*`}
                          aria-invalid={wrong !== null}
                          value={typed[index]![axis]}
                          onChange={(event) =>
                            set({
                              typed: typed.map((row, i) =>
                                i === index ? { ...row, [axis]: event.target.value } : row,
                              ),
                            })
                          }
                        />
                      </td>
                    ))
                  )}
                  <td className="pl-2">
                    {wrong && (
                      <span role="alert" className="text-[0.87rem] text-error">
                        {wrong}
                      </span>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </section>
      <BeginAnew one={one} start={start} />
      <OnePaintResult
        one={one}
        patches={patches}
        way={file ? "file" : "typed colours"}
        onToggle={(at) => {
          const { index } = sources[at]!;
          set({ leftOut: leftOut.includes(index) ? leftOut.filter((i) => i !== index) : [...leftOut, index] });
        }}
      />
    </div>
  );
}
