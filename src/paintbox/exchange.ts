"use client";

import { PAPERS, screenColourOfLab, predict, writeGimpPalette, writeTable, type PaintModel, type PaintRow } from "@/core";
import { newPaint, paintboxDocument, paintFaults, paintForm, paintStatus, type PaintboxDocument, type PaintEntry } from "@/model/paintbox";
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

const numberOr = (text: string | undefined): number | null => (text ? Number(text.replace(",", ".")) : null);

/** A paint of the table as an entry, or why it can't be one. */
export function entryOfRow(row: PaintRow, today: string): PaintEntry | { readonly reason: string } {
  const { name, pigments, maker = "", line = "", currency = "", batch = "", notes = "", boughtOn, openedOn } = row;
  const entry = newPaint({
    id: crypto.randomUUID(), name, pigments: [...pigments], maker, line, currency, batch, notes,
    status: paintStatus.catch("owned").parse(row.status?.toLowerCase()),
    form: paintForm.catch("tube").parse(row.form?.toLowerCase()),
    sizeMl: numberOr(row.sizeMl?.replace(/\s*ml$/i, "")), price: numberOr(row.price), boughtOn: boughtOn ?? null, openedOn: openedOn ?? null,
  });
  const [fault] = Object.values(paintFaults(entry, today));
  return fault ? { reason: `${name}: ${fault}` } : entry;
}

/** Paints of an exported JSON file under new ids, or null when it is none. */
export function entriesOfJson(text: string): readonly PaintEntry[] | null {
  try {
    return paintboxDocument.parse(JSON.parse(text)).paints.map((paint) => ({ ...paint, id: crypto.randomUUID() }));
  } catch {
    return null;
  }
}
