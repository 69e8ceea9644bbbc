"use client";

import { useEffect, useMemo, useState } from "react";
import { describeColour } from "@/core/colour";
import { valueRange } from "@/core/mixing";
import { loadOfWater } from "@/core/optics";
import { DOES_NOTHING, type PaletteWorth, type Saving, type ServedPalette, type Wished } from "@/core/palette";
import { pigmentById } from "@/core/pigments";
import { tellTrouble, troubleWith } from "@/ui/trouble";
import { Strip } from "@/ui/strip";
import { listed } from "@/model/text";
import { useDesk } from "../desk-store";
import { useMeasured } from "../photo-study";
import { usePaintUses, usesOf } from "../uses";
import { usePaper, type KnownPaint } from "../paints";
import { useWantedColours } from "../targets";
import { useWeighing } from "./weighing";
import { areasWord, FAIR, firstOf, paintsWord } from "./words";

type Weighed = PaletteWorth & { readonly savings: readonly Saving[] };

/** What a palette's paints are worth, and the mixing that convenience colours at hand would save. */
function useWeighed(): Weighed | null {
  const { opened, ready, ask, indicesOf, paints, choosable } = useWeighing();
  const palette = useDesk((s) => s.document.palette);
  const [answer, setAnswer] = useState<Weighed | null>(null);
  const convenience = choosable.filter((p) => paints[p]!.pigments.length > 1);
  const key = JSON.stringify([ready ? opened : 0, indicesOf(palette), convenience]);
  useEffect(() => {
    const [now, own, mixed] = JSON.parse(key) as [number, number[], number[]];
    if (now === 0 || own.length === 0) return;
    let stale = false;
    ask("weigh", own, mixed).then(
      (found) => !stale && setAnswer(found),
      troubleWith("The tray's paints could not be weighed"),
    );
    return () => {
      stale = true;
    };
  }, [key, ask]);
  return answer;
}

/**
 * For what the whole box doesn't reach: a pigment to wish for, or to let it go. Asked for when wanted, since it tries
 * the handbook.
 */
function useWishes(served: ServedPalette): {
  wishes: readonly (Wished & { target: number })[] | null;
  look: () => void;
  busy: boolean;
} {
  const { ask, ready, choosable } = useWeighing();
  const [found, setFound] = useState<{ of: ServedPalette; wishes: readonly (Wished & { target: number })[] } | null>(
    null,
  );
  const [busy, setBusy] = useState(false);
  const look = (): void => {
    if (!ready) return;
    setBusy(true);
    ask("serve", [[...choosable]])
      .then(async ([all]) => {
        const targets = all!.served.flatMap(({ ideal }, t) => (ideal >= FAIR ? [t] : []));
        const wishes = await ask(
          "wish",
          [...choosable],
          targets,
          targets.map((t) => all!.served[t]!.ideal),
        );
        setFound({ of: served, wishes: wishes.map((wish, i) => ({ ...wish, target: targets[i]! })) });
      })
      .catch((error: unknown) => {
        setFound(null);
        tellTrouble("The handbook could not be tried", error);
      })
      .finally(() => setBusy(false));
  };
  return { wishes: found?.wishes ?? null, look, busy };
}

/** Shares of all the paint that the recipes take, by paint. */
function useAmounts(): ReadonlyMap<string, number> {
  const areas = useDesk((s) => s.document.areas);
  const measured = useMeasured();
  return useMemo(() => {
    const amounts = new Map<string, number>();
    let all = 0;
    for (const { recipe, share } of areas.flatMap((area) => usesOf(area, measured))) {
      const total = recipe.parts.reduce((sum, { parts }) => sum + parts, 0);
      for (const { paintId, parts } of recipe.parts) {
        const amount = (share * loadOfWater(recipe.waterParts) * parts) / total;
        amounts.set(paintId, (amounts.get(paintId) ?? 0) + amount);
        all += amount;
      }
    }
    return new Map([...amounts].map(([id, amount]) => [id, all > 0 ? amount / all : 0]));
  }, [areas, measured]);
}

/** Why this palette, as a painter would say it. */
function whyWords(
  own: readonly KnownPaint[],
  weighed: Weighed,
  served: ServedPalette,
  areaNames: readonly string[],
  darkest: number,
): string {
  const busy = weighed.paints
    .map((one, i) => ({ ...one, name: own[i]?.name ?? "" }))
    .sort((a, b) => b.targets.length - a.targets.length);
  const carries = busy
    .filter(({ targets }) => targets.length > 0)
    .slice(0, 2)
    .map(
      ({ name, targets }) =>
        `${name} carries ${firstOf(
          targets.map((t) => areaNames[t]!),
          3,
        )}`,
    );
  const alone = busy
    .filter(({ hanging }) => hanging.length > 0)
    .sort((a, b) => b.hanging[0]!.worse - a.hanging[0]!.worse)[0];
  const poor = served.served.flatMap(({ ideal }, t) => (ideal >= FAIR ? (areaNames[t] ?? []) : []));
  return [
    `${carries.join("; ")}.`,
    alone
      ? `Nothing else makes ${firstOf(
          alone.hanging.map(({ target }) => areaNames[target]!),
          2,
        )} but ${alone.name}.`
      : "No area hangs on a single paint.",
    `The darks go down to value ${darkest.toFixed(1)}.`,
    poor.length > 0 ? `It leaves ${firstOf(poor, 3)} short.` : "It leaves no area short.",
  ].join(" ");
}

