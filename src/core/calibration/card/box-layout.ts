import { CARD, CORE_SHARE, inner, type Box, type Mm, type ReadingPlace } from "./layout";

/** Paints on one box sheet: four in a line, six lines. */
export const BOX_PLACES = 24;
export const BOX_COLUMNS = 4;
const LINES = BOX_PLACES / BOX_COLUMNS;
/** Washes of a paint, side by side: neat, then thinned. */
export const BOX_WASHES = 2;

const TOP: Mm = 9;
const LINE_PITCH: Mm = (CARD.height - 2 * TOP) / LINES;
const COLUMN_PITCH: Mm = CARD.width / BOX_COLUMNS;
const WASH = { width: 17.5, height: 23, gap: 3.5, below: 9 } as const;
const MARGIN: Mm = (COLUMN_PITCH - BOX_WASHES * WASH.width - WASH.gap) / 2;

/** Where a paint's wash is to be painted; paints are counted along the lines. */
export function boxWash(paint: number, wash: number): Box {
  return {
    x: (paint % BOX_COLUMNS) * COLUMN_PITCH + MARGIN + wash * (WASH.width + WASH.gap),
    y: TOP + Math.floor(paint / BOX_COLUMNS) * LINE_PITCH + WASH.below,
    width: WASH.width,
    height: WASH.height,
  };
}

/** The window of a line in the cut-out frame: the washes of its four paints and the paper between them. */
export function boxWindow(line: number): Box {
  const { y, height } = boxWash(line * BOX_COLUMNS, 0);
  return { x: 1, y: y - 1, width: CARD.width - 2, height: height + 2 };
}

/** The places of a paint that are read: the middles of its washes. */
export function boxReadingPlaces(paint: number): readonly ReadingPlace[] {
  return Array.from({ length: BOX_WASHES }, (_, swatch) => ({
    row: paint,
    what: "wash",
    swatch,
    box: inner(boxWash(paint, swatch), CORE_SHARE),
  }));
}

const STRIP: Mm = 1.8;

/**
 * Bare paper right of a paint's washes (of its first alone at the sheet's right side), each as an upper and a lower
 * half.
 */
export function boxPaperPlaces(paint: number): readonly Box[] {
  const atSide = paint % BOX_COLUMNS === BOX_COLUMNS - 1;
  return (atSide ? [0] : [0, 1]).flatMap((wash) => {
    const { x, y, width, height } = boxWash(paint, wash);
    const gap = wash === 0 ? WASH.gap : 2 * MARGIN;
    const left = x + width + (gap - STRIP) / 2;
    return [
      { x: left, y: y + 2, width: STRIP, height: height / 2 - 3 },
      { x: left, y: y + height / 2 + 1, width: STRIP, height: height / 2 - 3 },
    ];
  });
}
