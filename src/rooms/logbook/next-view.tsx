"use client";

import { useState } from "react";
import { screenColourOfLab } from "@/core/colour";
import { waterWords } from "@/core/optics";
import { nextSwatchesUrl } from "@/model/addresses";
import type { ToPaintNext } from "@/model/next-swatches";
import { partsWord } from "@/ui/recipe-bar";
import { useAnswer } from "@/ui/use-answer";
import { predictedIn, useBook } from "./book";

const read = (json: unknown): ToPaintNext => json as ToPaintNext;

/** The swatches that would make one painting surest, or the whole box; each can be put down as an entry. */
export function NextView({
  onNote,
}: {
  /** Notes the swatches as an entry to be painted, for a painting or for none. */
  onNote: (next: ToPaintNext, painting: { id: string; title: string } | null) => void;
}) {
  const book = useBook();
  const { titles, paints, learned } = book;
  const [paintingId, setPaintingId] = useState<string>(titles[0]?.id ?? "");
  const asked = useAnswer(nextSwatchesUrl(paintingId || null), String(learned?.swatches ?? 0), read);
  const painting = titles.find(({ id }) => id === paintingId);
  const nameOf = (id: string): string => paints.get(id)?.name ?? "a paint that is gone";
  return (
    <section aria-label="What to paint next" aria-busy={asked.state === "asking"} className="max-w-4xl space-y-4">
      <p className="quiet max-w-2xl leading-snug">
        Of all swatches that could be painted in five minutes, the few that make the mixes surest.
      </p>
      <label className="block w-80 max-w-full">
        <span className="label-line block">For</span>
        <select
          className="select select-sm w-full"
          value={paintingId}
          onChange={(event) => setPaintingId(event.target.value)}
        >
          {titles.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
          <option value="">the whole box</option>
        </select>
      </label>
      {asked.state === "failed" && (
        <p role="alert" className="text-error">
          {asked.message}
        </p>
      )}
      {asked.state === "asking" && <p className="quiet">Weighing what each would tell …</p>}
      {asked.state === "there" && asked.answer.mixes === 0 && (
        <p className="name-face text-xl">
          No mix is chosen yet: the palette step lays out the mixes that swatches are for.
        </p>
      )}
      {asked.state === "there" && asked.answer.mixes > 0 && (
        <>
          <p className="text-[1.1rem] leading-snug">
            {asked.answer.mixes === 1 ? "Its one mix is" : `Its ${asked.answer.mixes} mixes are`} missed by dE00{" "}
            <b>{asked.answer.now.toFixed(1)}</b> as it stands
            {asked.answer.swatches.length > 0 && (
              <>
                , by <b>{asked.answer.swatches.at(-1)!.after.toFixed(1)}</b> once{" "}
                {asked.answer.swatches.length === 1 ? "this is" : "these are"} painted
              </>
            )}
            <span className="quiet"> (half of them by less)</span>.
          </p>
          {asked.answer.swatches.length === 0 && <p>No swatch would make them noticeably surer. Paint the picture.</p>}
          <ol className="space-y-1">
            {asked.answer.swatches.map((swatch, i) => {
              const colour = predictedIn(swatch, { paints: [], paperId: asked.answer.paperId }, book);
              return (
                <li key={i} className="flex gap-4 border-t border-(--hairline) py-3">
                  <span
                    aria-hidden
                    className="h-14 w-20 shrink-0"
                    style={colour ? { background: screenColourOfLab(colour).hex } : undefined}
                  />
                  <div className="min-w-0 flex-1">
                    <p className="name-face text-[1.2rem] leading-tight">
                      {swatch.parts
                        .map(({ paintId, parts }) =>
                          swatch.parts.length === 1 ? nameOf(paintId) : `${partsWord(parts)} ${nameOf(paintId)}`,
                        )
                        .join(" + ")}
                    </p>
                    <p className="leading-snug">
                      {waterWords(swatch.waterParts)}
                      {swatch.over &&
                        `, over ${swatch.over.parts.map(({ paintId }) => nameOf(paintId)).join(" and ")}, dry`}
                    </p>
                    <p className="quiet leading-snug">
                      {swatch.surer
                        .filter(({ before, after }) => before - after > 0.05)
                        .map(({ name, before, after }) => `${name} from ${before.toFixed(1)} to ${after.toFixed(1)}`)
                        .join("; ")}
                    </p>
                  </div>
                  <p className="shrink-0 text-right leading-snug">
                    all to <b>{swatch.after.toFixed(1)}</b>
                  </p>
                </li>
              );
            })}
          </ol>
          {asked.answer.swatches.length > 0 && (
            <button
              type="button"
              className="btn btn-primary btn-sm"
              onClick={() => onNote(asked.answer, painting ?? null)}
            >
              Put {asked.answer.swatches.length === 1 ? "it" : "these"} down as an entry
            </button>
          )}
        </>
      )}
    </section>
  );
}
