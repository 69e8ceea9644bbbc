"use client";

import { ImagePlus, Plus, Star, Trash2, X } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { deltaE00 } from "@/core/colour";
import { PAPERS } from "@/core/optics";
import { localDay } from "@/model/day";
import { faultIn } from "@/model/fault";
import { LOG_KINDS, logEntry, SEEN_MUCH, type LearnedBook, type LogEntry, type Seen } from "@/model/logbook";
import { listed } from "@/model/text";
import { PaintPicker } from "@/ui/paint-picker";
import { PaperOptions } from "@/ui/paper-options";
import { PHOTO_TYPES } from "@/ui/photo-types";
import { TypedText } from "@/ui/typed-text";
import { uploadSwatches } from "@/ui/upload";
import { codesOf, modelIn, paintOf, predictedIn, useBook } from "./book";
import { namedBySwatches, useEntry, useEntryStore } from "./entry-store";
import { SwatchEditor } from "./swatch-editor";
import { dayWords, KIND_WORDS } from "./words";

const SEEN_WORDS: readonly (readonly [keyof Seen, string, readonly string[]])[] = [
  ["granulates", "Granulates", SEEN_MUCH],
  ["stains", "Stains", SEEN_MUCH],
  ["lifts", "Lifts", SEEN_MUCH],
  ["blooms", "Blooms", SEEN_MUCH],
  ["flows", "On wet paper", ["", "flows", "lies dead"]],
];

/** A field of the entry that keeps what is typed as it is typed. */
function EntryText({
  label,
  field,
  value,
  part,
  type,
  className,
  bare,
  inputClassName,
}: {
  label: string;
  field: keyof LogEntry;
  value: string;
  part: (text: string) => Partial<LogEntry>;
  type?: "text" | "date";
  className?: string;
  bare?: boolean;
  inputClassName?: string;
}) {
  const document = useEntry((s) => s.document);
  const { change, endTyping } = useEntryStore().getState();
  return (
    <TypedText
      {...{ label, value, type, className, bare, inputClassName }}
      faultOf={(text) => {
        const next = part(text);
        if (next.on && next.on > localDay(new Date())) return "That day is still to come.";
        return faultIn(logEntry.pick({ [field]: true } as { title: true }), { ...document, ...next });
      }}
      onText={(text) => change(part(text), field)}
      onLeave={endTyping}
    />
  );
}

/** The photos of an entry: shown, brought, taken out. */
function Photos() {
  const photos = useEntry((s) => s.document.photos);
  const { change } = useEntryStore().getState();
  const store = useEntryStore();
  const input = useRef<HTMLInputElement>(null);
  const [says, setSays] = useState<{ readonly words: string; readonly fault: boolean } | null>(null);
  const bring = async (files: readonly File[]): Promise<void> => {
    for (const [i, file] of files.entries()) {
      setSays({ words: files.length > 1 ? `Photo ${i + 1} of ${files.length} …` : "The photo comes …", fault: false });
      const sent = await uploadSwatches(file, () => {});
      if ("message" in sent) return setSays({ words: `${file.name}: ${sent.message}`, fault: true });
      const now = store.getState().document.photos;
      if (!now.includes(sent.id)) change({ photos: [...now, sent.id] });
    }
    setSays(null);
  };
  return (
    <section aria-label="Photos" className="space-y-2">
      {photos.length > 0 && (
        <ul className="grid grid-cols-3 gap-2">
          {photos.map((id, i) => (
            <li key={id} className="relative">
              <a href={`/api/photos/${id}?copy=close`} target="_blank" rel="noreferrer">
                <img
                  src={`/api/photos/${id}?copy=small`}
                  alt={`Number ${i + 1} of this entry`}
                  className="h-24 w-full bg-(--photo-ground) object-cover"
                />
              </a>
              <button
                type="button"
                className="btn btn-square btn-sm absolute top-1 right-1"
                aria-label={`Take photo ${i + 1} out`}
                onClick={() => change({ photos: photos.filter((one) => one !== id) })}
              >
                <X size={14} />
              </button>
            </li>
          ))}
        </ul>
      )}
      <input
        ref={input}
        type="file"
        multiple
        hidden
        accept={PHOTO_TYPES}
        aria-label="Photos of this entry"
        onChange={({ target }) => {
          const files = [...(target.files ?? [])];
          target.value = "";
          if (files.length > 0) void bring(files);
        }}
      />
      <button type="button" className="btn btn-outline btn-sm" onClick={() => input.current?.click()}>
        <ImagePlus size={15} aria-hidden /> Add photos
      </button>
      {says && (
        <p role={says.fault ? "alert" : "status"} className={says.fault ? "leading-snug text-error" : ""}>
          {says.words}
        </p>
      )}
    </section>
  );
}

