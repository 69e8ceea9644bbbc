"use client";

import { useMemo } from "react";
import { readPaintList } from "@/core/pigments";
import { counted } from "@/model/text";

/** What has been read of a pasted list, line by line; what is not sure is asked. */
export function PastedList({
  text,
  chosen,
  onText,
  onChoose,
}: {
  text: string;
  /** Place of the candidate taken for each line; -1 leaves it out. */
  chosen: ReadonlyMap<number, number>;
  onText: (text: string) => void;
  onChoose: (line: number, candidate: number) => void;
}) {
  const { paints: read, unread } = useMemo(() => readPaintList(text), [text]);
  return (
    <div className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-4">
      <textarea
        className="textarea h-[46vh] w-full"
        aria-label="Your list"
        placeholder={"PB29, PR108 / burnt sienna\nquin rose PV19\nviridian"}
        value={text}
        onChange={(event) => onText(event.target.value)}
      />
      <ol aria-label="What was read" className="max-h-[46vh] space-y-1 overflow-y-auto">
        {read.map(({ words, name, maker, candidates, sure }, line) => {
          const at = chosen.get(line) ?? (sure ? 0 : -1);
          return (
            <li key={`${line} ${words}`} className="flex items-center gap-2">
              <span className="min-w-0 flex-1 truncate" title={words}>
                {name ? <span className="name-face">{name}</span> : words}
                {maker && <span className="quiet"> by {maker}</span>}
              </span>
              {candidates.length === 0 ? (
                <span className="text-warning">the handbook knows nothing like it</span>
              ) : (
                <select
                  className={`select select-sm w-72 pr-8 ${at < 0 ? "border-warning" : ""}`}
                  aria-label={`What is “${words}”?`}
                  value={at}
                  onChange={(event) => onChoose(line, Number(event.target.value))}
                >
                  <option value={-1}>{sure ? "leave it out" : "which one?"}</option>
                  {candidates.map(({ id, name, codes }, i) => (
                    <option key={id} value={i}>
                      {codes}: {name}
                    </option>
                  ))}
                </select>
              )}
            </li>
          );
        })}
        {(unread.paints > 0 || unread.letters > 0) && (
          <li role="status" className="text-warning">
            The list goes on:{" "}
            {unread.paints > 0
              ? `${counted(unread.paints, "line")} more than a box holds`
              : `${counted(unread.letters, "letter")} more than are read at once`}{" "}
            were not looked at. Paste them in a second list.
          </li>
        )}
      </ol>
    </div>
  );
}
