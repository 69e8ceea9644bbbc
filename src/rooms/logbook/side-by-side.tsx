"use client";

import { X } from "lucide-react";
import { useMemo } from "react";
import { compareColours, deltaE00, screenColourOfLab, type Lab } from "@/core/colour";
import { fadedMix, HANGS, newlyReached, predict, ringMixes, type Hangs } from "@/core/mixing";
import { loadOfWater, paperById, waterWords } from "@/core/optics";
import type { StoredLogEntry } from "@/model/logbook";
import { counted } from "@/model/text";
import { JudgingPair } from "@/ui/judging-pair";
import { partsWord } from "@/ui/recipe-bar";
import { codesOf, colourIn, groundIn, mixIn, modelIn, paintOf, useBook } from "./book";
import { dayWords, KIND_WORDS } from "./words";

/** One of the two entries: its photo, its swatches, what was seen. */
function One({ entry: { document } }: { entry: StoredLogEntry }) {
  const book = useBook();
  const { on, title, kind, photos, mixes, paperId, seen, notes } = document;
  const seenWords = Object.entries(seen).filter(([, said]) => said !== "");
  return (
    <article aria-label={title || KIND_WORDS[kind]} className="min-w-0 space-y-2">
      <p className="leading-none">
        <span className="name-face text-3xl">{on.slice(0, 4)}</span> <span className="quiet">{dayWords(on)}</span>
      </p>
      <h3 className="name-face text-xl leading-tight">{title || KIND_WORDS[kind]}</h3>
      <p className="label-line">{paperById(paperId).name}</p>
      {photos[0] && (
        <img
          src={`/api/photos/${photos[0]}?copy=view`}
          alt="First of this entry"
          className="max-h-72 w-full bg-(--photo-ground) object-contain"
        />
      )}
      <ul>
        {mixes.map((mix) => {
          const colour = colourIn(mix, document, book);
          return (
            <li key={mix.id} className="flex items-center gap-3 border-t border-(--hairline) py-1.5">
              <span
                aria-hidden
                className="h-9 w-14 shrink-0"
                style={colour ? { background: screenColourOfLab(colour).hex } : undefined}
              />
              <span className="min-w-0 leading-snug">
                {mix.parts
                  .map(({ paintId, parts }) => {
                    const paint = paintOf(paintId, document, book);
                    return `${mix.parts.length > 1 ? `${partsWord(parts)} ` : ""}${paint ? `${paint.name} ${codesOf(paint)}` : "a paint that is gone"}`;
                  })
                  .join(" + ") || "no paints noted"}
                <span className="label-line block">
                  {waterWords(mix.waterParts)}
                  {mix.read ? "" : ", not read: as predicted"}
                </span>
              </span>
            </li>
          );
        })}
      </ul>
      {seenWords.length > 0 && (
        <p className="quiet leading-snug">{seenWords.map(([what, said]) => `${what}: ${said}`).join("; ")}</p>
      )}
      {notes && <p className="leading-snug whitespace-pre-line">{notes}</p>}
    </article>
  );
}

/** The swatches of two entries that have the same paints in the same parts and water. */
function sameMixes(one: StoredLogEntry, other: StoredLogEntry, book: ReturnType<typeof useBook>) {
  const keyOf = ({ parts, waterParts }: StoredLogEntry["document"]["mixes"][number]): string =>
    [...parts.map(({ paintId, parts: amount }) => `${paintId} ${amount}`).sort(), waterParts].join();
  return one.document.mixes.flatMap((mix) => {
    const twin = other.document.mixes.find((second) => mix.parts.length > 0 && keyOf(second) === keyOf(mix));
    const [first, second] = [colourIn(mix, one.document, book), twin && colourIn(twin, other.document, book)];
    return first && second && mix.read && twin?.read ? [{ mix, first: first satisfies Lab, second }] : [];
  });
}

const YEAR_MS = 365.25 * 86_400_000;
/** Paler and greyer by so much is how light changes a wash. From memory. */
const PALER = { L: 1, chroma: 0.92 } as const;