function Stars() {
  const stars = useEntry((s) => s.document.stars);
  const { change } = useEntryStore().getState();
  return (
    <span role="group" aria-label="Stars" className="flex">
      {[1, 2, 3].map((n) => (
        <button
          key={n}
          type="button"
          className="btn btn-square btn-ghost btn-sm"
          aria-label={n === 1 ? "1 star" : `${n} stars`}
          aria-pressed={stars >= n}
          onClick={() => change({ stars: stars === n ? n - 1 : n })}
        >
          <Star size={16} fill={stars >= n ? "currentColor" : "none"} />
        </button>
      ))}
    </span>
  );
}

/** What was seen of the washes: only what is said is kept. */
function WhatWasSeen() {
  const seen = useEntry((s) => s.document.seen);
  const { change } = useEntryStore().getState();
  return (
    <section aria-label="What was seen" className="border-t border-(--hairline) pt-3">
      <h3 className="font-semibold">What was seen</h3>
      <div className="mt-1 grid grid-cols-3 gap-2">
        {SEEN_WORDS.map(([field, words, options]) => (
          <label key={field} className="block">
            <span className="label-line block">{words}</span>
            <select
              className="select select-sm w-full"
              value={seen[field]}
              onChange={(event) => change({ seen: { ...seen, [field]: event.target.value } })}
            >
              {options.map((option) => (
                <option key={option} value={option}>
                  {option || "not said"}
                </option>
              ))}
            </select>
          </label>
        ))}
        <EntryText
          label="Separates into"
          field="seen"
          value={seen.separates}
          part={(separates) => ({ seen: { ...seen, separates } })}
        />
      </div>
    </section>
  );
}

/** The paints of the page: those that its swatches name, and others that were laid out, as in a ring. */
function PaintsOfPage() {
  const book = useBook();
  const document = useEntry((s) => s.document);
  const { notePaint, forgetPaint } = useEntryStore().getState();
  const named = namedBySwatches(document);
  const pickable = useMemo(
    () =>
      [...book.paints.values()].flatMap((paint) => {
        const model = modelIn(paint.id, { paints: [] }, book, "");
        return model ? [{ id: paint.id, name: paint.name, detail: codesOf(paint), model }] : [];
      }),
    [book],
  );
  return (
    <section aria-label="Paints of the page" className="space-y-1">
      <h3 className="font-semibold">Paints</h3>
      <ul className="flex flex-wrap gap-x-3 gap-y-1">
        {document.paints.map((paint) => (
          <li key={paint.id} className="name-face flex min-h-[2.2rem] items-center text-[1.05rem]">
            {paint.name}&nbsp;<span className="label-line">{codesOf(paint)}</span>
            {!named.has(paint.id) && (
              <button
                type="button"
                className="btn btn-square btn-ghost btn-sm"
                aria-label={`Leave ${paint.name} off the page`}
                onClick={() => forgetPaint(paint.id)}
              >
                <X size={14} />
              </button>
            )}
          </li>
        ))}
      </ul>
      <PaintPicker
        title="Which paints were laid out"
        paints={pickable}
        paper={PAPERS[0]}
        taken={{ ids: document.paints.map(({ id }) => id), words: "noted" }}
        onPick={(id) => notePaint(book.paints.get(id)!)}
        className="btn btn-outline btn-sm"
      >
        <Plus size={15} aria-hidden /> Note paints
      </PaintPicker>
    </section>
  );
}

/** A wash that moves by less is not told. */
const MOVED_FROM = 0.5;
const WATER = 3;

/** What the last change of the book did to predictions: full washes of its paints, those that moved. */
function WhatThatChanged() {
  const book = useBook();
  const document = useEntry((s) => s.document);
  const { learned, before } = book;
  const moved = useMemo(() => {
    const wash = (id: string, taught: LearnedBook | null) =>
      predictedIn({ parts: [{ paintId: id, parts: 1 }], waterParts: WATER, over: null }, document, {
        ...book,
        learned: taught,
      });
    return [...new Set([...Object.keys(learned?.paints ?? {}), ...Object.keys(before?.paints ?? {})])]
      .flatMap((id) => {
        const [then, now] = [wash(id, before), wash(id, learned)];
        const name = paintOf(id, document, book)?.name;
        return then && now && name ? [{ id, name, dE00: deltaE00(then, now) }] : [];
      })
      .filter(({ dE00 }) => dE00 >= MOVED_FROM)
      .sort((a, b) => b.dE00 - a.dE00);
  }, [learned, before, document, book]);
  if (learned === before) return null;
  return (
    <p role="status" aria-label="What that changed" className="leading-snug">
      <b>What that changed: </b>
      {moved.length === 0
        ? "no full wash is predicted otherwise than before."
        : `a full wash of ${listed(moved.slice(0, 4).map(({ name, dE00 }) => `${name} is predicted dE00 ${dE00.toFixed(1)} otherwise`))}.`}
    </p>
  );
}

