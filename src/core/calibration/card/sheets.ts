import type { WaterParts } from "../../optics/load";
import { BOX_WATER, CARD_WATER, WASH_NAMES } from "../washes";
import { BOX_COLUMNS, BOX_PLACES, boxPaperPlaces, boxReadingPlaces, boxWindow } from "./box-layout";
import { paperPlaces, readingPlaces, ROWS, windowBox, type Box, type ReadingPlace } from "./layout";

/** A card tells all of four paints; the box sheet tells a whole box in two washes each. */
export const SHEET_KINDS = ["card", "box"] as const;
export type SheetKind = (typeof SHEET_KINDS)[number];

/** What differs between the two kinds of sheet; marks, size and number are the same. */
export interface SheetLayout {
  /** Paints that have a place, counted from 0: a card's rows, a box sheet's pairs of washes. */
  readonly paints: number;
  /** Water to one part of paint in each of a paint's swatches. */
  readonly water: readonly WaterParts[];
  readonly washNames: readonly string[];
  readonly readingPlaces: (paint: number) => readonly ReadingPlace[];
  readonly paperPlaces: (paint: number) => readonly Box[];
  /** What is cut out of the frame. */
  readonly windows: readonly Box[];
}

export const SHEETS: Readonly<Record<SheetKind, SheetLayout>> = {
  card: {
    paints: ROWS,
    water: CARD_WATER,
    washNames: WASH_NAMES,
    readingPlaces,
    paperPlaces,
    windows: Array.from({ length: ROWS }, (_, row) => windowBox(row)),
  },
  box: {
    paints: BOX_PLACES,
    water: BOX_WATER,
    washNames: ["neat", "thinned"],
    readingPlaces: boxReadingPlaces,
    paperPlaces: boxPaperPlaces,
    windows: Array.from({ length: BOX_PLACES / BOX_COLUMNS }, (_, line) => boxWindow(line)),
  },
};
