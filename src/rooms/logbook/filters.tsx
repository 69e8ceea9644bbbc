"use client";

import { X } from "lucide-react";
import { screenColourOfLab, type Lab } from "@/core/colour";
import { PAPERS } from "@/core/optics";
import { LOG_KINDS, type LoggedPaint, type LogKind, type StoredLogEntry } from "@/model/logbook";
import { KIND_WORDS } from "./words";
import { NO_QUERY, yearsOf, type Query } from "./search";

/** One choice among what there is, with "any" in front. */
function Among({
  label,
  any,
  value,
  options,
  onChange,
}: {
  label: string;
  any: string;
  value: string;
  options: readonly (readonly [value: string, words: string])[];
  onChange: (value: string) => void;
}) {
  return (
    <select
      className={`select select-sm w-36 ${value === "" ? "" : "border-primary"}`}
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    >
      <option value="">{any}</option>
      {options.map(([option, words]) => (
        <option key={option} value={option}>
          {words}
        </option>
      ))}
    </select>
  );
}

/** What is looked for: words, kind, paint, paper, year, painting, stars, a colour. */
export function Filters({
  query,
  onQuery,
  entries,
  paints,
  shown,
}: {
  query: Query;
  onQuery: (query: Query) => void;
  entries: readonly StoredLogEntry[];
  /** Paints that stand in the book. */
  paints: readonly LoggedPaint[];
  shown: number;
}) {
  const set = (part: Partial<Query>): void => onQuery({ ...query, ...part });
  const paintings = new Map(
    entries.flatMap(({ document: { painting } }) => (painting ? [[painting.id, painting.title] as const] : [])),
  );
  const asked = JSON.stringify(query) !== JSON.stringify(NO_QUERY);
  return (
    <search className="mb-5 flex flex-wrap items-center gap-2">
      <input
        type="search"
        className="input input-sm w-56"
        placeholder="Words, moods, pigment …"
        aria-label="Search the logbook"
        value={query.words}
        onChange={(event) => set({ words: event.target.value })}
      />
      <Among
        label="Kind"
        any="any kind"
        value={query.kind}
        options={LOG_KINDS.map((kind) => [kind, KIND_WORDS[kind]])}
        onChange={(kind) => set({ kind: kind as LogKind | "" })}
      />
      <Among
        label="With the paint"
        any="any paint"
        value={query.paintId}
        options={paints.map(({ id, name }) => [id, name])}
        onChange={(paintId) => set({ paintId })}
      />
      <Among
        label="On the paper"
        any="any paper"
        value={query.paperId}
        options={PAPERS.map(({ id, name }) => [id, name])}
        onChange={(paperId) => set({ paperId })}
      />
      <Among
        label="Year"
        any="any year"
        value={query.year}
        options={yearsOf(entries).map((year) => [year, year])}
        onChange={(year) => set({ year })}
      />
      {paintings.size > 0 && (
        <Among
          label="For the painting"
          any="any painting"
          value={query.paintingId}
          options={[...paintings]}
          onChange={(paintingId) => set({ paintingId })}
        />
      )}
      <Among
        label="Stars"
        any="any stars"
        value={query.stars === 0 ? "" : String(query.stars)}
        options={[
          ["1", "a star or more"],
          ["2", "two or more"],
          ["3", "three stars"],
        ]}
        onChange={(stars) => set({ stars: Number(stars) })}
      />
      <label className="flex min-h-[2.2rem] cursor-pointer items-center gap-2">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={query.today}
          onChange={() => set({ today: !query.today })}
        />
        favourites of a day
      </label>
      {query.like && <Like lab={query.like} onDrop={() => set({ like: null })} />}
      <span role="status" className="quiet">
        {shown} of {entries.length}
      </span>
      {asked && (
        <button type="button" className="btn btn-ghost btn-sm" onClick={() => onQuery(NO_QUERY)}>
          Show all
        </button>
      )}
    </search>
  );
}

/** The colour that is looked for. */
function Like({ lab, onDrop }: { lab: Lab; onDrop: () => void }) {
  return (
    <span className="flex items-center gap-2 rounded-field border border-(--hairline) pl-2">
      <span aria-hidden className="size-5" style={{ background: screenColourOfLab(lab).hex }} />
      like this colour
      <button type="button" className="btn btn-square btn-ghost btn-sm" aria-label="Any colour" onClick={onDrop}>
        <X size={14} />
      </button>
    </span>
  );
}
