"use client";

import { Printer } from "lucide-react";
import { screenColourOfLab } from "@/core/colour";
import { waterWords } from "@/core/optics";
import type { LoggedMix, StoredLogEntry } from "@/model/logbook";
import { partsWord } from "@/ui/recipe-bar";
import { colourIn, paintOf, useBook } from "./book";
import { dayWords, KIND_WORDS } from "./words";

/** A mix and those that were varied from it, one step after the other. */
interface Branch {
  readonly mix: LoggedMix;
  readonly variations: readonly Branch[];
}

function branchesOf(mixes: readonly LoggedMix[], from: string | null = null): readonly Branch[] {
  const ids = new Set(mixes.map(({ id }) => id));
  return mixes
    .filter((mix) => (from === null ? mix.from === null || !ids.has(mix.from) : mix.from === from))
    .map((mix) => ({ mix, variations: branchesOf(mixes, mix.id) }));
}

function MixOnBoard({ branch: { mix, variations }, entry }: { branch: Branch; entry: StoredLogEntry }) {
  const book = useBook();
  const { document } = entry;
  const colour = colourIn(mix, document, book);
  const words = mix.parts
    .map(({ paintId, parts }) => {
      const name = paintOf(paintId, document, book)?.name ?? "a paint that is gone";
      return mix.parts.length === 1 ? name : `${partsWord(parts)} ${name}`;
    })
    .join(" + ");
  return (
    <li className="break-inside-avoid">
      <div className="w-40">
        <span
          role="img"
          aria-label={mix.name || "a mix"}
          className="block h-16 w-40 [print-color-adjust:exact]"
          style={colour ? { background: screenColourOfLab(colour).hex } : undefined}
        />
        {mix.name && mix.name !== words && <p className="name-face text-[1.05rem] leading-tight">{mix.name}</p>}
        <p className="text-[0.9rem] leading-tight">{words}</p>
        <p className="quiet text-[0.9rem] leading-tight">
          {waterWords(mix.waterParts)}
          {mix.read ? "" : ", as predicted"}
        </p>
      </div>
      {variations.length > 0 && (
        <ul aria-label="Varied from it" className="mt-2 ml-4 space-y-3 border-l border-(--hairline) pl-4">
          {variations.map((one) => (
            <MixOnBoard key={one.mix.id} branch={one} entry={entry} />
          ))}
        </ul>
      )}
    </li>
  );
}

/** The mixes of the pages that were found, as a board for the studio wall: variations branch by their steps. */
export function BoardView({ entries }: { entries: readonly StoredLogEntry[] }) {
  const withMixes = entries.filter(({ document }) => document.mixes.some(({ parts }) => parts.length > 0));
  return (
    <section aria-label="Board" className="space-y-6">
      <div className="flex items-center gap-4 print:hidden">
        <p className="quiet max-w-xl leading-snug">
          The mixes of the pages found above, for the studio wall. What was varied from a mix hangs under it.
        </p>
        <button
          type="button"
          className="btn btn-outline btn-sm ml-auto"
          disabled={withMixes.length === 0}
          onClick={() => window.print()}
        >
          <Printer size={15} aria-hidden /> Print the board
        </button>
      </div>
      {withMixes.length === 0 && <p className="name-face text-xl">No page that was found has a mix.</p>}
      {withMixes.map((entry) => (
        <section key={entry.id} aria-label={entry.document.title || KIND_WORDS[entry.document.kind]}>
          <h2 className="name-face text-2xl">
            {entry.document.title || KIND_WORDS[entry.document.kind]}{" "}
            <span className="quiet text-[1rem]">
              {dayWords(entry.document.on)} {entry.document.on.slice(0, 4)}
            </span>
          </h2>
          <ul className="mt-2 flex flex-wrap gap-x-6 gap-y-5">
            {branchesOf(entry.document.mixes.filter(({ parts }) => parts.length > 0)).map((branch) => (
              <MixOnBoard key={branch.mix.id} branch={branch} entry={entry} />
            ))}
          </ul>
        </section>
      ))}
    </section>
  );
}
