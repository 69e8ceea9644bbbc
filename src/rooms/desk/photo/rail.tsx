"use client";

import { useMemo } from "react";
import { describeColour } from "@/core/colour";
import { valueRange } from "@/core/mixing";
import { useDesk } from "../desk-store";
import { usePaints, usePaper } from "../paints";
import { useLookedAt } from "../reach";
import { useTargets } from "../targets";
import { ValueRail } from "./value-rail";

/** Values of the areas on the rail: what the photo shows, and what is to be painted. */
export function Rail({ height }: { height: number }) {
  const areas = useDesk((s) => s.document.areas);
  const palette = useLookedAt();
  const selectedId = useDesk((s) => s.selectedId);
  const select = useDesk((s) => s.select);
  const paints = usePaints();
  const paper = usePaper();
  const targets = useTargets();
  const range = useMemo(
    () =>
      valueRange(
        palette.flatMap((id) => paints.get(id)?.model ?? []),
        paper,
      ),
    [palette, paints, paper],
  );
  const shown = areas.map((area) => ({
    id: area.id,
    name: area.name,
    value: describeColour(targets.get(area.id) ?? area.lab).value,
  }));
  return <ValueRail areas={shown} selectedId={selectedId} range={range} height={height} onSelect={select} />;
}
