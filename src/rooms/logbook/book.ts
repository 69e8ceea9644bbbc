"use client";

import { createContext, useContext } from "react";
import { paintModel, predict, type PaintModel } from "@/core/mixing";
import { paperUnder } from "@/core/mixing";
import { loadOfWater, paperById, type Paper } from "@/core/optics";
import type { Lab } from "@/core/colour";
import { pigmentById } from "@/core/pigments";
import { asLaid } from "@/model/as-laid";
import type { LearnedBook, LogEntry, LoggedMix, LoggedPaint } from "@/model/logbook";
import type { PaintingTitle, StockedPaint } from "@/storage/ports";

/** What every part of the logbook knows: the paints, the paintings, and what the book has taught. */
export interface Book {
  readonly paints: ReadonlyMap<string, StockedPaint>;
  readonly titles: readonly PaintingTitle[];
  readonly learned: LearnedBook | null;
  /** What it had taught before the last change; the same while nothing was changed. */
  readonly before: LearnedBook | null;
}

const BookContext = createContext<Book | null>(null);
export const BookProvider = BookContext.Provider;

export function useBook(): Book {
  const book = useContext(BookContext);
  if (!book) throw new Error("Only usable in the logbook.");
  return book;
}

/** Colour Index names of a paint's pigments. */
export const codesOf = ({ pigments }: Pick<LoggedPaint, "pigments">): string =>
  pigments.map(({ pigmentId }) => pigmentById(pigmentId).code).join(" ");

/** A paint as it is now, or as the entry remembers it; null when neither knows it. */
export function paintOf(id: string, entry: Pick<LogEntry, "paints">, { paints }: Pick<Book, "paints">) {
  return paints.get(id) ?? entry.paints.find((paint) => paint.id === id) ?? null;
}

/** The model of a paint as this painter lays it on a paper. */
export function modelIn(
  id: string,
  entry: Pick<LogEntry, "paints">,
  { paints, learned }: Pick<Book, "paints" | "learned">,
  paperId: string,
): PaintModel | null {
  const own = paints.get(id);
  const logged = entry.paints.find((paint) => paint.id === id);
  if (!own && !logged) return null;
  const measured = learned?.paints[id] ?? own?.measured ?? null;
  const { pigments, tintingStrength } = (own ?? logged)!;
  const laid = asLaid({ tintingStrength, measured }, learned, paperId);
  return paintModel(id, pigments, laid.tintingStrength, laid.measured);
}

/** A swatch's paints with their models; null while one of them is not known or there is none. */
export function mixIn(
  parts: LoggedMix["parts"],
  entry: Pick<LogEntry, "paints" | "paperId">,
  book: Pick<Book, "paints" | "learned">,
) {
  const known = parts.flatMap(({ paintId, parts: amount }) => {
    const paint = modelIn(paintId, entry, book, entry.paperId);
    return paint ? [{ paint, parts: amount }] : [];
  });
  return known.length > 0 && known.length === parts.length ? known : null;
}

/** The sheet that a swatch lies on: bare paper, or the wash below it. */
export function groundIn(
  { over }: Pick<LoggedMix, "over">,
  entry: Pick<LogEntry, "paints" | "paperId">,
  book: Pick<Book, "paints" | "learned">,
): Paper {
  const paper = paperById(entry.paperId);
  const below = over && mixIn(over.parts, entry, book);
  return below && over ? paperUnder({ mix: below, load: loadOfWater(over.waterParts) }, paper) : paper;
}

/** What a swatch is predicted to dry to now; null while its paints are not known. */
export function predictedIn(
  mix: Pick<LoggedMix, "parts" | "waterParts" | "over">,
  entry: Pick<LogEntry, "paints" | "paperId">,
  book: Pick<Book, "paints" | "learned">,
): Lab | null {
  const parts = mixIn(mix.parts, entry, book);
  return parts && predict(parts, loadOfWater(mix.waterParts), groundIn(mix, entry, book)).dry;
}

/** The colour that a swatch is shown in: as it dried, else as it is predicted. */
export const colourIn = (
  mix: LoggedMix,
  entry: Pick<LogEntry, "paints" | "paperId">,
  book: Pick<Book, "paints" | "learned">,
): Lab | null => (mix.read && mix.read.by !== "value" ? mix.read.lab : predictedIn(mix, entry, book));
