"use client";

import { screenColourOfLab } from "@/core/colour";
import { paletteName, writeGimpPalette, writeTable } from "@/core/formats";
import { predict, type PaintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import type { PaintboxDocument, PaintEntry } from "@/model/paintbox";
import { offerFile } from "@/ui/offer-file";

/** Paints as a table: all that their sheets hold. */
export const tableOf = (paints: readonly PaintEntry[]): string =>
  writeTable(paints.map(({ label, ...paint }) => ({ ...paint, ...label })));

export function exportCsv({ paints }: PaintboxDocument): void {
  offerFile("paintbox.csv", "text/csv", tableOf(paints));
}

export function exportJson(document: PaintboxDocument): void {
  offerFile("paintbox.json", "application/json", JSON.stringify(document, null, 2));
}

/** Each paint as one colour: a middle wash on white cotton. */
export function exportGimpPalette({ paints }: PaintboxDocument, modelOf: (paint: PaintEntry) => PaintModel): void {
  const colours = paints.map((paint) => {
    // With its pigments behind it a name is read back as the very paint.
    const name = paletteName(paint);
    const { rgb } = screenColourOfLab(predict([{ paint: modelOf(paint), parts: 1 }], 0.4, PAPERS[0]).dry);
    return { name, rgb: [rgb.r, rgb.g, rgb.b].map((c) => Math.round(255 * c)) as [number, number, number] };
  });
  offerFile("paintbox.gpl", "text/plain", writeGimpPalette("Paintbox", colours));
}