/** An entry, open: everything about it can be changed, and undone. */
export function EntrySheet({ onClose, onBin }: { onClose: () => void; onBin: () => void }) {
  const document = useEntry((s) => s.document);
  const { change, addMix } = useEntryStore().getState();
  const { titles } = useBook();
  const { kind, on, title, paperId, mixes, painting, moods, notes } = document;
  const paintings = painting && !titles.some(({ id }) => id === painting.id) ? [painting, ...titles] : titles;
  return (
    <div className="space-y-4 px-5 py-4">
      <div className="flex items-start gap-3">
        <p className="leading-none">
          <span className="name-face block text-[2.6rem] leading-none">{on.slice(0, 4)}</span>
          <span className="quiet">{dayWords(on)}</span>
        </p>
        <div className="ml-auto flex items-center">
          <Stars />
          <button type="button" className="btn btn-square btn-ghost btn-sm" aria-label="Put in the bin" onClick={onBin}>
            <Trash2 size={16} />
          </button>
          <button type="button" className="btn btn-square btn-ghost btn-sm" aria-label="Close" onClick={onClose}>
            <X size={17} />
          </button>
        </div>
      </div>
      <EntryText
        label="Title"
        field="title"
        value={title}
        part={(text) => ({ title: text })}
        inputClassName="input name-face w-full text-xl"
      />
      <div className="grid grid-cols-2 gap-2">
        <label className="block">
          <span className="label-line block">Kind</span>
          <select
            className="select select-sm w-full"
            value={kind}
            onChange={(event) => change({ kind: LOG_KINDS.find((one) => one === event.target.value) ?? kind })}
          >
            {LOG_KINDS.map((one) => (
              <option key={one} value={one}>
                {KIND_WORDS[one]}
              </option>
            ))}
          </select>
        </label>
        <EntryText label="Day" field="on" type="date" value={on} part={(text) => ({ on: text })} />
        <label className="col-span-2 block">
          <span className="label-line block">Paper</span>
          <select
            className="select select-sm w-full"
            value={paperId}
            onChange={(event) => change({ paperId: event.target.value })}
          >
            <PaperOptions />
          </select>
        </label>
        <label className="col-span-2 block">
          <span className="label-line block">For the painting</span>
          <select
            className="select select-sm w-full"
            value={painting?.id ?? ""}
            onChange={(event) => {
              const chosen = paintings.find(({ id }) => id === event.target.value);
              change({ painting: chosen ? { id: chosen.id, title: chosen.title } : null });
            }}
          >
            <option value="">none</option>
            {paintings.map(({ id, title: name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      </div>
      <Photos />
      <PaintsOfPage />
      <section aria-label="Swatches">
        <div className="flex items-center gap-2 pb-2">
          <h3 className="font-semibold">Swatches</h3>
          <button
            type="button"
            className="btn btn-outline btn-sm ml-auto"
            onClick={() => addMix({ id: crypto.randomUUID() })}
          >
            <Plus size={15} aria-hidden /> Add a swatch
          </button>
        </div>
        {mixes.length === 0 && (
          <p className="quiet leading-snug">
            A swatch with its paints, water and dried colour is what the book learns from.
          </p>
        )}
        {mixes.map((mix, i) => (
          <SwatchEditor key={mix.id} mix={mix} place={i + 1} />
        ))}
      </section>
      <WhatThatChanged />
      <WhatWasSeen />
      <EntryText
        label="Mood words, with commas"
        field="moods"
        value={moods.join(", ")}
        part={(text) => ({
          moods: text
            .split(",")
            .map((word) => word.trim())
            .filter(Boolean),
        })}
      />
      <Notes notes={notes} />
    </div>
  );
}

function Notes({ notes }: { notes: string }) {
  const { change, endTyping } = useEntryStore().getState();
  return (
    <label className="block">
      <span className="label-line block">Notes</span>
      <textarea
        className="textarea w-full"
        rows={4}
        value={notes}
        onChange={(event) => change({ notes: event.target.value }, "notes")}
        onBlur={endTyping}
      />
    </label>
  );
}
