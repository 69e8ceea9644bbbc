"use client";

import { useEffect, useMemo, useState } from "react";
import { tastesOf } from "@/core/mixing";
import type { ServedPalette } from "@/core/palette";
import type { OtherPalettes as Found } from "@/workers/palette-api";
import { troubleWith } from "@/ui/trouble";
import { listed } from "@/model/text";
import { useDesk } from "../desk-store";
import { characterWords } from "./character-words";
import { PaletteCard, type PaletteActs } from "./palette-card";
import { stockWords } from "./stock-words";
import { useWeighing } from "./weighing";

/** Palettes that are plainly better than the best one in something; null until they are known. */
function useOthers(best: ServedPalette): Found | null {
  const { ready, opened, choice, ask, indicesOf } = useWeighing();
  const mood = useDesk((s) => s.document.rules.mood);
  const [answer, setAnswer] = useState<{ key: string; others: Found } | null>(null);
  const key = JSON.stringify([ready ? opened : 0, best.paints, choice, indicesOf(mood)]);
  useEffect(() => {
    const [now, paints, under, liked] = JSON.parse(key) as [number, number[], typeof choice, number[]];
    if (now === 0) return;
    let stale = false;
    ask("others", paints, under, liked).then(
      (others) => !stale && setAnswer({ key, others }),
      (error: unknown) => !stale && troubleWith("Other palettes could not be weighed")(error),
    );
    return () => {
      stale = true;
    };
  }, [key, ask]);
  return answer?.key === key ? answer.others : null;
}

/** The best few that are really different, each with what it is better in. */
export function OtherPalettes({ best, ...acts }: PaletteActs & { best: ServedPalette }) {
  const found = useOthers(best);
  if (!found) return null;
  return (
    <>
      {found.untasted && <TasteNote best={best} untasted={found.untasted} />}
      <MoodNotes best={best} found={found} onRule={acts.onRule} />
      {found.others.length > 0 && <Others found={found} {...acts} />}
    </>
  );
}

/** Paints that one is in the mood for and that another way decided against: what it would cost to take them. */
function MoodNotes({ best, found, onRule }: Pick<PaletteActs, "onRule"> & { best: ServedPalette; found: Found }) {
  const { paints } = useWeighing();
  return found.withMood.map(({ paint, palette }) => (
    <p key={paint} role="note" aria-label={`With ${paints[paint]!.name}`} className="text-[0.92rem] leading-snug">
      {paints[paint]!.name}, which you are in the mood for, is not among them: with it, off by{" "}
      {palette.error.toFixed(1)} for {best.error.toFixed(1)}.{" "}
      <button type="button" className="btn btn-outline btn-sm ml-1" onClick={() => onRule("must", paints[paint]!.id)}>
        Take it all the same
      </button>
    </p>
  ));
}

/** What taste and stock decided, and what would stand there without them. */
function TasteNote({ best, untasted }: { best: ServedPalette; untasted: ServedPalette }) {
  const { paints, stocks } = useWeighing();
  const tastes = useMemo(() => tastesOf(stocks), [stocks]);
  const words = (palette: ServedPalette, beside: ServedPalette, why: "for" | "against"): string =>
    listed(
      palette.paints
        .filter((p) => !beside.paints.includes(p))
        .map((p) => {
          const reasons = stockWords(stocks[p]!, tastes[p]!, why);
          return `${paints[p]!.name}${reasons.length > 0 ? ` (${listed([...reasons])})` : ""}`;
        }),
    );
  return (
    <p
      role="note"
      aria-label="Taste decided"
      className="border-l-2 border-primary/60 pl-2.5 text-[0.92rem] leading-snug"
    >
      Taste and stock decided: {words(best, untasted, "for")} in place of {words(untasted, best, "against")}, off by{" "}
      {best.error.toFixed(1)} for {untasted.error.toFixed(1)}.
    </p>
  );
}

function Others({ found, ...acts }: PaletteActs & { found: Found }) {
  return (
    <section aria-label="Better in something" className="pt-1">
      <h3 className="font-semibold">Or one that is better in something</h3>
      <ul>
        {found.others.map((other) => {
          const [first, ...more] = other.betterIn.map((character) =>
            characterWords(character, other.figures[character], found.figures[character]),
          );
          return (
            <li key={other.palette.paints.join()} className="space-y-1.5 border-t border-(--hairline) py-2.5">
              <PaletteCard
                {...acts}
                palette={other.palette}
                heading={
                  <p className="leading-snug">
                    <b>{first!.name}</b> <span className="quiet">{first!.figure}</span>
                    {more.map(({ name, figure }) => (
                      <span key={name}>
                        , <b>{name.toLowerCase()}</b> <span className="quiet">{figure}</span>
                      </span>
                    ))}
                  </p>
                }
              />
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Palettes that are nearly as good as the best and mostly like it. */
export function NearCopies({ palettes, ...acts }: PaletteActs & { palettes: readonly ServedPalette[] }) {
  const [open, setOpen] = useState(false);
  if (palettes.length === 0) return null;
  return (
    <section aria-label="Nearly as good">
      <button
        type="button"
        className="cursor-pointer underline underline-offset-2"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {open ? "Only the best" : `The next ${palettes.length} in order`}
      </button>
      {open && (
        <ol className="mt-1.5">
          {palettes.map((palette, i) => (
            <li key={palette.paints.join()} className="space-y-1.5 border-t border-(--hairline) py-2.5">
              <PaletteCard {...acts} palette={palette} heading={<span className="font-semibold">No. {i + 2}</span>} />
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
