"use client";

import { useMemo } from "react";
import { outlinesOf } from "@/core/areas";
import { describeColour } from "@/core/colour";
import { washStrengthOf, waterWords } from "@/core/optics";
import { brushFor, coatsOf, squeezedCm } from "@/core/planning";
import { paintsTaken } from "@/model/paint-uses";
import type { PrintedPlan } from "@/model/printed-plan";
import { CAUTIONS } from "@/ui/caution";
import { useToday } from "@/ui/use-today";
import { useDesk } from "../desk-store";
import { colourOf, mainColourOf, useMixedColours } from "../mixed";
import { namedParts, usePaints, usePaper } from "../paints";
import { sheetOf, useAreaMap, usePhoto } from "../photo-study";
import { mindWords } from "./mind-words";
import { puddleSteps } from "./puddle-words";
import { isTube, useAmounts } from "./use-amounts";
import { usePlan } from "./use-plan";
import { useWashNames } from "./wash-names";
import { brushWords, squeezedWords, TASK_WORDS } from "./words";

/** Places in the photo are kept to so many parts. */
const FINE = 2000;

const strengthWords = (waterParts: number): string => `${washStrengthOf(waterParts).word} (${waterWords(waterParts)})`;

/** How strong each coat of a colour is, and how many there are, in words. */
export const coatsWords = ({ coats, waterParts }: ReturnType<typeof coatsOf>): string =>
  `${strengthWords(waterParts)}${coats > 1 ? `, ${coats} coats` : ""}`;

/** How many of the paints are measured, and what that means. */
const trustWords = (measured: number, all: number): string =>
  measured === all
    ? "All of these paints are measured."
    : `${measured === 0 ? "None of these paints is measured: only their labels are" : `${measured} of these ${all} paints ${measured === 1 ? "is" : "are"} measured; of the others only the label is`} known, and makers differ by up to twice in strength: test first.`;

/** For which paper, sheet and air it is planned, in words. */
export function useMadeFor(): string {
  const paper = usePaper();
  const study = useDesk((s) => s.document.study);
  const plan = useDesk((s) => s.document.plan);
  const { size } = usePhoto();
  const { widthCm, heightCm } = sheetOf(study, size);
  return `for ${paper.name}, ${plan.weightGsm} g/m², ${Math.round(widthCm)} × ${Math.round(heightCm)} cm, at ${plan.temperatureC} °C and ${Math.round(100 * plan.humidity)} % humidity`;
}

/** The plan with everything said in words, as it is printed and kept as data. */
export function usePrinted(): PrintedPlan {
  const { plan } = usePlan();
  const { puddles, needs } = useAmounts();
  const names = useWashNames();
  const mixed = useMixedColours();
  const areas = useDesk((s) => s.document.areas);
  const title = useDesk((s) => s.document.title);
  const palette = useDesk((s) => s.document.palette);
  const paints = usePaints();
  const map = useAreaMap();
  const { row } = usePhoto();
  const madeFor = useMadeFor();
  const today = useToday();
  return useMemo(() => {
    const taken = paintsTaken({ palette, areas }).flatMap((id) => paints.get(id) ?? []);
    const measured = taken.filter((paint) => paint.measured).length;
    const byId = new Map(mixed.map((colour) => [colour.id, colour]));
    return {
      title,
      photoId: row.id,
      on: today,
      madeFor,
      trust: `${trustWords(measured, taken.length)} Films, drying and what brushes hold are usual figures from memory.`,
      outlines: outlinesOf(map)
        .filter(({ sides }) => Math.max(...sides) > 0)
        .map(({ points, closed }) => {
          const line = Array.from(
            points,
            (at, i) => Math.round((FINE * at) / (i % 2 === 0 ? map.width : map.height)) / FINE,
          );
          return closed ? [...line, line[0]!, line[1]!] : line;
        })
        .filter((line) => line.length >= 4),
      marks: areas.map(({ id, name, sample, lab }, i) => {
        const main = mainColourOf(mixed, id);
        return {
          mark: String(i + 1),
          name,
          x: sample.x,
          y: sample.y,
          value: describeColour(main ? colourOf(main) : lab).value,
          of: main?.laid ? ("dry" as const) : ("wanted" as const),
        };
      }),
      palette: taken.map(({ name, codes, measured: known }) => ({ name, codes, measured: known !== null })),
      puddles: puddles.map((puddle) => ({
        parts: puddle.parts.map(({ name, parts: own }) => ({ name, parts: own })),
        from: puddle.from,
        mixedMl: puddle.well.stock.ml,
        waterMl: puddle.well.stock.waterMl,
        brush: brushWords(puddle.brush),
        steps: [...puddleSteps(puddle)],
        serves: puddle.serves.map(
          ({ colour, waterParts, coats }) => `${colour.mark} ${colour.name}: ${coatsWords({ waterParts, coats })}`,
        ),
      })),
      washes: plan.washes.map((wash) => ({
        startMin: wash.start,
        minutes: wash.minutes,
        dryMin: wash.dryMinutes,
        waitMin: wash.waits,
        mark: names.markOf(wash.key),
        name: names.nameOf(wash.key),
        task: TASK_WORDS[wash.task],
        areaCm2: wash.areaCm2,
        brush: wash.colourIds.length > 0 ? brushWords(brushFor(wash.areaCm2)) : "",
        mixes: wash.colourIds.flatMap((id) => {
          const colour = byId.get(id);
          const parts = colour?.recipe && namedParts(colour.recipe, paints);
          if (!colour?.laid || !parts) return [];
          const { waterParts } = coatsOf(plan.washes, id, colour.laid.waterParts);
          return [
            { parts: parts.map(({ name, parts: own }) => ({ name, parts: own })), strength: strengthWords(waterParts) },
          ];
        }),
        mind: mindWords(wash, plan, names),
      })),
      totalMin: plan.minutes,
      paints: needs.map(({ paint, ml }) => ({
        name: paint.name,
        ml,
        out: isTube(paint) ? squeezedWords(squeezedCm(ml)) : "off the pan",
      })),
      cautions: [CAUTIONS.pigments, ...(plan.washes.some(({ task }) => task === "mask") ? [CAUTIONS.masking] : [])],
    };
  }, [plan, puddles, needs, names, mixed, areas, title, palette, paints, map, row, madeFor, today]);
}
