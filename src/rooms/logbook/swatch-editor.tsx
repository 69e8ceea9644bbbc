"use client";

import isEqual from "fast-deep-equal";
import { Camera, Plus, X } from "lucide-react";
import { useId, useMemo, useState } from "react";
import { compareColours, describeColour, lightnessOfValue, type Lab } from "@/core/colour";
import type { ReadBy } from "@/core/learning";
import { COUNTABLE_WATER, paperById, waterWords } from "@/core/optics";
import { faultIn } from "@/model/fault";
import { LEARNING_MODEL, loggedMix, type LoggedMix } from "@/model/logbook";
import { MIXABLE } from "@/model/paintbox";
import { JudgingPair } from "@/ui/judging-pair";
import { PaintPicker } from "@/ui/paint-picker";
import { TypedText } from "@/ui/typed-text";
import { codesOf, modelIn, paintOf, predictedIn, useBook } from "./book";
import { useEntry, useEntryStore } from "./entry-store";
import { ReadColour } from "./read-colour";
import { agreementWords } from "./words";

const numberOf = (text: string): number => Number(text.trim().replace(",", "."));

/** What a typed part, value or L* a* b* breaks; null for nothing. */
const faultOf =
  (field: (value: number) => Partial<LoggedMix>, mix: LoggedMix, mayBeEmpty = false) =>
  (text: string): string | null => {
    if (text.trim() === "") return mayBeEmpty ? null : "A number is missing.";
    if (!Number.isFinite(numberOf(text))) return "That is no number.";
    return faultIn(loggedMix, { ...mix, ...field(numberOf(text)) });
  };

/** The paints of a swatch and their parts. */
function Parts({ mix }: { mix: LoggedMix }) {
  const book = useBook();
  const entry = useEntry((s) => s.document);
  const { changeMix, addPaint, endTyping } = useEntryStore().getState();
  const pickable = useMemo(
    () =>
      [...book.paints.values()]
        .filter(({ status }) => MIXABLE.has(status) || status === "used up" || status === "dried out")
        .flatMap((paint) => {
          const model = modelIn(paint.id, entry, book, entry.paperId);
          return model ? [{ id: paint.id, name: paint.name, detail: codesOf(paint), model }] : [];
        }),
    [book, entry],
  );
  const set = (parts: LoggedMix["parts"], run?: string): void => changeMix(mix.id, { parts }, run);
  return (
    <ul className="space-y-1">
      {mix.parts.map(({ paintId, parts }) => {
        const paint = paintOf(paintId, entry, book);
        const withParts = (value: number) =>
          mix.parts.map((one) => (one.paintId === paintId ? { ...one, parts: value } : one));
        return (
          <li key={paintId} className="flex items-center gap-2">
            {mix.parts.length > 1 && (
              <TypedText
                bare
                label={`Parts of ${paint?.name ?? "a paint"}`}
                value={String(parts)}
                faultOf={faultOf((value) => ({ parts: withParts(value) }), mix)}
                onText={(text) => set(withParts(numberOf(text)), `parts ${paintId}`)}
                onLeave={endTyping}
                className="w-14"
              />
            )}
            <span className="name-face min-w-0 flex-1 truncate text-[1.05rem]">
              {paint?.name ?? "a paint that is gone"} <span className="label-line">{paint ? codesOf(paint) : ""}</span>
            </span>
            <button
              type="button"
              className="btn btn-square btn-ghost btn-sm"
              aria-label={`Leave ${paint?.name ?? "this paint"} out`}
              onClick={() => set(mix.parts.filter((one) => one.paintId !== paintId))}
            >
              <X size={15} />
            </button>
          </li>
        );
      })}
      {mix.parts.length < 3 && (
        <li>
          <PaintPicker
            title="Which paint was in it"
            paints={pickable}
            paper={paperById(entry.paperId)}
            taken={{ ids: mix.parts.map(({ paintId }) => paintId), words: "in it" }}
            closeOnPick
            onPick={(id) => addPaint(mix.id, book.paints.get(id)!)}
            className="btn btn-outline btn-sm"
          >
            <Plus size={15} /> {mix.parts.length === 0 ? "Which paint" : "Another paint"}
          </PaintPicker>
        </li>
      )}
    </ul>
  );
}

const LAB_FIELDS = [
  ["L", "L*"],
  ["a", "a*"],
  ["b", "b*"],
] as const;

