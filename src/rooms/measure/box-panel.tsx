"use client";

import { Check, FileDown } from "lucide-react";
import { useMemo, useState } from "react";
import { missOfKnown, placeKey, ROWS, SHEETS, type PaintFit } from "@/core/calibration";
import { likelyErrorOf } from "@/core/mixing";
import { paperById } from "@/core/optics";
import { doubtWords, refusalWords } from "@/model/reading-words";
import { counted } from "@/model/text";
import type { StockedPaint } from "@/storage/ports";
import { PatchPairs } from "@/ui/patch-pairs";
import { opticsOf } from "./fit-result";
import { useMeasure, type CardEdits, type CardPhoto } from "./measure-store";
import { codesOf, keepMeasurement, makeSheet, modelNow, modelWith, useRoom } from "./room";
import { grainBeside } from "./grain-beside";
import { measurementOf } from "./row-panel";
import { useFits, type CardRow } from "./use-row-fits";

interface BoxPanelProps {
  readonly photo: CardPhoto;
  readonly edits: CardEdits;
  readonly rows: readonly CardRow[];
  readonly onToggle: (key: string) => void;
}

/** A paint of the sheet with what came of its fit. */
interface Fitted {
  readonly row: CardRow;
  /** Null while it is being fitted, or where it can't be. */
  readonly fit: PaintFit | null;
  readonly refused: string | null;
  /** Likely median error of a wash, dE00, as the paint was known so far and with the fit; null without one. */
  readonly before: number;
  readonly now: number | null;
}

/** So many of the least sure are worth a card of their own. */
const LEAST_SURE = 5;
/** The strength at which sureness is told, as in a card's row. */
const ASKED_LOAD = 0.3;
/** A camera that reads known paints further off than this, dE00, is not to be believed. From memory. */
const BELIEVED = 4;

const medianOf = (list: readonly number[]): number => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)]!;

/** A paint that was measured on another day tells of the camera; one kept from this sheet can't. */
const knownBefore = ({ paint }: CardRow, on: string): boolean =>
  paint.measured !== null && !(paint.measured.way === "photo" && paint.measured.on === on);

/** What paints measured before say of the photo. */
function CameraCheck({ rows, edits }: { rows: readonly CardRow[]; edits: CardEdits }) {
  const misses = useMemo(
    () =>
      rows
        .filter((row) => !row.row.refused && row.patches && knownBefore(row, edits.on))
        .flatMap(({ paint, patches }) => missOfKnown(modelNow(paint), patches!, paperById(edits.paperId)) ?? []),
    [rows, edits.on, edits.paperId],
  );
  if (misses.length === 0) return null;
  const mean = misses.reduce((sum, miss) => sum + miss, 0) / misses.length;
  const who = misses.length === 1 ? "One paint measured before is" : `${misses.length} paints measured before are`;
  return (
    <p className="leading-snug" role={mean > BELIEVED ? "alert" : undefined}>
      <strong className="font-semibold">Check of the camera.</strong> {who} read off by {mean.toFixed(1)} dE00:{" "}
      {mean > BELIEVED
        ? "this photo's colours are not to be trusted. Take it again by a window in daylight."
        : "the photo can be believed."}
    </p>
  );
}

