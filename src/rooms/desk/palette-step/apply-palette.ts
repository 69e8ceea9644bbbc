"use client";

import { createContext, createElement, useContext, useState, type ReactNode } from "react";
import type { Lab } from "@/core/colour";
import { useDesk } from "../desk-store";
import { mixColours, useMatcher, useMatchOptions } from "../matcher";
import { laidWash, usePaints, usePaper } from "../paints";
import { useWantedColours, withHueOf } from "../targets";
import { useWeighing } from "./weighing";
import { staysFor } from "@/model/washes";

/** Laying a palette out: under way, why the last one was not, and how to begin. */
export interface ApplyingPalette {
  readonly busy: boolean;
  readonly fault: string | null;
  readonly applyPalette: (ids: readonly string[]) => void;
}

const ApplyingContext = createContext<ApplyingPalette | null>(null);

/** Lays palettes out for the whole desk: what is under way goes on while another step is looked at. */
export function ApplyingProvider({ children }: { children: ReactNode }) {
  return createElement(ApplyingContext.Provider, { value: useApplying() }, children);
}

/** Laying a palette out on this desk. */
export function useApplyPalette(): ApplyingPalette {
  const applying = useContext(ApplyingContext);
  if (!applying) throw new Error("Only usable on the desk.");
  return applying;
}

/**
 * Lays a palette in the tray and mixes every colour of every wash from it, as one step that can be undone; if the
 * mixing fails, nothing is changed.
 */
function useApplying(): ApplyingPalette {
  const matcher = useMatcher();
  const known = usePaints();
  const paper = usePaper();
  const hues = useDesk((s) => s.document.approach.hues);
  const put = useDesk((s) => s.layOut);
  const wanted = useWantedColours();
  const { ask, ready, indicesOf, paints: weighed } = useWeighing();
  const options = useMatchOptions(weighed);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string | null>(null);

  const mixFor = (ids: readonly string[], targets: readonly Lab[]): void => {
    const own = new Set(ids);
    const pinned = wanted.filter(({ recipe }) => staysFor(recipe, own));
    const standing = new Map(
      pinned.flatMap(({ id, recipe }) => {
        const wash = recipe && laidWash(recipe, known);
        return wash ? [[id, wash] as const] : [];
      }),
    );
    mixColours(
      matcher,
      wanted
        .map(({ id, overId, areaCm2, character }, i) => ({ id, overId, areaCm2, character, lab: targets[i]! }))
        .filter((_, i) => !pinned.includes(wanted[i]!)),
      { paints: ids.flatMap((id) => known.get(id) ?? []), paperId: paper.id, options },
      standing,
      (recipe) => laidWash(recipe, known),
      {
        progress: () => {},
        finished: (found) => {
          setBusy(false);
          put(ids, found);
        },
        failed: (message) => {
          setBusy(false);
          setFault(`The palette was not laid out, since its mixes could not be found: ${message}`);
        },
      },
    );
  };
  const applyPalette = (ids: readonly string[]): void => {
    setBusy(true);
    setFault(null);
    const own = wanted.map(({ lab }) => lab);
    if (hues !== "free" || !ready) return mixFor(ids, own);
    // With hues free each area takes the hue that the palette serves it best with; failing that, its own.
    ask("serve", [[...indicesOf(ids)]]).then(
      ([found]) =>
        mixFor(
          ids,
          own.map((target, i) => {
            const made = found?.served[i]?.made;
            return made ? withHueOf(target, made) : target;
          }),
        ),
      () => mixFor(ids, own),
    );
  };
  return { busy, fault, applyPalette };
}