/** The dried colour: read from a photo, typed, or as a value against a grey scale. */
function Dried({ mix }: { mix: LoggedMix }) {
  const book = useBook();
  const entry = useEntry((s) => s.document);
  const { changeMix, endTyping } = useEntryStore().getState();
  const [reading, setReading] = useState(false);
  const [typed, setTyped] = useState<Readonly<Record<keyof Lab, string>> | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const id = useId();
  const name = mix.name || "the swatch";
  const predicted = predictedIn(mix, entry, book);
  const keep = (lab: Lab, by: ReadBy, from: { photoId: string; at: { x: number; y: number } } | null, run?: string) =>
    changeMix(
      mix.id,
      {
        read: { lab, by, photoId: from?.photoId ?? null, at: from?.at ?? null },
        // What was expected is noted with the first reading: later predictions know of it.
        predicted:
          mix.predicted ??
          (predicted && { lab: predicted, swatches: book.learned?.swatches ?? 0, model: LEARNING_MODEL }),
      },
      run,
    );
  const { read } = mix;
  const value = read ? describeColour(read.lab).value : null;
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap items-center gap-2">
        <span className="quiet">Dried to</span>
        {entry.photos.length > 0 && (
          <button type="button" className="btn btn-outline btn-sm" onClick={() => setReading(true)}>
            <Camera size={15} /> From a photo
          </button>
        )}
        <button
          type="button"
          className="btn btn-outline btn-sm"
          aria-expanded={typed !== null}
          onClick={() => {
            setFault(null);
            const now = read && read.by !== "value" ? read.lab : null;
            setTyped(
              typed
                ? null
                : { L: now ? now.L.toFixed(1) : "", a: now ? now.a.toFixed(1) : "", b: now ? now.b.toFixed(1) : "" },
            );
          }}
        >
          L* a* b*
        </button>
        <TypedText
          label="or value"
          value={read?.by === "value" ? value!.toFixed(1) : ""}
          faultOf={(text) => (text.trim() === "" ? null : faultOf((wetValue) => ({ wetValue }), mix)(text))}
          onText={(text) => {
            if (text.trim() === "")
              return read?.by === "value" ? changeMix(mix.id, { read: null }, "value") : undefined;
            keep({ L: lightnessOfValue(numberOf(text)), a: 0, b: 0 }, "value", null, "value");
          }}
          onLeave={endTyping}
          className="flex items-center gap-2 whitespace-nowrap"
          inputClassName="input input-sm w-14"
        />
        {read && (
          <button
            type="button"
            className="btn btn-ghost btn-sm"
            onClick={() => changeMix(mix.id, { read: null, predicted: null })}
          >
            Forget it
          </button>
        )}
      </div>
      {entry.photos.length === 0 && !read && (
        <p className="label-line leading-snug">With a photo of the entry it can be read off the paper.</p>
      )}
      {typed && (
        <form
          className="flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            const lab = { L: numberOf(typed.L), a: numberOf(typed.a), b: numberOf(typed.b) };
            const missing = LAB_FIELDS.some(([axis]) => typed[axis].trim() === "" || !Number.isFinite(lab[axis]));
            const wrong = missing
              ? "L*, a* and b* are all needed, as numbers."
              : faultIn(loggedMix, { ...mix, read: { lab, by: "typed", photoId: null, at: null } });
            setFault(wrong);
            if (wrong) return;
            keep(lab, "typed", null);
            setTyped(null);
          }}
        >
          {LAB_FIELDS.map(([axis, words]) => (
            <label key={axis} className="block">
              <span className="label-line block">{words}</span>
              <input
                className="input input-sm w-16"
                inputMode="decimal"
                value={typed[axis]}
                aria-describedby={fault ? `${id}-fault` : undefined}
                onChange={(event) => setTyped({ ...typed, [axis]: event.target.value })}
              />
            </label>
          ))}
          <button type="submit" className="btn btn-outline btn-sm">
            Keep it
          </button>
          {fault && (
            <p id={`${id}-fault`} role="alert" className="w-full text-error">
              {fault}
            </p>
          )}
        </form>
      )}
      {reading && (
        <ReadColour
          photos={entry.photos}
          paperId={entry.paperId}
          name={name}
          onRead={(lab, photoId, at) => keep(lab, "photo", { photoId, at })}
          onClose={() => setReading(false)}
        />
      )}
    </div>
  );
}

/** What was predicted beside what it dried to, and how it stands to the other swatches. */
function CameOut({ mix }: { mix: LoggedMix }) {
  const book = useBook();
  const entry = useEntry((s) => s.document);
  const { read } = mix;
  const expected = mix.predicted?.lab ?? predictedIn(mix, entry, book);
  if (!read || !expected) return null;
  const agreement = book.learned?.agreements[mix.id];
  const said = agreement && agreementWords(agreement);
  const steps = describeColour(read.lab).value - describeColour(expected).value;
  const difference = compareColours(expected, read.lab);
  return (
    <div className="flex items-center gap-3" role="status">
      {read.by !== "value" && (
        <JudgingPair
          wanted={expected}
          mix={read.lab}
          className="h-11 w-20"
          names={["as predicted when it was read", "as it dried"]}
        />
      )}
      <p className="min-w-0 flex-1 leading-snug">
        {read.by === "value" ? (
          <b>
            {Math.abs(steps) < 0.1
              ? "As light as predicted"
              : `${Math.abs(steps).toFixed(1)} steps ${steps > 0 ? "lighter" : "darker"} than predicted`}
          </b>
        ) : (
          <>
            <b>dE00 {difference.dE00.toFixed(1)} off</b>
            {difference.words.length > 0 && <span className="quiet">, {difference.words.join(", ")}</span>}
          </>
        )}
        {said && mix.counts && (
          <span className={`block text-[0.93rem] ${said.off ? "text-warning" : "quiet"}`}>{said.words}</span>
        )}
      </p>
    </div>
  );
}

