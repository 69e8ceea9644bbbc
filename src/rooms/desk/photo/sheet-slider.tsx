"use client";

import { useContext } from "react";
import { useDesk } from "../desk-store";
import { PlanContext } from "../plan-step/use-plan";
import { useWashNames } from "../plan-step/wash-names";

/** From the bare sheet to the last drop: after how many washes the sheet is shown, and whether in steps of grey. */
export function SheetSlider() {
  const known = useContext(PlanContext);
  const after = useDesk((s) => s.after);
  const greyed = useDesk((s) => s.greyed);
  const showAfter = useDesk((s) => s.showAfter);
  const showGreyed = useDesk((s) => s.showGreyed);
  const { nameOf } = useWashNames();
  const washes = known?.plan.washes ?? [];
  const at = Math.min(after ?? washes.length, washes.length);
  const says =
    washes.length === 0
      ? "no wash is planned yet"
      : at === 0
        ? "the bare sheet"
        : `after ${nameOf(washes[at - 1]!.key)}, ${at} of ${washes.length}`;
  return (
    <div className="flex min-w-0 items-center gap-4">
      <label className="flex min-w-0 items-center gap-2 whitespace-nowrap">
        <span className="max-w-56 truncate">{says}</span>
        <input
          type="range"
          className="range range-xs w-36 [--range-fill:0] text-(--photo-ink)"
          min={0}
          max={washes.length}
          value={at}
          aria-label="After how many washes"
          aria-valuetext={says}
          onChange={(event) => showAfter(Number(event.target.value))}
        />
      </label>
      <label className="flex cursor-pointer items-center gap-1.5 whitespace-nowrap">
        <input
          type="checkbox"
          className="checkbox checkbox-xs"
          checked={greyed}
          onChange={(event) => showGreyed(event.target.checked)}
        />{" "}
        in values
      </label>
    </div>
  );
}
