"use client";

import { useMemo } from "react";
import { patchesOfRow, placeKey, SHEETS, type MeasuredPatch } from "@/core/calibration";
import type { NewMeasurement, StoredPatch } from "@/model/measurement";
import { PatchPairs } from "@/ui/patch-pairs";
import { FitResult } from "./fit-result";
import { grainBeside } from "./grain-beside";
import { useMeasure, type CardEdits, type CardPhoto } from "./measure-store";
import { codesOf } from "./room";
import { doubtWords, refusalWords } from "@/model/reading-words";
import { useFit, type CardRow } from "./use-row-fits";

interface RowPanelProps {
  readonly photo: CardPhoto;
  readonly edits: CardEdits;
  readonly row: CardRow;
  readonly onToggle: (key: string) => void;
}

const NONE: readonly MeasuredPatch[] = [];

/** A row as it is sent to be kept. */
export const measurementOf = (
  photo: CardPhoto,
  edits: CardEdits,
  { row, paint, patches, granulation }: CardRow,
): NewMeasurement => ({
  paintId: paint.id,
  on: edits.on,
  way: "photo",
  paperId: edits.paperId,
  photoId: photo.stored?.id ?? null,
  cardId: edits.cardId,
  granulation,
  patches: (patches ?? NONE).map((patch, index): StoredPatch => ({
    ...patch,
    cutOff: patch.cutOff && [...patch.cutOff],
    reflectance: undefined,
    box: row.places[index]!.box,
  })),
});

/** One paint of a card: what was read, how the fit meets it, what it changes. */
export function RowPanel({ photo, edits, row: cardRow, onToggle }: RowPanelProps) {
  const { row, paint, patches: ready, granulation } = cardRow;
  const kept = useMeasure((s) => s.kept[`${photo.key} ${row.row}`]);
  const setKept = useMeasure((s) => s.setKept);
  const fit = useFit(row.refused ? null : paint, ready ?? NONE, edits.paperId, granulation);
  const patches = ready ?? patchesOfRow(row, SHEETS[photo.read?.kind ?? "card"].water);
  const fitted = fit && !("refused" in fit) ? fit : null;
  const refused = row.refused ? refusalWords(row.refused) : fit && "refused" in fit ? fit.refused : null;
  const measurement = useMemo(() => measurementOf(photo, edits, cardRow), [photo, edits, cardRow]);
  const grain = grainBeside(cardRow);
  const rough = Math.max(
    ...row.places.filter(({ place }) => place.what === "wash").map(({ reading }) => reading.texture),
  );
  return (
    <article aria-label={paint.name} className="space-y-2 border-b border-(--hairline) px-4 py-3">
      <header className="flex items-baseline gap-2">
        <h3 className="name-face text-lg leading-tight">{paint.name}</h3>
        <span className="label-line">{codesOf(paint)}</span>
        {!refused && (
          <span
            className="label-line ml-auto"
            title="Standard deviation of lightness over the most uneven wash, in spots of 0.6 mm"
          >
            {grain.word && `${grain.word}, `}texture {rough.toFixed(1)} L*
          </span>
        )}
      </header>
      {refused && (
        <p role="alert" className="text-error">
          {refused}
        </p>
      )}
      <PatchPairs
        patches={patches}
        fitted={fitted?.fitted ?? null}
        onToggle={(index) => onToggle(placeKey(row.row, index))}
      />
      {grain.words && <p className="quiet text-[0.9rem] leading-snug">{grain.words}</p>}
      {row.doubts.map((doubt) => (
        <p key={doubt.code} className="quiet text-[0.9rem] leading-snug">
          {doubtWords(doubt)}
        </p>
      ))}
      {fitted && (
        <FitResult
          paint={paint}
          fit={fitted}
          measurement={measurement}
          kept={kept === JSON.stringify(measurement)}
          onKept={() => setKept(photo.key, row.row, JSON.stringify(measurement))}
        />
      )}
    </article>
  );
}
