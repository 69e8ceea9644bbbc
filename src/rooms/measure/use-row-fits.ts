"use client";

import { useEffect, useMemo, useState } from "react";
import {
  SHEETS,
  patchesOfRow,
  placeKey,
  type CardRead,
  type MeasuredPatch,
  type PaintFit,
  type RowRead,
} from "@/core/calibration";
import type { StockedPaint } from "@/storage/ports";
import { troubleWith } from "@/ui/trouble";
import { refusalWords } from "@/model/reading-words";
import type { ReadTogether } from "@/workers/card-api";
import { messageOf } from "@/workers/paint-message";
import type { CardPhoto, CardEdits } from "./measure-store";
import { readingKey, readWith } from "./read-photos";
import { useRoom } from "./room";

/** What comes of a fit, or in words why it can't be made; null while it is being made. */
export type Fitting = PaintFit | { readonly refused: string } | null;

/** Fits patches of a paint in the worker; null while it is at it. */
export function useFit(
  paint: StockedPaint | null,
  patches: readonly MeasuredPatch[],
  paperId: string,
  granulation?: number,
): Fitting {
  const { reader } = useRoom();
  const key = paint
    ? JSON.stringify([paint.id, paint.pigments, paint.tintingStrength, patches, paperId, granulation])
    : "";
  const [done, setDone] = useState<{ key: string; fit: NonNullable<Fitting> } | null>(null);
  useEffect(() => {
    let stale = false;
    if (!paint || patches.length === 0) return;
    const set = (fit: NonNullable<Fitting>): void => {
      if (!stale) setDone({ key, fit });
    };
    reader.fit(paperId, messageOf({ ...paint, measured: null }), patches, granulation).then(
      (fit) => set("refused" in fit ? { refused: refusalWords(fit.refused) } : fit),
      (error: Error) => set({ refused: error.message }),
    );
    return () => {
      stale = true;
    };
    // The key says all that the fit depends on.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [reader, key]);
  return done?.key === key ? done.fit : null;
}

/** Rows of a card with their paints and patches, ready to be fitted. */
export interface CardRow {
  readonly row: RowRead;
  readonly paint: StockedPaint;
  /**
   * As read, with what the painter left out, and without what the camera mixed of its channels; null until that is
   * known.
   */
  readonly patches: readonly MeasuredPatch[] | null;
  /** How much it granulates beside the sheet's other paints, 0 to 1. */
  readonly granulation?: number;
}

/** The rows of a card that have a paint; the worker takes the camera's mixing out of them. */
export function useCardRows(read: CardRead | undefined, edits: CardEdits): readonly CardRow[] {
  const { reader, paints } = useRoom();
  const { leftOut, paperId } = edits;
  const plain = useMemo(
    () =>
      (read?.rows ?? []).flatMap((row) => {
        const paint = paints.find(({ id }) => id === edits.paints[row.row]);
        const patches = patchesOfRow(row, SHEETS[read!.kind].water).map((patch, index) =>
          leftOut[placeKey(row.row, index)] ? { ...patch, leftOut: true } : patch,
        );
        return paint ? [{ row, paint, patches }] : [];
      }),
    [read, paints, edits.paints, leftOut],
  );
  const key = JSON.stringify([
    paperId,
    plain.map(({ row, paint, patches }) => [
      row.row,
      row.refused,
      paint.id,
      paint.pigments,
      paint.tintingStrength,
      patches,
    ]),
  ]);
  const [done, setDone] = useState<{ key: string; read: readonly ReadTogether[] } | null>(null);
  const usable = plain.filter(({ row }) => !row.refused);
  useEffect(() => {
    let stale = false;
    if (usable.length === 0) return;
    reader
      .together(
        paperId,
        usable.map(({ paint, patches }) => ({ paint: messageOf(paint), patches })),
      )
      .then(
        (together) => !stale && setDone({ key, read: together }),
        troubleWith("What the camera mixes of its colours could not be estimated"),
      );
    return () => {
      stale = true;
    };
    // The key says all that the answer depends on.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [reader, key]);
  return plain.map(({ row, paint, patches }, i) => {
    if (row.refused) return { row, paint, patches };
    const together = done?.key === key ? done.read[usable.indexOf(plain[i]!)] : undefined;
    return { row, paint, patches: together?.patches ?? null, granulation: together?.granulation };
  });
}

/** Fits the paints of all rows that can be, one after another; by row, what has come of them so far. */
export function useFits(rows: readonly CardRow[], paperId: string): ReadonlyMap<number, NonNullable<Fitting>> {
  const { reader } = useRoom();
  const ready = rows.filter(({ row, patches }) => !row.refused && patches !== null);
  const key = JSON.stringify([
    paperId,
    ready.map(({ row, paint, patches, granulation }) => [
      row.row,
      paint.id,
      paint.pigments,
      paint.tintingStrength,
      patches,
      granulation,
    ]),
  ]);
  const [done, setDone] = useState<{ key: string; fits: ReadonlyMap<number, NonNullable<Fitting>> }>({
    key: "",
    fits: new Map(),
  });
  useEffect(() => {
    let stale = false;
    const keep = (row: number, fit: NonNullable<Fitting>): void => {
      if (!stale) setDone((before) => ({ key, fits: new Map(before.key === key ? before.fits : []).set(row, fit) }));
    };
    for (const { row, paint, patches, granulation } of ready)
      reader.fit(paperId, messageOf({ ...paint, measured: null }), patches!, granulation).then(
        (fit) => keep(row.row, "refused" in fit ? { refused: refusalWords(fit.refused) } : fit),
        (error: Error) => keep(row.row, { refused: error.message }),
      );
    return () => {
      stale = true;
    };
    // The key says all that the fits depend on.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [reader, key]);
  return done.key === key ? done.fits : NO_FITS;
}

const NO_FITS: ReadonlyMap<number, NonNullable<Fitting>> = new Map();

/** Reads an open card anew whenever the painter has changed how it is to be read. */
export function useRereading(
  photo: CardPhoto | undefined,
  edits: CardEdits,
  setRead: (change: Partial<CardPhoto>) => void,
): void {
  const { reader } = useRoom();
  const id = photo?.state === "read" || photo?.state === "refused" ? photo.stored?.id : undefined;
  const key = readingKey(edits);
  const read = photo?.readFor;
  useEffect(() => {
    if (!id || read === undefined || read === key) return;
    let stale = false;
    void readWith(reader, id, edits).then(
      (change) => !stale && setRead(change),
      troubleWith("The card could not be read anew"),
    );
    return () => {
      stale = true;
    };
  }, [reader, id, key, read, edits, setRead]);
}