/** One swatch of the open entry: what was mixed, what it dried to, whether it counts. */
export function SwatchEditor({ mix, place }: { mix: LoggedMix; place: number }) {
  const entry = useEntry((s) => s.document);
  const { changeMix, addMix, removeMix, endTyping } = useEntryStore().getState();
  const below = entry.mixes.filter((one) => one.id !== mix.id && one.parts.length > 0 && !one.over);
  const isBelow = (one: LoggedMix): boolean => isEqual({ parts: one.parts, waterParts: one.waterParts }, mix.over);
  const water = COUNTABLE_WATER.includes(mix.waterParts) ? COUNTABLE_WATER : [mix.waterParts, ...COUNTABLE_WATER];
  const from = entry.mixes.find(({ id }) => id === mix.from);
  const spoken = mix.name || `Swatch ${place}`;
  return (
    <section aria-label={spoken} className="space-y-2 border-t border-(--hairline) py-3">
      <div className="flex items-end gap-2">
        <TypedText
          label={`Swatch ${place}`}
          value={mix.name}
          faultOf={(name) => faultIn(loggedMix, { ...mix, name })}
          onText={(name) => changeMix(mix.id, { name }, "name")}
          onLeave={endTyping}
          className="min-w-0 flex-1"
          inputClassName="input input-sm name-face w-full text-[1.12rem]"
        />
        <button
          type="button"
          className="btn btn-square btn-ghost btn-sm"
          aria-label={`Remove ${spoken}`}
          onClick={() => removeMix(mix.id)}
        >
          <X size={16} />
        </button>
      </div>
      {from && <p className="label-line">varied from {from.name || "another swatch here"}</p>}
      <Parts mix={mix} />
      <div className="flex flex-wrap gap-2">
        <label className="block">
          <span className="label-line block">Water</span>
          <select
            className="select select-sm w-44"
            value={mix.waterParts}
            onChange={(event) => changeMix(mix.id, { waterParts: Number(event.target.value) })}
          >
            {water.map((parts) => (
              <option key={parts} value={parts}>
                {waterWords(parts)}
              </option>
            ))}
          </select>
        </label>
        <label className="block min-w-0 flex-1">
          <span className="label-line block">Laid</span>
          <select
            className="select select-sm w-full"
            value={mix.over ? (below.find(isBelow)?.id ?? "kept") : ""}
            onChange={(event) => {
              const under = below.find(({ id }) => id === event.target.value);
              if (event.target.value === "kept") return;
              changeMix(mix.id, { over: under ? { parts: under.parts, waterParts: under.waterParts } : null });
            }}
          >
            <option value="">on bare paper</option>
            {mix.over && !below.some(isBelow) && <option value="kept">over a dried wash</option>}
            {below.map((one) => (
              <option key={one.id} value={one.id}>
                over {one.name || `swatch ${entry.mixes.indexOf(one) + 1}`}, dry
              </option>
            ))}
          </select>
        </label>
        <TypedText
          label="Value while wet"
          value={mix.wetValue === null ? "" : String(mix.wetValue)}
          faultOf={faultOf((wetValue) => ({ wetValue }), mix, true)}
          onText={(text) => changeMix(mix.id, { wetValue: text.trim() === "" ? null : numberOf(text) }, "wet")}
          onLeave={endTyping}
          className="w-28"
        />
      </div>
      <Dried mix={mix} />
      <CameOut mix={mix} />
      <div className="flex flex-wrap items-center gap-x-4">
        <label className="flex min-h-[2.2rem] cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={mix.counts}
            onChange={() => changeMix(mix.id, { counts: !mix.counts })}
          />
          learn from it
        </label>
        <label className="flex min-h-[2.2rem] cursor-pointer items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={mix.today}
            onChange={() => changeMix(mix.id, { today: !mix.today })}
          />
          favourite of the day
        </label>
        <button
          type="button"
          className="btn btn-ghost btn-sm ml-auto"
          onClick={() =>
            addMix({
              id: crypto.randomUUID(),
              name: mix.name,
              parts: mix.parts,
              waterParts: mix.waterParts,
              over: mix.over,
              from: mix.id,
            })
          }
        >
          Vary it
        </button>
      </div>
    </section>
  );
}
