"use client";

import { useCallback } from "react";
import type { Lab } from "@/core/colour";
import { localDay } from "@/model/day";
import {
  LEARNING_MODEL,
  loggedPaintOf,
  newLogEntry,
  newLoggedMix,
  type LogEntry,
  type LoggedMix,
  type LogKind,
} from "@/model/logbook";
import { useDesk } from "./desk-store";
import type { MixedColour } from "./mixed";
import { useLearned, usePaints } from "./paints";
import { useOpenPainting } from "./open-painting";

/** A colour of the painting with what became of it on paper, if that was read. */
export interface KeptColour {
  readonly colour: MixedColour;
  readonly read?: { readonly lab: Lab; readonly photoId: string };
}

/** Makes entries of the logbook from what lies on the desk: the paints as they are, the mixes as they are predicted. */
export function useLogEntries(): (
  kind: LogKind,
  title: string,
  colours: readonly KeptColour[],
  more?: { readonly paintIds?: readonly string[]; readonly photos?: readonly string[] },
) => LogEntry {
  const { id } = useOpenPainting();
  const paperId = useDesk((s) => s.document.paperId);
  const painting = useDesk((s) => s.document.title);
  const areas = useDesk((s) => s.document.areas);
  const paints = usePaints();
  const learned = useLearned();
  return useCallback(
    (kind, title, colours, { paintIds = [], photos = [] } = {}) => {
      const mixes = colours.flatMap(({ colour, read }): LoggedMix[] => {
        const { recipe, laid, name, overId } = colour;
        if (!recipe) return [];
        const under = areas.find((area) => area.id === overId)?.recipe ?? null;
        return [
          newLoggedMix({
            id: crypto.randomUUID(),
            name,
            parts: recipe.parts,
            waterParts: recipe.waterParts,
            over: under && { parts: under.parts, waterParts: under.waterParts },
            read: read ? { lab: read.lab, by: "sheet", photoId: read.photoId, at: null } : null,
            predicted: read && laid ? { lab: laid.dry, swatches: learned?.swatches ?? 0, model: LEARNING_MODEL } : null,
          }),
        ];
      });
      const named = new Set([
        ...paintIds,
        ...mixes.flatMap(({ parts, over }) => [...parts, ...(over?.parts ?? [])].map(({ paintId }) => paintId)),
      ]);
      return newLogEntry({
        kind,
        title,
        on: localDay(new Date()),
        paperId,
        mixes,
        paints: [...named].flatMap((paintId) => {
          const paint = paints.get(paintId);
          return paint ? [loggedPaintOf(paint)] : [];
        }),
        photos: [...photos],
        painting: { id, title: painting },
      });
    },
    [id, paperId, painting, areas, paints, learned],
  );
}
