"use client";

import { useId, useMemo, useState, type KeyboardEvent } from "react";
import { paintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import { readPaintList, searchPigments, type FoundPigment } from "@/core/pigments";
import { newPaint } from "@/model/paintbox";
import { Strip } from "@/ui/strip";
import { usePaintbox } from "./paintbox-store";
import { LETTERS, LIMITS } from "@/model/limits";
import { capital, cutText } from "@/model/text";

const SHOWN = 7;

/** A paint that may be meant, under the name that it would have. */
interface Offer extends FoundPigment {
  readonly called: string;
  readonly maker: string;
}

/**
 * What may be meant by a line: a tube with a name or several codes as it is written, each way to read codes that mean
 * several pigments; then what the handbook has of it.
 */
function offersFor(words: string): readonly Offer[] {
  const read = readPaintList(words).paints;
  const [one] = read;
  const asWritten =
    read.length === 1 && one && /\d/.test(words)
      ? one.candidates.map((found) => ({ ...found, called: capital(one.name || found.name), maker: one.maker }))
      : [];
  const known = searchPigments(words, SHOWN)
    .filter(({ id }) => asWritten.every((offer) => offer.id !== id))
    .map((found) => ({ ...found, called: capital(found.name), maker: "" }));
  return [...asWritten, ...known].slice(0, SHOWN);
}

/** Adds a paint in seconds: a code or a name, Enter, and the handbook fills in the rest. */
export function AddPaintLine() {
  const add = usePaintbox((s) => s.add);
  const [words, setWords] = useState("");
  const [at, setAt] = useState(0);
  const [word, setWord] = useState<string | null>(null);
  const list = useId();
  const found = useMemo(() => offersFor(words), [words]);

  const pick = ({ called, maker, pigments }: Offer): void => {
    add(
      newPaint({
        id: crypto.randomUUID(),
        name: cutText(called, LETTERS.paintName),
        maker: cutText(maker, LETTERS.paintName),
        pigments: pigments.slice(0, LIMITS.pigments),
      }),
    );
    setWords("");
    setAt(0);
    setWord(null);
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === "ArrowDown") setAt(Math.min(found.length - 1, at + 1));
    else if (event.key === "ArrowUp") setAt(Math.max(0, at - 1));
    else if (event.key === "Escape") setWords("");
    else if (event.key === "Enter") {
      if (found[at]) pick(found[at]);
      else if (words.trim())
        setWord(
          readPaintList(words).paints.length > 1
            ? "These are several paints. “Many at once” takes whole lists."
            : `The handbook knows no pigment called “${words.trim()}”. Try its Colour Index name, like PB29.`,
        );
    } else return;
    event.preventDefault();
  };

  return (
    <div className="relative w-72 max-xl:w-52">
      <input
        role="combobox"
        aria-label="Add a paint"
        aria-expanded={found.length > 0}
        aria-controls={list}
        aria-autocomplete="list"
        aria-activedescendant={found[at] ? `${list}-${at}` : undefined}
        className="input w-full"
        placeholder="Add a paint: PB29, burnt sienna …"
        autoComplete="off"
        value={words}
        onKeyDown={onKeyDown}
        onChange={(event) => {
          setWords(event.target.value);
          setAt(0);
          setWord(null);
        }}
      />
      <ul
        id={list}
        role="listbox"
        aria-label="Pigments that answer"
        className={`absolute top-full left-0 z-40 mt-1 w-96 rounded-box border border-(--hairline) bg-base-100 p-1 shadow-md ${found.length > 0 ? "" : "hidden"}`}
      >
        {found.map((pigment, i) => (
          // The field keeps the focus and has the keys; the list is for the pointer.
          // oxlint-disable-next-line jsx-a11y/click-events-have-key-events
          <li
            key={pigment.id}
            id={`${list}-${i}`}
            role="option"
            aria-selected={i === at}
            tabIndex={-1}
            onPointerEnter={() => setAt(i)}
            onClick={() => pick(pigment)}
            className={`flex cursor-pointer items-center gap-3 rounded-field px-2 py-1 ${i === at ? "bg-base-300" : ""}`}
          >
            <Strip
              mix={[{ paint: paintModel(pigment.id, pigment.pigments), parts: 1 }]}
              paper={PAPERS[0]}
              width={96}
              height={22}
              label={pigment.name}
            />
            <span className="min-w-0 flex-1 leading-tight">
              <span className="name-face block truncate">{pigment.called}</span>
              {pigment.called.toLowerCase() !== pigment.name.toLowerCase() && (
                <span className="label-line block">{pigment.name}</span>
              )}
            </span>
            <span className="label-line max-w-28 truncate">{pigment.codes}</span>
          </li>
        ))}
      </ul>
      {word && (
        <p
          role="alert"
          className="absolute top-full left-0 z-40 mt-1 w-96 rounded-box border border-error bg-base-100 p-3"
        >
          {word}
        </p>
      )}
    </div>
  );
}
