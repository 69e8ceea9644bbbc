import { useMemo } from "react";
import type { Lab } from "@/core/colour";
import { viewing } from "@/core/image";
import { fadedMix, HANGS, type Fading } from "@/core/mixing";
import { loadOfWater, type Paper } from "@/core/optics";
import { laidMix, type LaidMix } from "@/core/variations";
import type { InLight } from "./desk-state";
import { useDesk } from "./desk-store";
import { groundOf, namedParts, usePaints, usePaper } from "./paints";
import { useTargets, useWantedColours, type WantedColour } from "./targets";

/** A colour of a wash with the mix that is chosen for it, as it dries. */
export interface MixedColour extends WantedColour {
  /** Null while it has no recipe, or one whose paint has left the paintbox. */
  readonly laid: LaidMix | null;
  /** The paper, or the dried wash that it is laid over. */
  readonly ground: Paper;
}

/** All colours of all washes as they come out of their recipes. */
export function useMixedColours(): readonly MixedColour[] {
  const wanted = useWantedColours();
  const areas = useDesk((s) => s.document.areas);
  const paints = usePaints();
  const paper = usePaper();
  return useMemo(
    () =>
      wanted.map((colour) => {
        const first = areas.find(({ id }) => id === colour.overId)?.recipe ?? null;
        const ground = groundOf(first, paper, paints);
        const parts = colour.recipe && namedParts(colour.recipe, paints);
        return {
          ...colour,
          ground,
          laid: colour.recipe && parts ? laidMix(parts, colour.recipe.waterParts, ground) : null,
        };
      }),
    [wanted, areas, paints, paper],
  );
}

/** What a colour of a wash will look like: its mix, or what is wanted while there is none. */
export const colourOf = ({ laid, lab }: MixedColour): Lab => laid?.dry ?? lab;

/** What some light makes of a colour's mix; what lies under it stays as it was laid. */
export function afterLight({ laid, lab, ground }: MixedColour, { hangs, years }: InLight, fading: Fading): Lab {
  return laid ? fadedMix(laid.mix, loadOfWater(laid.waterParts), ground, HANGS[hangs] * years, fading) : lab;
}

/** The colour that most of an area is laid with. */
export const mainColourOf = (colours: readonly MixedColour[], areaId: string): MixedColour | null =>
  colours
    .filter((colour) => colour.areaId === areaId)
    .reduce<MixedColour | null>((most, colour) => (colour.weight > (most?.weight ?? 0) ? colour : most), null);

/**
 * The colours that the photo shows its shapes in, by the ids of the washes' colours: those to be painted; in the last
 * step the mixes as they dry, with the one that is looked at before it is taken, or how warm and cool they are.
 */
export function useShownColours(): ReadonlyMap<string, Lab> {
  const targets = useTargets();
  const mixed = useMixedColours();
  const checking = useDesk((s) => s.step === "check");
  const preview = useDesk((s) => s.preview);
  const warmthMap = useDesk((s) => s.warmthMap);
  const inLight = useDesk((s) => s.inLight);
  return useMemo(() => {
    if (!checking) return targets;
    const asShown = (colour: MixedColour): Lab =>
      warmthMap
        ? viewing.warmthLab(colourOf(colour))
        : inLight
          ? afterLight(colour, inLight, "likely")
          : colourOf(colour);
    const shown = new Map(mixed.map((colour) => [colour.id, asShown(colour)]));
    return preview ? shown.set(preview.colourId, preview.dry) : shown;
  }, [checking, targets, mixed, preview, warmthMap, inLight]);
}
