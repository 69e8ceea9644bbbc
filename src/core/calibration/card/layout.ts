/** A length on a sheet of swatches, mm. Its origin is the centre of the upper left mark; x runs right, y down. */
export type Mm = number;

export interface Box {
  readonly x: Mm;
  readonly y: Mm;
  readonly width: Mm;
  readonly height: Mm;
}

/** Between the centres of a sheet's corner marks. Fits A4 and US Letter alike with room for a printer's margin. */
export const CARD = { width: 176, height: 236 } as const;

/**
 * Corner marks: black discs with a round hole. The upper left one has a wide hole, so that a photo
 * taken from any side is known for what it is. Radii, mm.
 */
export const FIDUCIAL = { radius: 5, hole: 1.6, wideHole: 3.1 } as const;

/** Centres of the marks: upper left, upper right, lower right, lower left. */
export const FIDUCIAL_CENTRES: readonly { readonly x: Mm; readonly y: Mm }[] = [
  { x: 0, y: 0 },
  { x: CARD.width, y: 0 },
  { x: CARD.width, y: CARD.height },
  { x: 0, y: CARD.height },
];

/** Paints on one card, a row each. */
export const ROWS = 4;
/** Swatches of a row: four washes from neat to pale, then one across the black line. */
export const SWATCHES = 5;

const ROW_TOP: Mm = 14;
const ROW_PITCH: Mm = 53;
const SWATCH = { left: 4, width: 28, height: 34, pitch: 35, below: 8 } as const;
/** The swatch across the line is lower, so that the bare line shows above and below it. */
const ACROSS = { height: 24, below: 13 } as const;
const LINE_WIDTH: Mm = 6;

/** Where a row's swatch is to be painted. */
export function swatchBox(row: number, swatch: number): Box {
  const top = ROW_TOP + row * ROW_PITCH;
  const size = swatch === SWATCHES - 1 ? ACROSS : SWATCH;
  return { x: SWATCH.left + swatch * SWATCH.pitch, y: top + size.below, width: SWATCH.width, height: size.height };
}

/** The black line of a row. */
export function lineBox(row: number): Box {
  const across = swatchBox(row, SWATCHES - 1);
  return {
    x: across.x + (across.width - LINE_WIDTH) / 2,
    y: across.y - 5,
    width: LINE_WIDTH,
    height: ACROSS.height + 10,
  };
}

/** The window of a row in the cut-out frame: its swatches and the paper between and around them. */
export function windowBox(row: number): Box {
  return { x: 1, y: swatchBox(row, 0).y - 1, width: CARD.width - 2, height: SWATCH.height + 2 };
}

/** One place on a sheet that is read. */
export interface ReadingPlace {
  readonly row: number;
  readonly what: "wash" | "across on paper" | "across on line" | "bare line";
  /** Number of the wash, from 0 for neat; for what lies at a card's line SWATCHES - 1. */
  readonly swatch: number;
  readonly box: Box;
}

export const inner = ({ x, y, width, height }: Box, share: number): Box => ({
  x: x + ((1 - share) / 2) * width,
  y: y + ((1 - share) / 2) * height,
  width: width * share,
  height: height * share,
});

/** The middle of a swatch, where neither its edge nor the rim that dries there lies. */
export const CORE_SHARE = 0.62;

/** The places of a row that are read: four washes, the fifth on paper and on the line, and the bare line. */
export function readingPlaces(row: number): readonly ReadingPlace[] {
  const across = swatchBox(row, SWATCHES - 1);
  const line = lineBox(row);
  const [high, strip] = [0.7 * across.height, 0.62 * LINE_WIDTH];
  const middle = across.y + across.height / 2;
  const place = (what: ReadingPlace["what"], swatch: number, box: Box): ReadingPlace => ({ row, what, swatch, box });
  return [
    ...Array.from({ length: SWATCHES - 1 }, (_, i) => place("wash", i, inner(swatchBox(row, i), CORE_SHARE))),
    place("across on paper", SWATCHES - 1, { x: across.x + 3, y: middle - high / 2, width: 5.5, height: high }),
    place("across on line", SWATCHES - 1, {
      x: line.x + (LINE_WIDTH - strip) / 2,
      y: middle - high / 2,
      width: strip,
      height: high,
    }),
    place("bare line", SWATCHES - 1, {
      x: line.x + (LINE_WIDTH - strip) / 2,
      y: line.y + 0.8,
      width: strip,
      height: 2.6,
    }),
  ];
}

/** Bare paper between a row's swatches, each gap as an upper and a lower half. */
export function paperPlaces(row: number): readonly Box[] {
  return Array.from({ length: 2 * (SWATCHES - 1) }, (_, i) => {
    const left = swatchBox(row, i >> 1);
    const gap = SWATCH.pitch - SWATCH.width;
    return {
      x: left.x + left.width + gap / 2 - 1.5,
      y: left.y + (i % 2 ? SWATCH.height / 2 + 2 : 3),
      width: 3,
      height: SWATCH.height / 2 - 5,
    };
  });
}

/** Cells of a sheet's number below the rows: eight bits, then four to check them. */
export const NUMBER_CELLS = 12;
/** Two more cells after those: both black on a box sheet, both white on a card. */
export const KIND_CELLS = [NUMBER_CELLS, NUMBER_CELLS + 1] as const;
const CELL: Mm = 5;

/** Where a cell of the number or of the kind is printed; black is 1. */
export function cellBox(index: number): Box {
  return { x: 41.5 + index * 8 - CELL / 2, y: CARD.height - CELL / 2, width: CELL, height: CELL };
}