/** The paints that two washes tell least of, and a card for them. */
function LeastSure({ fitted, paperId }: { fitted: readonly Fitted[]; paperId: string }) {
  const { addCard } = useRoom();
  const [made, setMade] = useState<{ readonly id: number } | { readonly message: string } | null>(null);
  const least = fitted
    .flatMap(({ row, now, refused }) => (now === null && !refused ? [] : [{ paint: row.paint, now: now ?? Infinity }]))
    .sort((a, b) => b.now - a.now)
    .slice(0, LEAST_SURE);
  if (least.length === 0) return null;
  const first = least.slice(0, ROWS);
  const make = async (): Promise<void> => {
    const sheet = await makeSheet({ kind: "card", paints: first.map(({ paint }) => paint.id), paperId });
    setMade(sheet);
    if ("message" in sheet) return;
    addCard(sheet);
    window.open(`/api/cards/${sheet.id}?page=a4`, "_blank");
  };
  return (
    <section aria-label="Least sure" className="space-y-1.5">
      <p className="leading-snug">
        <strong className="font-semibold">Worth a card of their own:</strong>{" "}
        {least.map(({ paint, now }) => `${paint.name} (${now === Infinity ? "not measured" : `±${now}`})`).join(", ")}.
      </p>
      <button type="button" className="btn btn-sm" onClick={() => void make()}>
        <FileDown size={14} /> Make a card for {first.length === 1 ? "it" : `the first ${first.length}`} (PDF)
      </button>
      {made && "message" in made && (
        <p role="alert" className="text-error">
          {made.message}
        </p>
      )}
      {made && "id" in made && <p role="status">Card {made.id} is made.</p>}
    </section>
  );
}

