"use client";

import { Plus, X } from "lucide-react";
import { useMemo, useState } from "react";
import { type Lab } from "@/core/colour";
import { paperById } from "@/core/optics";
import { localDay } from "@/model/day";
import { PaintPicker } from "@/ui/paint-picker";
import { PaperOptions } from "@/ui/paper-options";
import { useMeasure, type CardEdits, type CardPhoto } from "./measure-store";
import { codesOf, modelNow, useRoom } from "./room";
import { editsOfCard } from "./read-photos";
import { BoxPanel } from "./box-panel";
import { RowPanel } from "./row-panel";
import { useCardRows } from "./use-row-fits";

/** What the kinds of sheet are called. */
const SHEET_NAMES = { card: "card", box: "box sheet" } as const;

const today = (): string => localDay(new Date());

/** Which card it is, and what is painted where. */
function WhatItIs({ photo, edits }: { photo: CardPhoto; edits: CardEdits }) {
  const { paints, cards } = useRoom();
  const edit = useMeasure((s) => s.edit);
  const paper = paperById(edits.paperId);
  const pickable = useMemo(
    () =>
      paints.map((paint) => ({
        id: paint.id,
        name: paint.name,
        detail: codesOf(paint),
        search: paint.maker,
        model: modelNow(paint),
      })),
    [paints],
  );
  const number = photo.read?.number;
  return (
    <section aria-label="What it is" className="space-y-2 border-b border-(--hairline) p-4">
      <div className="grid grid-cols-2 gap-2">
        <label>
          <span className="label-line block">Sheet</span>
          <select
            className="select select-sm w-full"
            value={edits.cardId ?? ""}
            onChange={(event) => {
              const card = cards.find(({ id }) => id === Number(event.target.value));
              edit(photo.key, card ? editsOfCard(card) : { cardId: null });
            }}
          >
            <option value="">none</option>
            {cards.map(({ id, kind }) => (
              <option key={id} value={id}>
                {SHEET_NAMES[kind]} {id}
              </option>
            ))}
          </select>
        </label>
        <label className="order-last col-span-2">
          <span className="label-line block">Paper</span>
          <select
            className="select select-sm w-full"
            value={edits.paperId}
            onChange={(event) => edit(photo.key, { paperId: event.target.value })}
          >
            <PaperOptions />
          </select>
        </label>
        <label>
          <span className="label-line block">Measured on</span>
          <input
            type="date"
            className="input input-sm w-full"
            value={edits.on}
            max={today()}
            onChange={(event) => event.target.value && edit(photo.key, { on: event.target.value })}
          />
        </label>
      </div>
      {edits.cardId === null && (
        <p className="leading-snug">
          {number === 0
            ? "This is the cut-out frame: say which paint is where."
            : "The sheet's number can't be made out: choose the sheet, or say which paint is where."}
        </p>
      )}
      <details open={edits.kind !== "box" || edits.cardId === null}>
        <summary className="label-line cursor-pointer py-1">
          {edits.kind === "box" ? "Which paint is where, along the lines" : "Which paint is in which row"}
        </summary>
        <ul aria-label="Rows" className="flex flex-wrap gap-1.5">
          {edits.paints.map((id, row) => {
            const paint = paints.find((one) => one.id === id);
            const set = (paintId: string | null): void =>
              edit(photo.key, { paints: edits.paints.map((one, i) => (i === row ? paintId : one)) });
            return (
              <li key={row} className="flex items-center rounded-field border border-(--hairline)">
                <PaintPicker
                  title={
                    edits.kind === "box" ? `Which paint is at place ${row + 1}?` : `Which paint is in row ${row + 1}?`
                  }
                  paints={pickable}
                  paper={paper}
                  closeOnPick
                  className="btn btn-ghost btn-xs max-w-36"
                  onPick={set}
                >
                  <span className="quiet">{row + 1}</span>{" "}
                  {paint ? (
                    <span className="truncate">{paint.name}</span>
                  ) : (
                    <>
                      <Plus size={12} /> paint
                    </>
                  )}
                </PaintPicker>
                {paint && (
                  <button
                    type="button"
                    className="btn btn-square btn-ghost btn-xs"
                    aria-label={edits.kind === "box" ? `Place ${row + 1} is empty` : `Row ${row + 1} is empty`}
                    onClick={() => set(null)}
                  >
                    <X size={12} />
                  </button>
                )}
              </li>
            );
          })}
        </ul>
      </details>
    </section>
  );
}

