"use client";

import { useEffect, useState } from "react";
import type { ServedPalette } from "@/core/palette";
import type { OtherPalettes as Others } from "@/workers/palette-api";
import { troubleWith } from "@/ui/trouble";
import { characterWords } from "./character-words";
import { PaletteCard, type PaletteActs } from "./palette-card";
import { useWeighing } from "./weighing";

/** Palettes that are plainly better than the best one in something; null until they are known. */
function useOthers(best: ServedPalette): Others | null {
  const { ready, opened, choice, ask } = useWeighing();
  const [answer, setAnswer] = useState<{ key: string; others: Others } | null>(null);
  const key = JSON.stringify([ready ? opened : 0, best.paints, choice]);
  useEffect(() => {
    const [now, paints, under] = JSON.parse(key) as [number, number[], typeof choice];
    if (now === 0) return;
    let stale = false;
    ask("others", paints, under).then(
      (others) => !stale && setAnswer({ key, others }),
      troubleWith("Other palettes could not be weighed"),
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
  if (!found || found.others.length === 0) return null;
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
