"use client";

import { useMemo } from "react";
import type { Lab } from "@/core/colour";
import { workableLoad } from "@/core/mixing";
import { mixMud } from "@/core/mud";
import type { Paper } from "@/core/optics";
import type { AreaColour } from "@/model/washes";
import { mixWarningKey } from "../check-step/warnings";
import { causeWords } from "../check-step/words";
import { useDesk } from "../desk-store";
import { namedParts, usePaints } from "../paints";

interface MudNoteProps {
  readonly colour: AreaColour;
  readonly target: Lab;
  /** What it is laid on. */
  readonly ground: Paper;
  /** Size of the wash, 0 where it is not known. */
  readonly areaCm2: number;
}

/** Tells that the recipe in use goes dull, and where the way out stands. */
export function MudNote({ colour, target, ground, areaCm2 }: MudNoteProps) {
  const paints = usePaints();
  const palette = useDesk((s) => s.document.palette);
  const meant = useDesk((s) => s.document.study.meant);
  const goTo = useDesk((s) => s.goTo);
  const showCheck = useDesk((s) => s.showCheck);
  const { recipe, id } = colour;
  const mud = useMemo(() => {
    const mix = recipe && namedParts(recipe, paints);
    const tray = palette.flatMap((paintId) => paints.get(paintId)?.model ?? []);
    return recipe && mix ? mixMud(mix, recipe.waterParts, target, tray, workableLoad(areaCm2), ground) : null;
  }, [recipe, paints, palette, target, areaCm2, ground]);
  if (!mud || meant.includes(mixWarningKey(id))) return null;
  return (
    <p role="note" className="mt-3 flex items-center gap-3 leading-snug">
      <span className="flex-1">
        It comes out greyer by {mud.lost.toFixed(0)}: {causeWords(mud, paints.get(mud.paint.id)?.name ?? "a paint")}
      </span>
      <button
        type="button"
        className="btn btn-outline btn-sm"
        onClick={() => {
          goTo("check");
          showCheck("mud");
        }}
      >
        The way out
      </button>
    </p>
  );
}