/** Every paint earns its well: what each does, what hangs on it, what is one too many, what would help. */
export function Worth({ served }: { served: ServedPalette }) {
  const { paints, areaNames, indicesOf } = useWeighing();
  const palette = useDesk((s) => s.document.palette);
  const removeFromPalette = useDesk((s) => s.removeFromPalette);
  const addToPalette = useDesk((s) => s.addToPalette);
  const paper = usePaper();
  const weighed = useWeighed();
  const amounts = useAmounts();
  const wanted = useWantedColours();
  const uses = usePaintUses();
  const { wishes, look, busy } = useWishes(served);
  const own = indicesOf(palette).flatMap((p) => paints[p] ?? []);
  const range = useMemo(
    () =>
      valueRange(
        own.map(({ model }) => model),
        paper,
      ),
    [own, paper],
  );
  if (
    !weighed ||
    weighed.paints.length !== own.length ||
    weighed.paints.some(({ paint }, i) => paints[paint] !== own[i])
  )
    return (
      <p role="status" className="quiet">
        Weighing each paint …
      </p>
    );
  const nameOf = (p: number): string => paints[p]!.name;
  return (
    <section aria-label="What each paint earns" className="space-y-2">
      <p className="leading-snug">
        <span className="font-semibold">In the tray, off by {served.error.toFixed(1)}. Why these?</span>{" "}
        {whyWords(own, weighed, served, areaNames, range.darkest)}
      </p>
      <ul>
        {weighed.paints.map(({ paint, targets, loss, hanging }) => {
          const known = paints[paint]!;
          const amount = amounts.get(known.id) ?? 0;
          const nothing = loss < DOES_NOTHING;
          // What the chosen mixes take of it is told as the tray tells it, whatever could be mixed without.
          const inUse = uses.get(known.id)?.length ?? 0;
          return (
            <li
              key={known.id}
              className="grid grid-cols-[76px_minmax(0,1fr)_auto] items-center gap-x-3 border-t border-(--hairline) py-1.5"
            >
              <Strip mix={[{ paint: known.model, parts: 1 }]} paper={paper} width={76} height={17} label={known.name} />
              <div className="min-w-0">
                <p className="name-face truncate leading-tight">{known.name}</p>
                <p
                  className="label-line leading-snug"
                  title={firstOf(
                    targets.map((t) => areaNames[t]!),
                    60,
                  )}
                >
                  {targets.length > 0
                    ? areasWord(targets.length)
                    : inUse > 0
                      ? `in the mixes of ${inUse}, not needed for them`
                      : "unused"}
                  {amount >= 0.005 && ` · ${Math.round(100 * amount)} % of the paint`}
                  {hanging.length > 0 &&
                    ` · ${firstOf(
                      hanging.map(({ target }) => areaNames[target]!),
                      2,
                    )} ${hanging.length > 1 ? "hang" : "hangs"} on it`}
                </p>
              </div>
              {nothing ? (
                <button
                  type="button"
                  className="btn btn-outline btn-xs"
                  title={
                    inUse > 0
                      ? "Others at hand mix the same; the mixes that take it are told at the foot of the step"
                      : "Without it hardly anything is lost"
                  }
                  onClick={() => removeFromPalette(known.id)}
                >
                  {targets.length === 0 && inUse === 0 ? "does nothing" : "not missed"}: take out
                </button>
              ) : (
                <span className="text-[0.9rem]" title="Mean error that its absence adds">
                  {Number.isFinite(loss) ? `worth ${loss.toFixed(1)}` : "the only one"}
                </span>
              )}
            </li>
          );
        })}
      </ul>
      {weighed.sameJob.map(([p, q]) => (
        <p key={`${p} ${q}`} className="text-[0.9rem] leading-snug">
          Of {nameOf(p)} and {nameOf(q)} one is enough: either stands in for the other here.
        </p>
      ))}
      {weighed.savings[0] && (
        <p className="text-[0.9rem] leading-snug">
          {nameOf(weighed.savings[0].paint)}, ready mixed, would save most mixing:{" "}
          {paintsWord(weighed.savings[0].fewer)} fewer to mix for{" "}
          {firstOf(
            weighed.savings[0].targets.map((t) => areaNames[t]!),
            3,
          )}
          .{" "}
          <button
            type="button"
            className="btn btn-ghost btn-xs"
            onClick={() => addToPalette(paints[weighed.savings[0]!.paint]!.id)}
          >
            Lay it out too
          </button>
        </p>
      )}
      {wishes === null ? (
        <button type="button" className="btn btn-ghost btn-xs -ml-2" disabled={busy} onClick={look}>
          {busy ? "Trying the handbook …" : "What does no paint at hand reach?"}
        </button>
      ) : wishes.length === 0 ? (
        <p className="text-[0.9rem] leading-snug" role="status">
          The paints at hand reach every area: nothing need be bought.
        </p>
      ) : (
        <ul className="text-[0.9rem] leading-snug" role="status">
          {wishes.map(({ target, pigmentId, error }) => (
            <li key={target}>
              {pigmentId ? (
                <>
                  No mix at hand is right for {areaNames[target]}: wish for {pigmentById(pigmentId).name} (
                  {pigmentById(pigmentId).code}); with it, off by {error.toFixed(1)}.
                </>
              ) : (
                <>
                  Nothing reaches {areaNames[target]}, off by {error.toFixed(1)}, and no pigment of the handbook helps
                  enough: let it go, paint it{" "}
                  {describeColour(wanted[target]!.lab).value < 4
                    ? "as dark as the palette goes"
                    : "duller or at another value"}
                  .
                </>
              )}
            </li>
          ))}
        </ul>
      )}
      {weighed.paints.some(({ loss }) => loss < DOES_NOTHING) && (
        <p className="label-line">
          {listed(weighed.paints.filter(({ loss }) => loss < DOES_NOTHING).map(({ paint }) => nameOf(paint)))} could
          stay in the box: each alone is missed by less than {DOES_NOTHING}.
        </p>
      )}
    </section>
  );
}