/** What may have come between two readings of one mix: another paper, light, another tube. */
function betweenWords(
  { mix, first, second }: ReturnType<typeof sameMixes>[number],
  [one, other]: readonly [StoredLogEntry, StoredLogEntry],
  book: ReturnType<typeof useBook>,
): string {
  const [older, younger] = one.document.on <= other.document.on ? [one, other] : [other, one];
  const [before, after] = older === one ? [first, second] : [second, first];
  const words: string[] = [];
  if (older.document.paperId !== younger.document.paperId) words.push("the papers differ");
  const years = (Date.parse(younger.document.on) - Date.parse(older.document.on)) / YEAR_MS;
  const parts = mixIn(mix.parts, older.document, book);
  if (years > 0.5 && parts) {
    const ground = groundIn(mix, older.document, book);
    const load = loadOfWater(mix.waterParts);
    const by = (hangs: Hangs): string =>
      deltaE00(predict(parts, load, ground).dry, fadedMix(parts, load, ground, years * HANGS[hangs], "likely")).toFixed(
        1,
      );
    words.push(
      `${years.toFixed(0) === "0" ? "half a year" : counted(Math.round(years), "year")} of light on a wall would take about ${by("room")}, near a window ${by("window")}`,
    );
    const chroma = (lab: Lab): number => Math.hypot(lab.a, lab.b);
    if (after.L > before.L + PALER.L && chroma(after) < PALER.chroma * chroma(before))
      words.push("paler and greyer, as light does it");
  }
  return words.join("; ");
}

/** Colours further apart than this are another colour to a painter, dE00. From memory. */
const ANOTHER_COLOUR = 6;
const SHOWN = 14;

/** What the second of two rings makes that the first does not. */
function NewInSecond({ entries }: { entries: readonly [StoredLogEntry, StoredLogEntry] }) {
  const book = useBook();
  const found = useMemo(() => {
    const mixesOf = ({ document }: StoredLogEntry) =>
      ringMixes(
        document.paints.flatMap(({ id }) => modelIn(id, document, book, document.paperId) ?? []),
        paperById(document.paperId),
      );
    return newlyReached(mixesOf(entries[0]), mixesOf(entries[1]), ANOTHER_COLOUR);
  }, [entries, book]);
  return (
    <section aria-label="What the second ring adds" className="max-w-3xl space-y-2">
      <p className="leading-snug">
        {found.mixes.length === 0 ? (
          "The second ring makes no colour that the first does not."
        ) : (
          <>
            <b>{Math.round(100 * found.share)} %</b> of the second ring&apos;s mixes are colours that the first does not
            make (further than dE00 {ANOTHER_COLOUR} from all of its own), as predicted:
          </>
        )}
      </p>
      <ul className="flex flex-wrap gap-1">
        {found.mixes.slice(0, SHOWN).map(({ mix, waterParts, lab }, i) => {
          const words = `${mix
            .map(({ paint, parts }) => {
              const known = paintOf(paint.id, entries[1].document, book);
              return `${partsWord(parts)} ${known?.name ?? "a paint"}`;
            })
            .join(" + ")}, ${waterWords(waterParts)}`;
          return (
            <li key={i}>
              <span
                role="img"
                aria-label={words}
                title={words}
                className="block h-12 w-14"
                style={{ background: screenColourOfLab(lab).hex }}
              />
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Two entries side by side; the same mix in both is held against itself: another tube, another paper, faded. */
export function SideBySide({
  entries,
  onClose,
}: {
  entries: readonly [StoredLogEntry, StoredLogEntry];
  onClose: () => void;
}) {
  const book = useBook();
  const same = sameMixes(entries[0], entries[1], book);
  return (
    <section aria-label="Two entries side by side" className="space-y-4">
      <div className="flex items-center">
        <h2 className="name-face text-2xl">Side by side</h2>
        <button type="button" className="btn btn-ghost btn-sm ml-auto" onClick={onClose}>
          <X size={15} aria-hidden /> Back to the pages
        </button>
      </div>
      {entries.every(({ document }) => document.kind === "ring") && <NewInSecond entries={entries} />}
      {same.length > 0 && (
        <ul aria-label="The same mix in both" className="max-w-3xl">
          {same.map(({ mix, first, second }) => {
            const { dE00, words } = compareColours(first, second);
            return (
              <li key={mix.id} className="flex items-center gap-3 py-1">
                <JudgingPair wanted={first} mix={second} names={[entries[0].document.on, entries[1].document.on]} />
                <span className="leading-snug">
                  The same mix{mix.name && `, ${mix.name}`}: dE00 {dE00.toFixed(1)}
                  {words.length > 0 && `, ${words.join(", ")} in the second`}
                  <span className="quiet block text-[0.93rem]">
                    {betweenWords({ mix, first, second }, entries, book)}
                  </span>
                </span>
              </li>
            );
          })}
        </ul>
      )}
      <div className="grid grid-cols-2 gap-8">
        <One entry={entries[0]} />
        <One entry={entries[1]} />
      </div>
    </section>
  );
}
