"use client";

import { useContext, useMemo } from "react";
import type { TimedWash } from "@/core/planning";
import { useDesk } from "../desk-store";
import { useMixedColours, type MixedColour } from "../mixed";
import { PlanContext } from "./use-plan";

/** How washes of the plan are called, by their keys. */
export interface WashNames {
  readonly nameOf: (key: string) => string;
  /** The areas that washes belong to, each once. */
  readonly areaNames: (keys: readonly string[]) => readonly string[];
  /** The area's number on the photo, with a letter for a further colour: "3", "3b". */
  readonly markOf: (key: string) => string;
  /** Its colours with their mixes, in their order. */
  readonly coloursOf: (wash: TimedWash) => readonly MixedColour[];
}

/** Names for washes: the area's, or the colour's where a wash is one of several of its area. */
export function useWashNames(): WashNames {
  const plan = useContext(PlanContext)?.plan ?? null;
  const areas = useDesk((s) => s.document.areas);
  const mixed = useMixedColours();
  return useMemo(() => {
    const washes = new Map(plan?.washes.map((wash) => [wash.key, wash]));
    const colours = new Map(mixed.map((colour) => [colour.id, colour]));
    const nameOf = (key: string): string => {
      const wash = washes.get(key);
      const area = areas.find(({ id }) => id === wash?.areaId);
      const colour = wash?.colourIds.length === 1 ? colours.get(wash.colourIds[0]!) : undefined;
      return (wash?.task === "first" ? area?.name : colour?.name) ?? area?.name ?? "a wash";
    };
    return {
      nameOf,
      areaNames: (keys) => [
        ...new Set(keys.map((key) => areas.find(({ id }) => id === washes.get(key)?.areaId)?.name ?? "a wash")),
      ],
      markOf: (key) => {
        const wash = washes.get(key);
        const colour = wash?.task === "first" ? undefined : colours.get(wash?.colourIds[0] ?? "");
        return colour?.mark ?? String(areas.findIndex(({ id }) => id === wash?.areaId) + 1);
      },
      coloursOf: ({ colourIds }) => colourIds.flatMap((id) => colours.get(id) ?? []),
    };
  }, [plan, areas, mixed]);
}
