"use client";

import { screenColourOfLab } from "@/core/colour";
import { writeGimpPalette, writeTable } from "@/core/formats";
import { predict, type PaintModel } from "@/core/mixing";
import { PAPERS } from "@/core/optics";
import type { PaintboxDocument, PaintEntry } from "@/model/paintbox";
import { offerFile } from "@/ui/offer-file";

export function exportCsv({ paints }: PaintboxDocument): void {
  offerFile("paintbox.csv", "text/csv", writeTable(paints));
}

export function exportJson(document: PaintboxDocument): void {
  offerFile("paintbox.json", "application/json", JSON.stringify(document, null, 2));
}

/** Each paint as one colour: a middle wash on white cotton. */
export function exportGimpPalette({ paints }: PaintboxDocument, modelOf: (paint: PaintEntry) => PaintModel): void {
  const colours = paints.map((paint) => {
    const { name } = paint;
    const { rgb } = screenColourOfLab(predict([{ paint: modelOf(paint), parts: 1 }], 0.4, PAPERS[0]).dry);
    return { name, rgb: [rgb.r, rgb.g, rgb.b].map((c) => Math.round(255 * c)) as [number, number, number] };
  });
  offerFile("paintbox.gpl", "text/plain", writeGimpPalette("Paintbox", colours));
}
