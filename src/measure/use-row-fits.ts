"use client";

import { useEffect, useMemo, useState } from "react";
import { CARD_WATER, patchesOfRow, placeKey, type MeasuredPatch, type PaintFit, type RowRead } from "@/core";
import type { StockedPaint } from "@/db/paintbox";
import { messageOf } from "@/workers/paint-message";
import type { CardPhoto, CardEdits } from "./measure-store";
import { readingKey, readWith } from "./read-photos";
import { useRoom } from "./room";

/** A row of a card with its paint, its patches and the fit to them. */
export interface RowFit {
  readonly row: RowRead;
  readonly paint: StockedPaint;
  readonly patches: readonly MeasuredPatch[];
  /** Null while it is being fitted. */
  readonly fit: PaintFit | { readonly refused: string } | null;
}

/** Fits patches of a paint in the worker; null while it is at it. */
export function useFit(paint: StockedPaint | null, patches: readonly MeasuredPatch[], paperId: string): RowFit["fit"] {
  const { reader } = useRoom();
  const key = paint ? JSON.stringify([paint.id, paint.pigments, paint.tintingStrength, patches, paperId]) : "";
  const [done, setDone] = useState<{ key: string; fit: NonNullable<RowFit["fit"]> } | null>(null);
  useEffect(() => {
    let stale = false;
    if (!paint || patches.length === 0) return;
    const set = (fit: NonNullable<RowFit["fit"]>): void => {
      if (!stale) setDone({ key, fit });
    };
    reader.fit({ paint: messageOf({ ...paint, measured: null }), patches: patches.map((patch) => ({ ...patch, reflectance: patch.reflectance && [...patch.reflectance], cutOff: patch.cutOff && [...patch.cutOff], lab: { ...patch.lab } })), paperId })
      .then(set, (error: Error) => set({ refused: error.message }));
    return () => {
      stale = true;
    };
    // The key says all that the fit depends on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [reader, key]);
  return done?.key === key ? done.fit : null;
}

/** A row's patches as they are to be fitted, with what the painter left out. */
export function useRowPatches(row: RowRead, edits: CardEdits): readonly MeasuredPatch[] {
  return useMemo(
    () => patchesOfRow(row, CARD_WATER).map((patch, index) => (edits.leftOut[placeKey(row.row, index)] ? { ...patch, leftOut: true } : patch)),
    [row, edits.leftOut],
  );
}

/** Reads an open card anew whenever the painter has changed how it is to be read. */
export function useRereading(photo: CardPhoto | undefined, edits: CardEdits, setRead: (change: Partial<CardPhoto>) => void): void {
  const { reader } = useRoom();
  const id = photo?.state === "read" || photo?.state === "refused" ? photo.stored?.id : undefined;
  const key = readingKey(edits);
  const read = photo?.readFor;
  useEffect(() => {
    if (!id || read === undefined || read === key) return;
    let stale = false;
    void readWith(reader, id, edits).then((change) => !stale && setRead(change), () => {});
    return () => {
      stale = true;
    };
  }, [reader, id, key, read, edits, setRead]);
}