/** L* of a grey card that sends back 18 % of the light (116 times the cube root of 0.18, less 16). */
const GREY_CARD: Lab = { L: 49.5, a: 0, b: 0 };

/** Greys and chart patches that lie in the picture, with their known colours. */
function References({ photo, edits }: { photo: CardPhoto; edits: CardEdits }) {
  const edit = useMeasure((s) => s.edit);
  const set = (references: CardEdits["references"]): void => edit(photo.key, { references });
  return (
    <section aria-label="References" className="space-y-1.5 px-4 py-3">
      {edits.references.map(({ box, lab }, i) => (
        <div key={i} className="flex items-center gap-2">
          <span className="flex-1">Reference {i + 1}</span>
          {(["L", "a", "b"] as const).map((axis) => (
            <NumberField
              key={`${axis} ${lab[axis]}`}
              label={`Reference ${i + 1}, ${axis}*`}
              value={lab[axis]}
              onChange={(value) =>
                set(edits.references.map((one, k) => (k === i ? { box, lab: { ...lab, [axis]: value } } : one)))
              }
            />
          ))}
          <button
            type="button"
            className="btn btn-square btn-ghost btn-xs"
            aria-label={`Take reference ${i + 1} away`}
            onClick={() => set(edits.references.filter((_, k) => k !== i))}
          >
            <X size={13} />
          </button>
        </div>
      ))}
      <button
        type="button"
        className="btn btn-ghost btn-sm"
        onClick={() =>
          set([
            ...edits.references,
            { box: { x: 78 + 14 * (edits.references.length % 5), y: -9, width: 10, height: 10 }, lab: GREY_CARD },
          ])
        }
      >
        <Plus size={14} /> a grey card or chart patch in the picture
      </button>
      {edits.references.length > 0 && (
        <p className="quiet text-[0.9rem] leading-snug">
          Drag each onto its patch and type its colour (L*, a*, b* under D65; an 18 % grey card is L* 49.5). Greys
          correct the camera&apos;s curve; from five patches on its colours are corrected too.
        </p>
      )}
    </section>
  );
}

function NumberField({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  const [text, setText] = useState(String(value));
  const keep = (): void => {
    const number = Number(text.replace(",", "."));
    if (text.trim() !== "" && Number.isFinite(number) && Math.abs(number) <= 150) onChange(number);
    else setText(String(value));
  };
  return (
    <input
      className="input input-xs w-14"
      inputMode="decimal"
      aria-label={label}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => event.key === "Enter" && keep()}
    />
  );
}

/** The open card: what it is, then each of its paints. */
export function CardPanel({
  photo,
  edits,
  onToggle,
}: {
  photo: CardPhoto;
  edits: CardEdits;
  onToggle: (key: string) => void;
}) {
  const read = photo.read;
  const rows = useCardRows(read, edits);
  if (photo.state === "refused")
    return (
      <p role="alert" className="p-5 text-lg">
        {photo.message}
      </p>
    );
  if (!read)
    return (
      <p role="status" className="quiet p-5">
        This card is still to be read.
      </p>
    );
  return (
    <>
      <WhatItIs photo={photo} edits={edits} />
      <p className="label-line px-4 pt-3">
        Of each pair: left what was read, right what the fit makes of it, below it the difference in dE00. Press a pair
        to leave it out; drag the places in the photo.
      </p>
      {read.kind === "box" ? (
        <BoxPanel photo={photo} edits={edits} rows={rows} onToggle={onToggle} />
      ) : (
        rows.map((row) => (
          <RowPanel key={`${row.row.row} ${row.paint.id}`} photo={photo} edits={edits} row={row} onToggle={onToggle} />
        ))
      )}
      <References photo={photo} edits={edits} />
      <p className="label-line px-4 pb-4">
        Light {read.unevenness.toFixed(2)} : 1 over the sheet, cast {read.cast.toFixed(2)} : 1, blur{" "}
        {read.blurMm.toFixed(2)} mm; all worked out from the bare paper. What the camera mixes of its colours is
        estimated from all washes together and taken out.
      </p>
    </>
  );
}
