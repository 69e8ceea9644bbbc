"use client";

import { useMemo, useState } from "react";
import { type MeasuredPatch } from "@/core/calibration";
import { paperById } from "@/core/optics";
import type { MeasuringWay, NewMeasurement, StoredPatch } from "@/model/measurement";
import type { StockedPaint } from "@/storage/ports";
import { localDay } from "@/model/day";
import { PaintPicker } from "@/ui/paint-picker";
import { PatchPairs } from "@/ui/patch-pairs";
import { Strip } from "@/ui/strip";
import { PaperOptions } from "@/ui/paper-options";
import { FitResult } from "./fit-result";
import { holdsSomething, useMeasure, type MeasureState } from "./measure-store";
import { codesOf, modelNow, useRoom } from "./room";
import { useFit } from "./use-row-fits";

const today = (): string => localDay(new Date());

/** Which paint is measured, on what paper, on which day. */
export interface OnePaint {
  readonly paint: StockedPaint | null;
  readonly paperId: string;
  readonly on: string;
}

export function useOnePaint(start: string | null): readonly [OnePaint, (change: Partial<MeasureState["one"]>) => void] {
  const { paints } = useRoom();
  const chosen = useMeasure((s) => s.one);
  const setOne = useMeasure((s) => s.setOne);
  const id = chosen.paintId ?? start ?? paints[0]?.id;
  const paint = paints.find((one) => one.id === id) ?? null;
  return [{ paint, paperId: chosen.paperId, on: chosen.on ?? today() }, setOne];
}

/** A patch as it is kept. */
export const storedPatchOf = (patch: MeasuredPatch | null): StoredPatch | null =>
  patch && {
    ...patch,
    cutOff: patch.cutOff && [...patch.cutOff],
    reflectance: patch.reflectance && [...patch.reflectance],
  };

/** Puts away what was typed and read, once there is something: the room shows it again until then. */
export function BeginAnew({ one: { paint }, start }: { one: OnePaint; start: string | null }) {
  const { paints } = useRoom();
  const something = useMeasure(holdsSomething);
  const beginAnew = useMeasure((s) => s.beginAnew);
  if (!something) return null;
  const asked = start !== paint?.id && paints.find(({ id }) => id === start);
  return (
    <p className="quiet">
      {asked
        ? `These are of ${paint?.name ?? "a paint that is gone"}, and not put away yet. `
        : "What stands here is kept in this browser until you put it away. "}
      <button type="button" className="btn btn-ghost btn-xs" onClick={beginAnew}>
        {asked ? `Put them away and measure ${asked.name}` : "Begin with empty places"}
      </button>
    </p>
  );
}

/** Chooses paint, paper and day. */
export function OnePaintFields({ one, onChange }: { one: OnePaint; onChange: ReturnType<typeof useOnePaint>[1] }) {
  const { paints } = useRoom();
  const paper = paperById(one.paperId);
  const pickable = useMemo(
    () =>
      paints.map((paint) => ({
        id: paint.id,
        name: paint.name,
        detail: codesOf(paint),
        search: paint.maker,
        model: modelNow(paint),
      })),
    [paints],
  );
  return (
    <section aria-label="Paint and paper" className="grid grid-cols-[1fr_17rem_9rem] items-end gap-4">
      <div>
        <span className="label-line block">Paint</span>
        <PaintPicker
          title="Which paint is measured?"
          paints={pickable}
          paper={paper}
          closeOnPick
          className="btn border-(--hairline) bg-base-100 btn-sm h-auto justify-start gap-3 py-1"
          onPick={(paintId) => onChange({ paintId })}
        >
          {one.paint ? (
            <>
              <Strip
                mix={[{ paint: modelNow(one.paint), parts: 1 }]}
                paper={paper}
                width={90}
                height={22}
                label={one.paint.name}
              />
              <span className="name-face">{one.paint.name}</span>
              <span className="label-line">{codesOf(one.paint)}</span>
            </>
          ) : (
            "choose a paint"
          )}
        </PaintPicker>
      </div>
      <label>
        <span className="label-line block">Paper</span>
        <select
          className="select select-sm w-full"
          value={one.paperId}
          onChange={(event) => onChange({ paperId: event.target.value })}
        >
          <PaperOptions />
        </select>
      </label>
      <label>
        <span className="label-line block">Measured on</span>
        <input
          type="date"
          className="input input-sm w-full"
          value={one.on}
          max={today()}
          onChange={(event) => event.target.value && onChange({ on: event.target.value })}
        />
      </label>
    </section>
  );
}

/** The fit to what has been measured so far, and the button that keeps it. */
export function OnePaintResult({
  one,
  patches,
  way,
  onToggle,
}: {
  one: OnePaint;
  patches: readonly MeasuredPatch[];
  way: MeasuringWay;
  onToggle: (index: number) => void;
}) {
  const fit = useFit(one.paint, patches, one.paperId);
  const key = JSON.stringify([one.paint?.id, one.paperId, one.on, patches]);
  const [kept, setKept] = useState<string | null>(null);
  const measurement = useMemo(
    (): NewMeasurement | null =>
      one.paint && {
        paintId: one.paint.id,
        on: one.on,
        way,
        paperId: one.paperId,
        photoId: null,
        cardId: null,
        patches: patches.flatMap((patch) => storedPatchOf(patch) ?? []),
      },
    [one.paint, one.on, one.paperId, way, patches],
  );
  if (!one.paint || !measurement || patches.length === 0) return null;
  return (
    <section aria-label="What the fit makes of it" className="max-w-2xl space-y-3">
      <PatchPairs patches={patches} fitted={fit && !("refused" in fit) ? fit.fitted : null} onToggle={onToggle} />
      <p className="label-line">
        Left what was measured, right what the fit makes of it, with the difference in dE00. Press one to leave it out.
      </p>
      {fit && "refused" in fit && (
        <p role="alert" className={patches.length < 3 ? "quiet" : "text-error"}>
          {fit.refused}
        </p>
      )}
      {fit && !("refused" in fit) && (
        <FitResult
          paint={one.paint}
          fit={fit}
          measurement={measurement}
          kept={kept === key}
          onKept={() => setKept(key)}
          stripWidth={300}
        />
      )}
    </section>
  );
}
