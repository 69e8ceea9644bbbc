"use client";

import { FileDown, Plus, X } from "lucide-react";
import { useMemo, useState } from "react";
import { SHEETS, type SheetKind } from "@/core/calibration";
import { paperById } from "@/core/optics";
import { MIXABLE } from "@/model/paintbox";
import type { CardPage } from "@/model/measurement";
import type { StockedPaint } from "@/storage/ports";
import { PaintPicker } from "@/ui/paint-picker";
import { Strip } from "@/ui/strip";
import { PaperOptions } from "@/ui/paper-options";
import { Step } from "./guide-step";
import { useMeasure } from "./measure-store";
import { codesOf, makeSheet, modelNow, useRoom } from "./room";

/** Paints that a first sheet suggests itself for: at hand, not yet measured. */
function firstToMeasure(paints: readonly StockedPaint[], kind: SheetKind, start: string | null): string[] {
  if (kind === "card" && start && paints.some(({ id }) => id === start)) return [start];
  return paints
    .filter(({ status, measured }) => MIXABLE.has(status) && !measured)
    .slice(0, SHEETS[kind].paints)
    .map(({ id }) => id);
}

const KINDS: Readonly<Record<SheetKind, { readonly name: string; readonly words: string; readonly make: string }>> = {
  box: { name: "The whole box", words: "up to 24 paints, two washes each: an hour", make: "Make the box sheet (PDF)" },
  card: {
    name: "Four paints",
    words: "five swatches each: surer, and how opaque they are",
    make: "Make the card (PDF)",
  },
};

/** Fills a box sheet in the order in which the paints lie somewhere. */
function FillFrom({ onFill }: { onFill: (ids: string[]) => void }) {
  const { paints, boxes } = useRoom();
  const all = SHEETS.box.paints;
  const atHand = paints.filter(({ status }) => MIXABLE.has(status));
  const known = new Set(paints.map(({ id }) => id));
  return (
    <select
      className="select select-sm w-full"
      aria-label="Fill the sheet with"
      value=""
      onChange={(event) => {
        const box = boxes.find(({ id }) => id === event.target.value);
        if (box) onFill(box.wells.filter((id): id is string => id !== null && known.has(id)).slice(0, all));
        else if (event.target.value === "unmeasured") onFill(firstToMeasure(paints, "box", null));
        else onFill(atHand.slice(0, all).map(({ id }) => id));
      }}
    >
      <option value="" disabled>
        Fill it with …
      </option>
      <option value="unmeasured">what is not measured yet</option>
      <option value="all">all that is at hand, in the paintbox&apos;s order</option>
      {boxes.map(({ id, name }) => (
        <option key={id} value={id}>
          the box “{name}”, well by well
        </option>
      ))}
    </select>
  );
}

