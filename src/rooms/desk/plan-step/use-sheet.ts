"use client";

import { useContext, useEffect, useMemo, useRef, useState } from "react";
import { loadOfWater } from "@/core/optics";
import { coatsOf, liesUnder, meetsWet, type AreaToPlan, type TimedWash } from "@/core/planning";
import { coloursOf } from "@/model/washes";
import type { SheetJob } from "@/workers/photo-api";
import { messageOf } from "@/workers/paint-message";
import { troubleWith } from "@/ui/trouble";
import { useDesk } from "../desk-store";
import { useMixedColours, type MixedColour } from "../mixed";
import { usePaints, usePaper, type KnownPaint } from "../paints";
import { sheetOf, useAreaMap, useFrame, useLook, useMeasured, usePhoto } from "../photo-study";
import { PlanContext } from "./use-plan";

type SheetColour = SheetJob["washes"][number]["colours"][number];
type SheetFilm = SheetColour["under"][number];

/** A colour of a wash as a film: its paints and how heavy one coat is. */
function filmOf({ laid }: MixedColour, load: number, paints: ReadonlyMap<string, KnownPaint>): SheetFilm | null {
  const parts = laid?.mix.flatMap(({ paint, parts: amount }) => {
    const known = paints.get(paint.id);
    return known ? [{ paint: messageOf(known), parts: amount }] : [];
  });
  return parts && parts.length > 0 ? { parts, load } : null;
}

/** Whether most of an area's border is laid wet into wet. */
function isSoft(
  area: AreaToPlan,
  areas: readonly AreaToPlan[],
  borders: readonly { readonly a: number; readonly b: number; readonly length: number; readonly hardness: number }[],
): boolean {
  if (area.edge !== null) return area.edge === "soft";
  let [soft, whole] = [0, 0];
  for (const { a, b, length, hardness } of borders) {
    if (a !== area.label && b !== area.label) continue;
    const other = areas.find(({ label }) => label === (a === area.label ? b : a));
    whole += length;
    if (other && meetsWet(area, other, hardness)) soft += length;
  }
  return soft > whole / 2;
}

/** The washes of a plan as the sheet is drawn with them. */
function useSheetJob(): SheetJob | null {
  const known = useContext(PlanContext);
  const mixed = useMixedColours();
  const documentAreas = useDesk((s) => s.document.areas);
  const study = useDesk((s) => s.document.study);
  const { size } = usePhoto();
  const map = useAreaMap();
  const frame = useFrame();
  const measured = useMeasured();
  const paints = usePaints();
  const paper = usePaper();
  return useMemo(() => {
    if (!known) return null;
    const { plan, areas } = known;
    const byId = new Map(mixed.map((colour) => [colour.id, colour]));
    const draw = (wash: TimedWash): SheetJob["washes"] => {
      const area = documentAreas.find(({ id }) => id === wash.areaId);
      const planned = areas.find(({ id }) => id === wash.areaId);
      if (!area || !planned || area.region === null || wash.colourIds.length === 0) return [];
      /** One coat of a colour, as heavy as it is laid. */
      const coatOf = (id: string): SheetFilm | null => {
        const colour = byId.get(id);
        if (!colour?.laid) return null;
        return filmOf(colour, loadOfWater(coatsOf(plan.washes, id, colour.laid.waterParts).waterParts), paints);
      };
      const colours = wash.colourIds.flatMap((id): SheetColour[] => {
        const film = coatOf(id);
        const photo = coloursOf(area).find((one) => one.id === id)?.lab;
        if (!film || !photo) return [];
        const under = liesUnder(plan.washes, wash, id).flatMap((below) => coatOf(below) ?? []);
        return [{ ...film, photo, under }];
      });
      if (colours.length === 0) return [];
      const over = wash.task === "second" || (byId.get(wash.colourIds[0]!)?.overId ?? null) !== null;
      return [
        {
          label: area.region,
          kind:
            wash.task === "drop"
              ? "drop"
              : over
                ? "over"
                : colours.length === 1
                  ? "flat"
                  : area.wash.kind === "graded"
                    ? "graded"
                    : "varied",
          colours,
          others: coloursOf(area)
            .filter(({ id, drop }) => !wash.colourIds.includes(id) && !drop)
            .map(({ lab }) => lab),
          run: area.wash.run,
          soft: wash.task !== "drop" && !over && isSoft(planned, areas, measured?.borders ?? []),
        },
      ];
    };
    return {
      paperId: paper.id,
      mmPerPx: (10 * sheetOf(study, size).widthCm) / (frame.width * map.width),
      washes: plan.washes.map((wash) => draw(wash)).flat(),
    };
  }, [known, mixed, documentAreas, study, size, map, frame, measured, paints, paper]);
}

/** The sheet as it will look. */
export interface PlannedSheet {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray<ArrayBuffer>;
}

/**
 * The sheet as it will look after so many washes, drawn while that is how the photo is seen; the one before stays until
 * the new one is there. Null while none is known.
 */
export function usePlannedSheet(wanted: boolean): PlannedSheet | null {
  const job = useSheetJob();
  const known = useContext(PlanContext);
  const after = useDesk((s) => s.after);
  const { study } = usePhoto();
  const look = useLook();
  const map = useAreaMap();
  const [sheet, setSheet] = useState<PlannedSheet | null>(null);
  const busy = useRef(false);
  const next = useRef<(() => Promise<void>) | null>(null);
  useEffect(() => {
    if (!wanted || !job || !study || !known) return;
    // What does nothing to the sheet, a mask or a lift, is no wash of the job: counted by what is drawn until then.
    const count = after === null ? job.washes.length : drawnUntil(known.plan.washes, job, after);
    // A slider asks faster than is answered: only the newest question waits.
    next.current = () =>
      study
        .ask("sheet", look, map.labels, { ...job, washes: job.washes.slice(0, count) })
        .then(
          (data) => setSheet({ width: map.width, height: map.height, data }),
          troubleWith("The sheet could not be drawn as planned"),
        );
    const go = async (): Promise<void> => {
      if (busy.current) return;
      busy.current = true;
      while (next.current) {
        const ask = next.current;
        next.current = null;
        await ask();
      }
      busy.current = false;
    };
    void go();
  }, [wanted, job, study, known, look, map, after]);
  return wanted ? sheet : null;
}

/** How many washes of a job are drawn after so many of the plan: masks and lifts leave nothing to draw. */
function drawnUntil(washes: readonly TimedWash[], job: SheetJob, after: number): number {
  const drawn = washes.slice(0, after).filter(({ colourIds }) => colourIds.length > 0).length;
  return Math.min(job.washes.length, drawn);
}
