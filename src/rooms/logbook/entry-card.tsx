"use client";

import { Star } from "lucide-react";
import { screenColourOfLab, type Lab } from "@/core/colour";
import type { StoredLogEntry } from "@/model/logbook";
import { codesOf } from "./book";
import { dayWords, KIND_WORDS, readWords } from "./words";

const COLOURS_SHOWN = 8;

/** An entry as a picture: photo, colours, the day, the year large; a colour asks what made something like it. */
export function EntryCard({
  entry: { document },
  colours,
  open,
  onOpen,
  onLike,
  onCompare,
  compared,
}: {
  entry: StoredLogEntry;
  colours: readonly (Lab | null)[];
  open: boolean;
  onOpen: () => void;
  onLike: (lab: Lab) => void;
  onCompare: () => void;
  compared: boolean;
}) {
  const { on, kind, title, paints, mixes, photos, stars } = document;
  const name = title || KIND_WORDS[kind];
  const shown = colours
    .flatMap((colour, i) => (colour ? [{ colour, id: mixes[i]?.id ?? paints[i]!.id, of: mixes[i]?.name }] : []))
    .slice(0, COLOURS_SHOWN);
  return (
    <article
      aria-label={name}
      className={`flex h-full flex-col rounded-field p-1.5 ${open ? "bg-base-300 outline-2 -outline-offset-2 outline-primary" : "hover:bg-base-300/60"}`}
    >
      <div className="flex h-20 bg-(--photo-ground)">
        {photos[0] && (
          <img
            src={`/api/photos/${photos[0]}?copy=small`}
            alt=""
            loading="lazy"
            className="h-full min-w-0 flex-1 object-cover"
          />
        )}
        {shown.length === 0 && !photos[0] && (
          <span className="line-clamp-3 p-2 text-[0.93rem] leading-snug text-(--photo-ink)">{document.notes}</span>
        )}
        {shown.length > 0 && (
          <div className={`flex h-full ${photos[0] ? "w-1/3" : "flex-1"}`}>
            {shown.map(({ colour, id, of }) => (
              <button
                key={id}
                type="button"
                aria-label={`What made something like ${of || "this colour"}`}
                title="What made something like this colour"
                className="h-full min-w-0 flex-1 cursor-pointer hover:outline-2 hover:-outline-offset-2"
                style={{ background: screenColourOfLab(colour).hex }}
                onClick={() => onLike(colour)}
              />
            ))}
          </div>
        )}
      </div>
      <button type="button" className="flex flex-1 cursor-pointer gap-3 pt-1.5 text-left" onClick={onOpen}>
        <span className="shrink-0 leading-none">
          <span className="name-face block text-[1.7rem] leading-none">{on.slice(0, 4)}</span>
          <span className="quiet text-[0.87rem]">{dayWords(on)}</span>
        </span>
        <span className="min-w-0 flex-1">
          <span className="name-face line-clamp-2 text-[1.1rem] leading-tight">{name}</span>
          <span className="label-line block">
            {[title ? KIND_WORDS[kind] : "", readWords(mixes)].filter(Boolean).join(" · ")}
          </span>
          <span className="label-line block truncate">
            {paints.map((paint) => codesOf(paint)).join(" · ") || "no paints noted"}
          </span>
        </span>
      </button>
      <div className="flex items-center">
        <label className="label-line flex min-h-[2.2rem] cursor-pointer items-center gap-2">
          <input type="checkbox" className="checkbox checkbox-sm" checked={compared} onChange={onCompare} />
          side by side
        </label>
        {stars > 0 && (
          <span className="ml-auto flex" role="img" aria-label={stars === 1 ? "1 star" : `${stars} stars`}>
            {Array.from({ length: stars }, (_, i) => (
              <Star key={i} size={13} fill="currentColor" aria-hidden />
            ))}
          </span>
        )}
      </div>
    </article>
  );
}