/** What to measure, which paints, on which sheet: and its PDF. */
export function PrintSheet({
  kind,
  setKind,
  start,
}: {
  kind: SheetKind;
  setKind: (kind: SheetKind) => void;
  start: string | null;
}) {
  const { paints, cards, addCard } = useRoom();
  const draft = useMeasure((s) => s.sheet);
  const setSheet = useMeasure((s) => s.setSheet);
  const proposed = useMemo(() => firstToMeasure(paints, kind, start), [paints, kind, start]);
  const before = draft[kind];
  // A card that was begun for other paints gives way to the paint that the room was opened for.
  const chosen = before && (kind === "box" || !start || before.includes(start)) ? before : proposed;
  const setChosen = (ids: string[]): void => setSheet({ [kind]: ids });
  const { paperId, page } = draft;
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const paper = paperById(paperId);
  const pickable = useMemo(
    () =>
      paints.map((paint) => ({
        id: paint.id,
        name: paint.name,
        detail: `${codesOf(paint)}${paint.measured ? ` · measured ${paint.measured.on}` : ""}`,
        search: paint.maker,
        model: modelNow(paint),
      })),
    [paints],
  );
  const print = async (): Promise<void> => {
    setBusy(true);
    setFault(null);
    const sheet = await makeSheet({ kind, paints: chosen, paperId });
    setBusy(false);
    if ("message" in sheet) return setFault(sheet.message);
    addCard(sheet);
    window.open(`/api/cards/${sheet.id}?page=${page}`, "_blank");
  };
  return (
    <Step number={1} title="Print a sheet">
      <fieldset className="space-y-1">
        <legend className="sr-only">What to measure</legend>
        {(["box", "card"] as const).map((one) => (
          <label key={one} className="flex cursor-pointer items-baseline gap-2">
            <input
              type="radio"
              name="sheet"
              className="radio radio-sm translate-y-0.5"
              checked={kind === one}
              onChange={() => setKind(one)}
            />
            <span>
              <strong className="font-semibold">{KINDS[one].name}</strong>{" "}
              <span className="quiet">{KINDS[one].words}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {kind === "box" && <FillFrom onFill={setChosen} />}
      <ul
        aria-label={kind === "box" ? "Paints on the box sheet" : "Paints on the card"}
        className={kind === "box" ? "max-h-64 overflow-y-auto pr-1" : "space-y-1.5"}
      >
        {chosen.map((id, place) => {
          const paint = paints.find((one) => one.id === id);
          return (
            paint && (
              <li key={id} className="flex min-w-0 items-center gap-2">
                {kind === "box" ? (
                  <span className="label-line w-5 shrink-0 text-right">{place + 1}</span>
                ) : (
                  <Strip
                    mix={[{ paint: modelNow(paint), parts: 1 }]}
                    paper={paper}
                    width={88}
                    height={22}
                    label={paint.name}
                  />
                )}
                <span className="name-face min-w-0 flex-1 truncate">
                  {paint.name}{" "}
                  <span className="label-line">
                    {codesOf(paint)}
                    {paint.measured ? " · measured" : ""}
                  </span>
                </span>
                <button
                  type="button"
                  className="btn btn-square btn-ghost btn-xs"
                  aria-label={`Take ${paint.name} off the ${kind === "box" ? "sheet" : "card"}`}
                  onClick={() => setChosen(chosen.filter((one) => one !== id))}
                >
                  <X size={14} />
                </button>
              </li>
            )
          );
        })}
      </ul>
      {chosen.length < SHEETS[kind].paints && (
        <PaintPicker
          title="Which paint goes on the sheet?"
          paints={pickable}
          paper={paper}
          taken={{ ids: chosen, words: "on the sheet" }}
          closeOnPick={kind === "card"}
          className="btn border-(--hairline) bg-base-100 btn-sm"
          onPick={(id) => setChosen([...chosen, id].slice(0, SHEETS[kind].paints))}
        >
          <Plus size={14} /> a paint
        </PaintPicker>
      )}
      <div className="grid grid-cols-[1fr_4.7rem] gap-2">
        <label>
          <span className="label-line block">Paper</span>
          <select
            className="select select-sm w-full"
            value={paperId}
            onChange={(event) => setSheet({ paperId: event.target.value })}
          >
            <PaperOptions />
          </select>
        </label>
        <label>
          <span className="label-line block">Sheet</span>
          <select
            className="select select-sm w-full"
            value={page}
            onChange={(event) => setSheet({ page: event.target.value as CardPage })}
          >
            <option value="a4">A4</option>
            <option value="letter">Letter</option>
          </select>
        </label>
      </div>
      <button
        type="button"
        className="btn btn-primary btn-sm w-full"
        disabled={busy || chosen.length === 0}
        onClick={() => void print()}
      >
        <FileDown size={15} /> {KINDS[kind].make}
      </button>
      {fault && (
        <p role="alert" className="text-error">
          {fault}
        </p>
      )}
      <p className="quiet text-[0.9rem]">
        The printer won&apos;t take watercolour paper? Print the{" "}
        <a
          className="link"
          href={`/api/cards/${kind === "box" ? "box-frame" : "frame"}?page=${page}`}
          target="_blank"
          rel="noreferrer"
        >
          cut-out frame
        </a>{" "}
        on any paper and lay it over swatches painted on your own sheet.
      </p>
      {cards.length > 0 && (
        <p className="label-line">
          Made before:{" "}
          {cards.slice(0, 6).map((card, i) => (
            <span key={card.id}>
              {i > 0 && ", "}
              <a className="link" href={`/api/cards/${card.id}?page=${page}`} target="_blank" rel="noreferrer">
                {card.kind === "box" ? "box sheet" : "card"} {card.id}
              </a>{" "}
              ({card.on})
            </span>
          ))}
        </p>
      )}
    </Step>
  );
}
