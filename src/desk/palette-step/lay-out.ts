"use client";

import { useState } from "react";
import type { StoredRecipe } from "@/model/painting";
import { useDesk } from "../desk-store";
import { useMatcher, useMatchOptions } from "../matcher";
import { usePaints, usePaper } from "../paints";
import { useWantedColours, withHueOf } from "../targets";
import { useBench } from "./bench";

/** Lays a palette in the tray and mixes every area from it, as one step that can be undone. */
export function useLayOut(): { readonly busy: boolean; readonly layOut: (ids: readonly string[]) => void } {
  const matcher = useMatcher();
  const options = useMatchOptions();
  const known = usePaints();
  const paper = usePaper();
  const areas = useDesk((s) => s.document.areas);
  const hues = useDesk((s) => s.document.approach.hues);
  const put = useDesk((s) => s.layOut);
  const wanted = useWantedColours();
  const { ask, indicesOf } = useBench();
  const [busy, setBusy] = useState(false);

  const layOut = (ids: readonly string[]): void => {
    setBusy(true);
    const found = new Map<string, StoredRecipe>();
    const end = (): void => {
      setBusy(false);
      put(ids, found);
    };
    const mixFor = (targets: typeof wanted): void => matcher.ask(
      { targets: areas.map(({ id }, i) => ({ id, lab: targets[i] })), paints: ids.flatMap((id) => known.get(id) ?? []), paperId: paper.id, options: { ...options, ways: 1 } },
      { found: (id, [best]) => best && found.set(id, { parts: [...best.parts], waterParts: best.waterParts }), finished: end, failed: end },
    );
    if (hues !== "free") return mixFor(wanted);
    // With hues free each area takes the hue that the palette serves it best with.
    ask("serve", { palettes: [[...indicesOf(ids)]] }).then(
      ({ palettes: [{ served }] }) => mixFor(wanted.map((target, i) => (served[i]?.made ? withHueOf(target, served[i].made) : target))),
      () => mixFor(wanted),
    );
  };
  return { busy, layOut };
}
