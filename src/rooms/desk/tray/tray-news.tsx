"use client";

import { useEffect, useState } from "react";
import type { ServedPalette } from "@/core/palette";
import { useDesk, useDeskStore } from "../desk-store";
import { useWeighing, useServed } from "../palette-step/weighing";
import { changeOf, changeWords } from "../palette-step/words";
import { usePaints } from "../paints";

const same = (one: readonly string[], two: readonly string[]): boolean =>
  one.length === two.length && one.every((id) => two.includes(id));

/** The tray before its last change, however that came about; null before any. */
function usePaletteBefore(): readonly string[] | null {
  const store = useDeskStore();
  const [before, setBefore] = useState<readonly string[] | null>(null);
  useEffect(
    () =>
      store.subscribe(({ document: { palette } }, { document: { palette: last } }) => {
        if (!same(last, palette)) setBefore(last);
      }),
    [store],
  );
  return before;
}

/** What the last change of the palette, or the one that is thought of, gains and loses. */
export function TrayNews() {
  const palette = useDesk((s) => s.document.palette);
  const tried = useDesk((s) => s.tried);
  const step = useDesk((s) => s.step);
  const { opened } = useWeighing();
  const before = usePaletteBefore();
  const from = tried ? palette : before;
  const to = tried ?? palette;
  const served = useServed(from ? [from, to] : [palette]);
  const known = served.flatMap((one) => one ?? []);
  if (step !== "palette" || palette.length === 0) return null;
  return (
    <p
      role="status"
      aria-label="What the change does"
      className="mb-1.5 h-6 truncate border-b border-(--hairline) pb-1.5 text-[0.93rem] leading-tight"
    >
      {known.length === served.length && opened > 0 && (
        <News from={from} to={to} served={known} tried={tried !== null} />
      )}
    </p>
  );
}

/** The news in words; without a change, how the palette does. */
function News({
  from,
  to,
  served,
  tried,
}: {
  from: readonly string[] | null;
  to: readonly string[];
  served: readonly ServedPalette[];
  tried: boolean;
}) {
  const paints = usePaints();
  const { areaNames } = useWeighing();
  const nameOf = (id: string): string => paints.get(id)?.name ?? "a paint that is gone";
  const come = from ? to.filter((id) => !from.includes(id)).map(nameOf) : [];
  const go = from ? from.filter((id) => !to.includes(id)).map(nameOf) : [];
  const [before, after = before] = served;
  if (come.length + go.length === 0 || before!.served.length === 0)
    return <>The areas are off by {after!.error.toFixed(1)} with this palette.</>;
  const what =
    come.length > 2 || go.length > 2
      ? "This palette"
      : come.length > 0 && go.length > 0
        ? `${come.join(" and ")} for ${go.join(" and ")}`
        : come.length > 0
          ? `With ${come.join(" and ")}`
          : `Without ${go.join(" and ")}`;
  return (
    <>
      <span className="font-semibold">
        {what}: off by {after!.error.toFixed(1)}
      </span>
      , {tried ? "now" : "was"} {before!.error.toFixed(1)}. {changeWords(changeOf(before!, after!, areaNames))}
    </>
  );
}
