"use client";

import { useMemo } from "react";
import { compareColours } from "@/core/colour";
import { HANDS, paintModel, predict } from "@/core/mixing";
import { loadOfWater, PAPERS, paperById } from "@/core/optics";
import type { StoredLogEntry } from "@/model/logbook";
import { JudgingPair } from "@/ui/judging-pair";
import { Strip } from "@/ui/strip";
import { codesOf, modelIn, paintOf, useBook } from "./book";
import { agreementWords, HAND_KNOWN_FROM, habitWords } from "./words";

/** Water at which a paint as learned is held beside what its label promises. */
const BESIDE_WATER = 3;
const paper = PAPERS[0];

const percent = (x: number): string => `${Math.round(100 * x)} %`;

/** Every paint of the book: as the label has it and as its swatches have it. */
function Paints({ entries }: { entries: readonly StoredLogEntry[] }) {
  const book = useBook();
  const { learned } = book;
  const rows = useMemo(() => {
    const all = { paints: entries.flatMap(({ document }) => document.paints) };
    return Object.entries(learned?.paints ?? {})
      .flatMap(([id, { miss, swatches }]) => {
        const paint = paintOf(id, all, book);
        const own = modelIn(id, all, book, "");
        if (!paint || !own) return [];
        const label = paintModel(id, paint.pigments, paint.tintingStrength);
        const [before, after] = [label, own].map(
          (model) => predict([{ paint: model, parts: 1 }], loadOfWater(BESIDE_WATER), paper).dry,
        );
        return [{ id, paint, own, before: before!, after: after!, miss, swatches: swatches ?? 0 }];
      })
      .sort((a, b) => a.miss - b.miss);
  }, [entries, book, learned]);
  return (
    <ul aria-label="Paints as they were learned" className="max-w-4xl">
      {rows.map(({ id, paint, own, before, after, miss, swatches }) => {
        const { dE00, words } = compareColours(before, after);
        return (
          <li key={id} className="flex items-center gap-4 border-b border-(--hairline) py-2">
            <Strip mix={[{ paint: own, parts: 1 }]} paper={paper} width={170} height={36} label={paint.name} />
            <span className="w-52 min-w-0">
              <span className="name-face block truncate text-[1.1rem] leading-tight">{paint.name}</span>
              <span className="label-line block truncate">
                {codesOf(paint)} · {swatches === 1 ? "1 swatch" : `${swatches} swatches`}
              </span>
            </span>
            <JudgingPair
              wanted={before}
              mix={after}
              className="h-9 w-20"
              names={["a full wash by the label", "a full wash by your swatches"]}
            />
            <span className="min-w-0 flex-1 leading-snug">
              {dE00 < 1 ? "as the label says" : `against the label: ${words.join(", ") || "hardly different"}`}
              <span className="label-line block">
                half of its washes are missed by less than dE00 {miss.toFixed(1)}
              </span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** Swatches that do not agree with the others, to be looked at. */
function Disagreeing({ entries, onOpen }: { entries: readonly StoredLogEntry[]; onOpen: (entryId: string) => void }) {
  const { learned } = useBook();
  const off = entries.flatMap(({ id, binned, document }) =>
    binned
      ? []
      : document.mixes.flatMap((mix) => {
          const agreement = learned?.agreements[mix.id];
          const said = agreement && mix.counts ? agreementWords(agreement) : null;
          return said?.off ? [{ id, mix, document, said }] : [];
        }),
  );
  if (off.length === 0) return null;
  return (
    <section aria-label="Swatches that disagree" className="mt-6 max-w-4xl">
      <h2 className="name-face text-2xl">These disagree with the others</h2>
      <ul className="mt-1">
        {off.map(({ id, mix, document, said }) => (
          <li key={mix.id} className="flex items-center gap-3 border-b border-(--hairline) py-2">
            <span className="min-w-0 flex-1 leading-snug">
              <span className="name-face">{mix.name || document.title || "A swatch"}</span>, {document.on}: {said.words}
            </span>
            <button type="button" className="btn btn-outline btn-sm" onClick={() => onOpen(id)}>
              Look at it
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What the book has taught: habit, hand, papers, paints; and which swatches disagree. */
export function Taught({ entries, onOpen }: { entries: readonly StoredLogEntry[]; onOpen: (id: string) => void }) {
  const { learned } = useBook();
  if (!learned)
    return (
      <p className="name-face max-w-2xl py-8 text-xl leading-snug">
        Nothing counts in the book yet. A swatch whose paints, water and dried colour are noted teaches it: how strong
        your tubes are, how much water you take, how far your hand scatters.
      </p>
    );
  const { swatches, newest, habit, habitUnsure, papers, hand, model } = learned;
  const several = Object.keys(papers).length > 1;
  const papersTold = Object.entries(papers).filter(([, factor]) => several && Math.abs(factor - 1) > 0.03);
  return (
    <div>
      <section aria-label="Water and hand" className="grid max-w-4xl gap-6 sm:grid-cols-3">
        <div>
          <h2 className="label-line">Your washes come out</h2>
          <p className="name-face text-2xl leading-tight">{habitWords(habit, habitUnsure)}</p>
          <p className="quiet leading-snug">
            give or take {percent(Math.expm1(habitUnsure))}; predictions take it into account
          </p>
        </div>
        <div>
          <h2 className="label-line">Your hand</h2>
          {swatches < HAND_KNOWN_FROM ? (
            <p className="name-face text-2xl leading-tight">a few more swatches will tell</p>
          ) : (
            <p className="name-face text-2xl leading-tight">
              parts within {percent(hand.parts)}, water within {percent(hand.water)}
            </p>
          )}
          <p className="quiet leading-snug">
            usual are {percent(HANDS.usual.parts)} and {percent(HANDS.usual.water)}; choose “your own” hand in a
            painting&apos;s approach to be judged by it
          </p>
        </div>
        <div>
          <h2 className="label-line">Papers</h2>
          {papersTold.length === 0 ? (
            <p className="name-face text-2xl leading-tight">{several ? "no difference seen" : "one paper so far"}</p>
          ) : (
            papersTold.map(([id, factor]) => (
              <p key={id} className="leading-snug">
                {paperById(id).name}: washes {percent(Math.abs(factor - 1))} {factor > 1 ? "stronger" : "weaker"}
              </p>
            ))
          )}
        </div>
      </section>
      <Disagreeing entries={entries} onOpen={onOpen} />
      <section aria-label="Paints" className="mt-6">
        <h2 className="name-face text-2xl">Paints, label and swatches side by side</h2>
        <Paints entries={entries} />
      </section>
      <p className="quiet mt-6 max-w-3xl leading-snug">
        Learned from {swatches === 1 ? "one swatch" : `${swatches} swatches`}
        {newest && `, the newest of ${newest}`}, under model {model}. Whenever the model changes the book is learned
        anew from what was read; nothing that was read is lost. A swatch that is set aside teaches nothing.
      </p>
    </div>
  );
}
