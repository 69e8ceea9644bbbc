import { useMemo } from "react";
import type { AreasMeasured } from "@/core/areas";
import { SHORTEST_MEETING } from "@/core/colour";
import { farthestPointSample, workableLoad } from "@/core/mixing";
import { meetingMud, mixMud, type MeetingMud, type MixMud } from "@/core/mud";
import { loadOfWater } from "@/core/optics";
import { meetsWet } from "@/core/planning";
import type { PaintModel } from "@/core/mixing";
import type { PaintingArea } from "@/model/painting";
import { coloursOf } from "@/model/washes";
import { useDesk } from "../desk-store";
import { useMixedColours, type MixedColour } from "../mixed";
import { usePaints, usePaper, useProposed } from "../paints";
import { useMeasured } from "../photo-study";

type AreaBorder = AreasMeasured["borders"][number];

/** Something that would go dull. `key` names it where the painter overrules it. */
export type Warning = { readonly key: string; readonly lost: number } & (
  | { readonly kind: "mix"; readonly colour: MixedColour; readonly mud: MixMud }
  | { readonly kind: "meeting"; readonly one: MixedColour; readonly two: MixedColour; readonly mud: MeetingMud }
  | {
      readonly kind: "lifting";
      readonly over: readonly { readonly first: MixedColour; readonly colour: MixedColour }[];
    }
  | { readonly kind: "water"; readonly clean: MixedColour; readonly dark: MixedColour }
);

/** Paints that hold less than this lift under a second wash (ui/property-words.ts). From memory. */
const LIFTS_BELOW = 0.4;
/** A tint so light and pure shows what a dirty well leaves in it: Munsell value, chroma. From memory. */
const CLEAN = { value: 7, chroma: 15 } as const;
const DARK_VALUE = 4;
/** Of a large box so many paints, the most different, are tried where the tray knows no way out. */
const MOST_ASKED = 30;

/** What a warning of a colour's mix is overruled by. */
export const mixWarningKey = (colourId: string): string => `mix ${colourId}`;

/** Of two washes the colours that lie nearest each other in the photo. */
function nearest(
  one: readonly MixedColour[],
  two: readonly MixedColour[],
  at: ReadonlyMap<string, { readonly x: number; readonly y: number }>,
): readonly [MixedColour, MixedColour] | null {
  let best: readonly [MixedColour, MixedColour] | null = null;
  let least = Infinity;
  for (const a of one)
    for (const b of two) {
      const [p, q] = [at.get(a.id)!, at.get(b.id)!];
      const away = Math.hypot(p.x - q.x, p.y - q.y);
      if (away < least) [best, least] = [[a, b], away];
    }
  return best;
}

/** What of a plan would go dull, worst first; ways out from the tray, or failing that from the box. */
export function warningsOf(
  colours: readonly MixedColour[],
  areas: readonly PaintingArea[],
  borders: readonly AreaBorder[],
  tray: readonly PaintModel[],
  box: readonly PaintModel[],
): readonly Warning[] {
  const found: Warning[] = [];
  const lifting: { first: MixedColour; colour: MixedColour }[] = [];
  for (const colour of colours) {
    const { laid, lab, areaCm2, ground } = colour;
    if (!laid) continue;
    const mudWith = (paints: readonly PaintModel[]): MixMud | null =>
      mixMud(laid.mix, laid.waterParts, lab, paints, workableLoad(areaCm2), ground);
    const inTray = mudWith(tray);
    // What the tray can't mend, a paint that lies in the box may.
    const mud = inTray && !inTray.wayOut ? mudWith(box) : inTray;
    if (mud) found.push({ kind: "mix", key: mixWarningKey(colour.id), colour, mud, lost: mud.lost });
    const first = colours.find(({ id }) => id === colour.overId);
    if (!first?.laid) continue;
    const total = first.laid.mix.reduce((sum, { parts }) => sum + parts, 0);
    const holds = first.laid.mix.reduce((sum, { paint, parts }) => sum + (paint.staining * parts) / total, 0);
    if (holds < LIFTS_BELOW) lifting.push({ first, colour });
  }
  if (lifting.length > 0) found.push({ kind: "lifting", key: "lifting", over: lifting, lost: 0 });
  const at = new Map(areas.flatMap((area) => coloursOf(area).map((colour) => [colour.id, colour.at] as const)));
  const wet = (area: PaintingArea): readonly MixedColour[] =>
    colours.filter(({ areaId, laid, overId }) => areaId === area.id && laid && overId === null);
  for (const border of borders) {
    const [a, b] = [border.a, border.b].map((label) => areas.find(({ region }) => region === label));
    if (!a || !b || border.length < SHORTEST_MEETING || !meetsWet(a, b, border.hardness)) continue;
    const pair = nearest(wet(a), wet(b), at);
    if (!pair) continue;
    const [one, two] = pair;
    const [p, q] = [one.laid!, two.laid!].map(({ mix, waterParts }) => ({ mix, load: loadOfWater(waterParts) }));
    const mud = meetingMud(p!, q!, one.ground);
    if (mud)
      found.push({ kind: "meeting", key: `meeting ${[a.id, b.id].sort().join(" ")}`, one, two, mud, lost: mud.lost });
  }
  const clean = colours.find(({ laid }) => laid && laid.value >= CLEAN.value && laid.chroma >= CLEAN.chroma);
  const dark = colours.find(({ laid }) => laid && laid.value < DARK_VALUE);
  if (clean && dark) found.push({ kind: "water", key: "water", clean, dark, lost: 0 });
  return found.sort((one, two) => two.lost - one.lost);
}

/** Areas that a warning concerns. */
export const concerns = (warning: Warning, areaId: string): boolean =>
  (warning.kind === "mix" && warning.colour.areaId === areaId) ||
  (warning.kind === "meeting" && (warning.one.areaId === areaId || warning.two.areaId === areaId)) ||
  (warning.kind === "lifting" && warning.over.some(({ colour }) => colour.areaId === areaId));

/** What of this painting would go dull. */
export function useWarnings(): readonly Warning[] {
  const colours = useMixedColours();
  const areas = useDesk((s) => s.document.areas);
  const palette = useDesk((s) => s.document.palette);
  const paints = usePaints();
  const atHand = useProposed();
  const paper = usePaper();
  const measured = useMeasured();
  return useMemo(() => {
    const tray = palette.flatMap((id) => paints.get(id)?.model ?? []);
    const box = farthestPointSample(
      atHand.map(({ model }) => model),
      MOST_ASKED,
      paper,
    );
    return warningsOf(colours, areas, measured?.borders ?? [], tray, box);
  }, [colours, areas, palette, paints, atHand, paper, measured]);
}
