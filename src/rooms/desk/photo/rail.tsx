"use client";

import { describeColour } from "@/core/colour";
import { useDesk } from "../desk-store";
import { useRangeLookedAt } from "../reach";
import { useTargets } from "../targets";
import { ValueRail } from "./value-rail";

/** Values of the areas on the rail: what the photo shows, and what is to be painted. */
export function Rail({ height }: { height: number }) {
  const areas = useDesk((s) => s.document.areas);
  const selectedId = useDesk((s) => s.selectedId);
  const select = useDesk((s) => s.select);
  const targets = useTargets();
  const range = useRangeLookedAt();
  const shown = areas.map((area) => ({
    id: area.id,
    name: area.name,
    value: describeColour(targets.get(area.id) ?? area.lab).value,
  }));
  return <ValueRail areas={shown} selectedId={selectedId} range={range} height={height} onSelect={select} />;
}
