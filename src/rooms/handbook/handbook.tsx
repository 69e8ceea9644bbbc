"use client";

import { useMemo, useState } from "react";
import { paintModel } from "@/core/mixing";
import { PAPERS, paperById } from "@/core/optics";
import { CONVENIENCE_MIXES, pigmentById } from "@/core/pigments";
import { propertyWords } from "@/ui/property-words";
import { SideSheet } from "@/ui/side-sheet";
import { RoomHeader } from "@/ui/room-header";
import { Strip } from "@/ui/strip";
import { PaperOptions } from "@/ui/paper-options";
import { PigmentSheet } from "./pigment-sheet";
import { ENTRIES, findEntries, PROPERTIES, type PropertyId } from "./pigments";

const CONVENIENCE = CONVENIENCE_MIXES.map((record) => ({
  ...record,
  model: paintModel(record.id, record.pigments),
  codes: record.pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" "),
}));

/** Address of an opened pigment, so that it can be kept and gone back to. */
function rememberOpened(id: string | null): void {
  window.history.replaceState(null, "", id ? `?pigment=${encodeURIComponent(id)}` : window.location.pathname);
}

/** All pigments as strips in hue order, found by words and properties; one opens as a sheet. */
export function Handbook({ opened }: { opened: string | null }) {
  const [words, setWords] = useState("");
  const [properties, setProperties] = useState<ReadonlySet<PropertyId>>(new Set());
  const [openId, setOpenId] = useState(opened);
  const [paperId, setPaperId] = useState(PAPERS[0].id);
  const paper = paperById(paperId);
  const found = useMemo(() => findEntries(words, properties), [words, properties]);
  const entry = ENTRIES.find(({ pigment }) => pigment.id === openId);
  const mixes =
    properties.size > 0
      ? []
      : CONVENIENCE.filter(({ name, codes }) => `${name} ${codes}`.toLowerCase().includes(words.trim().toLowerCase()));
  const open = (id: string | null): void => {
    setOpenId(id);
    rememberOpened(id);
  };
  const toggle = (id: PropertyId): void =>
    setProperties((now) => new Set(now.has(id) ? [...now].filter((p) => p !== id) : [...now, id]));

  return (
    <div className="room-frame">
      <RoomHeader room="Handbook">
        <p className="quiet">{ENTRIES.length} pigments, typical values</p>
      </RoomHeader>
      <div className={`room-sides ${entry ? "grid-cols-[minmax(0,1fr)_430px]" : ""}`}>
        <main className={`room-side px-6 py-5 small:px-4 ${entry ? "small:hidden" : ""}`}>
          <search className="mb-5 flex flex-wrap items-center gap-x-5 gap-y-2">
            <input
              type="search"
              className="input w-60"
              placeholder="Code, name or family"
              aria-label="Search the handbook"
              value={words}
              onChange={(event) => setWords(event.target.value)}
            />
            <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-1">
              <legend className="sr-only">Properties</legend>
              {PROPERTIES.map(({ id, words: label }) => (
                <label key={id} className="flex cursor-pointer items-center gap-1.5">
                  <input
                    type="checkbox"
                    className="checkbox checkbox-xs checkbox-primary"
                    checked={properties.has(id)}
                    onChange={() => toggle(id)}
                  />
                  {label}
                </label>
              ))}
            </fieldset>
            <label className="flex items-center gap-2">
              <span className="quiet">on</span>
              <select
                className="select select-sm w-64"
                value={paperId}
                aria-label="Paper"
                onChange={(event) => setPaperId(event.target.value)}
              >
                <PaperOptions />
              </select>
            </label>
            <span role="status" className="quiet">
              {found.length} of {ENTRIES.length}
            </span>
          </search>
          {found.length === 0 && mixes.length === 0 && (
            <p className="name-face py-8 text-xl">
              No pigment answers to that. Try a code like PB29, or fewer properties.
            </p>
          )}
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(182px,1fr))] gap-x-4 gap-y-4" aria-label="Pigments">
            {found.map(({ pigment, model }) => (
              <li key={pigment.id}>
                <button
                  type="button"
                  className={`w-full cursor-pointer rounded-field p-1 text-left hover:bg-base-300/60 ${pigment.id === openId ? "bg-base-300" : ""}`}
                  aria-pressed={pigment.id === openId}
                  onClick={() => open(pigment.id)}
                >
                  <Strip
                    mix={[{ paint: model, parts: 1 }]}
                    paper={paper}
                    width={176}
                    height={36}
                    label={`${pigment.name} from masstone to tint`}
                  />
                  <span className="name-face block truncate text-[1.05rem] leading-tight first-letter:uppercase">
                    {pigment.name}
                  </span>
                  <span className="label-line block truncate">
                    {pigment.code} · {propertyWords(pigment)}
                  </span>
                </button>
              </li>
            ))}
          </ul>
          {mixes.length > 0 && (
            <section aria-label="Convenience mixes" className="mt-8">
              <h2 className="name-face text-2xl">Convenience mixes</h2>
              <p className="quiet mb-3">
                Sold under one name, made of several pigments; each of them counts in a mix. Proportions from memory.
              </p>
              <ul className="grid grid-cols-[repeat(auto-fill,minmax(182px,1fr))] gap-x-4 gap-y-4">
                {mixes.map(({ id, name, note, codes, model }) => (
                  <li key={id} className="p-1">
                    <Strip
                      mix={[{ paint: model, parts: 1 }]}
                      paper={paper}
                      width={176}
                      height={36}
                      label={`${name} from masstone to tint`}
                    />
                    <p className="name-face text-[1.05rem] leading-tight first-letter:uppercase">{name}</p>
                    <p className="label-line">{codes}</p>
                    <p className="text-[0.9rem] leading-snug">{note}</p>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </main>
        {entry && (
          <SideSheet label="One pigment" of={entry.pigment.id} onClose={() => open(null)}>
            <PigmentSheet key={entry.pigment.id} entry={entry} paper={paper} onClose={() => open(null)} />
          </SideSheet>
        )}
      </div>
    </div>
  );
}