/** A whole box read from one photo: how sure each paint is now, which deserve more, and one press to keep them all. */
export function BoxPanel({ photo, edits, rows, onToggle }: BoxPanelProps) {
  const { setMeasured } = useRoom();
  const kept = useMeasure((s) => s.kept);
  const setKept = useMeasure((s) => s.setKept);
  const fits = useFits(rows, edits.paperId);
  const [keeping, setKeeping] = useState<{
    readonly done: number;
    readonly of: number;
    readonly fault: string | null;
  } | null>(null);
  const paper = paperById(edits.paperId);
  const sureOf = (paint: StockedPaint, fit: PaintFit | null): number =>
    likelyErrorOf(
      [{ paint: fit ? modelWith(paint, opticsOf(fit, { on: edits.on, way: "photo" })) : modelNow(paint), parts: 1 }],
      ASKED_LOAD,
      paper,
    ).median;
  const fitted = rows.map((row): Fitted => {
    const fitting = fits.get(row.row.row) ?? null;
    const fit = fitting && !("refused" in fitting) ? fitting : null;
    const refused = row.row.refused
      ? refusalWords(row.row.refused)
      : fitting && "refused" in fitting
        ? fitting.refused
        : null;
    return { row, fit, refused, before: sureOf(row.paint, null), now: fit && sureOf(row.paint, fit) };
  });
  const keyOf = ({ row }: Fitted): string => `${photo.key} ${row.row.row}`;
  const isKept = (one: Fitted): boolean => kept[keyOf(one)] === JSON.stringify(measurementOf(photo, edits, one.row));
  const ready = fitted.filter(({ fit }) => fit !== null);
  // What a meter or a whole card told of a paint is not replaced by two washes that tell less.
  const isSurer = (one: Fitted): boolean => knownBefore(one.row, edits.on) && one.now !== null && one.before <= one.now;
  const toKeep = ready.filter((one) => !isKept(one) && !isSurer(one));
  const known = rows.filter(({ row }) => !row.refused).length;
  const waiting = known - ready.length - fitted.filter(({ row, refused }) => refused && !row.row.refused).length;
  const keepAll = async (): Promise<void> => {
    for (const [done, one] of toKeep.entries()) {
      setKeeping({ done, of: toKeep.length, fault: null });
      const measurement = measurementOf(photo, edits, one.row);
      const answer = await keepMeasurement(measurement);
      if ("message" in answer)
        return setKeeping({
          done,
          of: toKeep.length,
          fault: `${done} of ${toKeep.length} kept. ${one.row.paint.name}: ${answer.message}`,
        });
      setMeasured(one.row.paint.id, opticsOf(one.fit!, measurement));
      setKept(photo.key, one.row.row.row, JSON.stringify(measurement));
    }
    setKeeping(null);
  };
  return (
    <>
      <section aria-label="The whole box" className="space-y-3 border-b border-(--hairline) p-4">
        {waiting > 0 ? (
          <p role="status">
            Fitting the paints: {ready.length} of {known} …
            <progress
              className="progress h-1 w-full"
              aria-label="Fitting the paints"
              value={ready.length}
              max={known}
            />
          </p>
        ) : (
          ready.length > 0 && (
            <p className="text-lg leading-snug">
              {counted(ready.length, "paint")} {ready.length === 1 ? "is" : "are"} known from this sheet. Predictions of
              a wash: give or take{" "}
              {toKeep.length > 0 && (
                <>
                  <b>{medianOf(toKeep.map(({ before }) => before))}</b> before,{" "}
                </>
              )}
              <b>{medianOf(ready.map(({ now }) => now!))}</b> now, in the middle.
            </p>
          )
        )}
        {toKeep.length > 0 && waiting === 0 && (
          <button
            type="button"
            className="btn btn-primary btn-sm"
            disabled={keeping !== null && keeping.fault === null}
            onClick={() => void keepAll()}
          >
            {keeping && !keeping.fault
              ? `Keeping ${keeping.done + 1} of ${keeping.of} …`
              : `Keep ${toKeep.length === 1 ? "the one" : `all ${toKeep.length}`}`}
          </button>
        )}
        {ready.length > 0 && toKeep.length === 0 && (
          <p role="status" className="flex items-center gap-1.5">
            <Check size={15} /> All kept. Predictions stand on them now.
          </p>
        )}
        {keeping?.fault && (
          <p role="alert" className="text-error">
            {keeping.fault}
          </p>
        )}
        <CameraCheck rows={rows} edits={edits} />
        {waiting === 0 && <LeastSure fitted={fitted.filter((one) => !isSurer(one))} paperId={edits.paperId} />}
      </section>
      <ul aria-label="Paints of the sheet">
        {fitted.map((one) => {
          const { row, fit, refused, before, now } = one;
          const grain = grainBeside(row);
          return (
            <li
              key={`${row.row.row} ${row.paint.id}`}
              className="grid grid-cols-[minmax(0,1fr)_190px] items-center gap-3 border-b border-(--hairline) px-4 py-1.5"
            >
              <div className="min-w-0 leading-snug">
                <p className="name-face truncate">
                  <span className="label-line mr-1.5">{row.row.row + 1}</span>
                  {row.paint.name} <span className="label-line">{codesOf(row.paint)}</span>
                </p>
                {refused ? (
                  <p role="alert" className="text-error text-[0.9rem]">
                    {refused}
                  </p>
                ) : (
                  <p className="quiet flex items-center gap-1.5 text-[0.9rem]">
                    {isSurer(one)
                      ? `±${before} as measured ${row.paint.measured!.on}, surer than ±${now} here: stays`
                      : isKept(one)
                        ? `±${now}, kept`
                        : `±${before} before, ${now === null ? "…" : `±${now} now`}`}
                    {isKept(one) && <Check size={13} aria-hidden />}
                  </p>
                )}
                {fit?.doubted && (
                  <p className="text-[0.9rem] text-(--color-warning)">
                    Far from what such pigments look like. Is it this paint?
                  </p>
                )}
                {grain.short && (
                  <p className="quiet text-[0.9rem]" title={grain.words!}>
                    {grain.short}
                  </p>
                )}
                {row.row.doubts.map((doubt) => (
                  <p key={doubt.code} className="quiet text-[0.9rem]" title={doubtWords(doubt)}>
                    {doubtWords(doubt, "short")}
                  </p>
                ))}
              </div>
              {row.patches && (
                <PatchPairs
                  patches={row.patches}
                  fitted={fit?.fitted ?? null}
                  washNames={SHEETS.box.washNames}
                  onToggle={(index) => onToggle(placeKey(row.row.row, index))}
                />
              )}
            </li>
          );
        })}
      </ul>
    </>
  );
}
