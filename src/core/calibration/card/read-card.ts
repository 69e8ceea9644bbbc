import { LINEAR, type PixelArray } from "../../image/pixels";
import type { Lab } from "../../colour/colour";
import { deltaE00 } from "../../colour/difference";
import { labOfXyz } from "../../colour/lab";
import { linearP3OfXyz } from "../../colour/display-p3";
import type { Paper } from "../../optics/paper";
import { xyzOfReflectance } from "../../colour/xyz";
import { numberOfCells } from "./card-number";
import { mapPoint } from "./homography";
import { cellBox, KIND_CELLS, NUMBER_CELLS, type Box, type ReadingPlace } from "./layout";
import { SHEETS, type SheetKind } from "./sheets";
import { illuminationOf, type Illumination, type PaperSample } from "./illumination";
import { findCard, greyOf, type FoundCard } from "./fiducials";
import { readPatch, type PatchReading } from "./patch";
import { boxPixels, medianOf } from "./pixels";
import { correctionFrom } from "./references";
import type { CastHue, RowDoubt, RowRefusal, SheetRefusal } from "../refusal";
import { blurOf, sharpestEdge } from "./sharpness";

/** Limits of a photo that can be measured. From memory; tried out on the simulated bench. */
const LEAST_PX_PER_MM = 2.6;
const MOST_BLUR_MM = 0.6;
/** So blurred a picture, px of one a thousand px long, hides the marks themselves. */
const BLURRED_PX = 2.2;
const MOST_CAST = 1.9;
const MOST_UNEVEN = 2.4;
const DARKEST_PAPER = 0.1;
const BURNT = 250;

/** A place read on a card, where it lay, and what it was read as. */
interface PlaceRead {
  readonly place: ReadingPlace;
  /** Where it was read: the place's own box unless it was dragged. */
  readonly box: Box;
  readonly reading: PatchReading;
}

/** One paint's swatches on a sheet: a card's row, or a pair of a box sheet. */
export interface RowRead {
  /** Which of the sheet's places for paints, from 0. */
  readonly row: number;
  readonly places: readonly PlaceRead[];
  /** Null when the row can be measured. */
  readonly refused: RowRefusal | null;
  readonly doubts: readonly RowDoubt[];
}

/** A sheet of either kind read whole. */
export interface CardRead {
  readonly found: FoundCard;
  readonly kind: SheetKind;
  /** The sheet's printed number, 0 for the cut-out frame; null when it can't be made out. */
  readonly number: number | null;
  readonly rows: readonly RowRead[];
  /**
   * Brightest over darkest light on the card, how strong the cast is (largest over smallest channel of the paper) and
   * the blur, mm.
   */
  readonly unevenness: number;
  readonly cast: number;
  readonly blurMm: number;
}

/** How a sheet is to be read, beyond what is printed on it. */
export interface CardWishes {
  readonly paper: Paper;
  /** What the painter says it is, whatever its cells say. */
  readonly kind?: SheetKind;
  /** Rows with a paint. */
  readonly rows: readonly number[];
  /** Boxes that the painter has dragged, by "row place" (indices). */
  readonly moved?: Readonly<Record<string, Box>>;
  /** A grey card or chart patches in the photo: where, on the card's plane, and their known colour. */
  readonly references?: readonly { readonly box: Box; readonly lab: Lab }[];
}

export const placeKey = (row: number, index: number): string => `${row} ${index}`;

/** Whether each of the sheet's cells is printed: darker than half of the paper around it. */
function cellsOn(photo: PixelArray, { onPhoto }: FoundCard): boolean[] {
  const lightAt = (x: number, y: number): number => {
    const p = mapPoint(onPhoto, { x, y });
    const [px, py] = [Math.floor(p.x), Math.floor(p.y)];
    return px < 0 || py < 0 || px >= photo.width || py >= photo.height
      ? 1
      : LINEAR[photo.data[4 * (py * photo.width + px) + 1]!]!;
  };
  return Array.from({ length: NUMBER_CELLS + KIND_CELLS.length }, (_, i) => {
    const { x, y, width, height } = cellBox(i);
    const [cx, cy] = [x + width / 2, y + height / 2];
    const own = medianOf([-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => lightAt(cx + dx, cy + dy))));
    const around = medianOf([-1, 0, 1].flatMap((dx) => [lightAt(cx + 2 * dx, cy - 5), lightAt(cx + 2 * dx, cy + 5)]));
    return own < 0.5 * around;
  });
}

/** Bare paper on the photo, and the share of it that is burnt out. */
function paperOn(
  photo: PixelArray,
  found: FoundCard,
  kind: SheetKind,
  rows: readonly number[],
): { samples: PaperSample[]; burnt: number } {
  let [burnt, seen] = [0, 0];
  const samples = rows
    .flatMap((row) => SHEETS[kind].paperPlaces(row))
    .flatMap((box): PaperSample[] => {
      const { linear, count } = boxPixels(photo, found.onPhoto, box, found.pxPerMm);
      if (count < 6) return [];
      const channel = (c: number): number[] => Array.from({ length: count }, (_, i) => linear[3 * i + c]!);
      const top = LINEAR[BURNT]!;
      seen += count;
      for (let i = 0; i < count; i++)
        if (linear[3 * i]! >= top || linear[3 * i + 1]! >= top || linear[3 * i + 2]! >= top) burnt++;
      return [
        {
          x: box.x + box.width / 2,
          y: box.y + box.height / 2,
          linear: [medianOf(channel(0)), medianOf(channel(1)), medianOf(channel(2))],
        },
      ];
    });
  return { samples, burnt: seen > 0 ? burnt / seen : 0 };
}

/** How much of the light a wash takes where it takes most: rises from pale to neat. */
const density = (lab: Lab, paper: Lab): number =>
  Math.hypot(lab.L - paper.L, 0.6 * (lab.a - paper.a), 0.6 * (lab.b - paper.b));

function judgeRow(places: readonly PlaceRead[], paperLab: Lab): Pick<RowRead, "refused" | "doubts"> {
  const washes = places.filter(({ place }) => place.what === "wash");
  const from = (place: PlaceRead): number => deltaE00(place.reading.lab, paperLab);
  const line = places.find(({ place }) => place.what === "bare line");
  const across = places.find(({ place }) => place.what === "across on line");
  // A white can't be seen on the paper; on the black line it can.
  if (
    line &&
    across &&
    across.reading.lab.L > line.reading.lab.L + 6 &&
    washes.every(
      (wash) => wash.reading.lab.L > paperLab.L - 12 && Math.hypot(wash.reading.lab.a, wash.reading.lab.b) < 12,
    )
  ) {
    return { refused: null, doubts: [] };
  }
  if (washes.every((wash) => from(wash) < 3)) return { refused: { code: "bare row" }, doubts: [] };
  const pale = washes.find((wash) => from(wash) < 1.2);
  if (pale) return { refused: { code: "bare wash", wash: pale.place.swatch + 1 }, doubts: [] };
  for (let i = 0; i + 1 < washes.length; i++) {
    const [stronger, weaker] = [
      density(washes[i]!.reading.lab, paperLab),
      density(washes[i + 1]!.reading.lab, paperLab),
    ];
    // Yellows and deep stainers hardly change between the two strongest; a clear step the wrong way is another matter.
    if (weaker > 1.12 * stronger + 3) return { refused: { code: "out of order", wash: i + 2 }, doubts: [] };
  }
  const doubts: RowDoubt[] = [];
  if (line && line.reading.lab.L > 45) doubts.push({ code: "no black line" });
  const blotchy = places.find(({ reading, place }) => reading.leftOut > 0.3 && place.what === "wash");
  if (blotchy) doubts.push({ code: "blotchy", wash: blotchy.place.swatch + 1, leftOut: blotchy.reading.leftOut });
  const cut = washes.filter(({ reading }) => reading.cutOff.some(Boolean)).length;
  if (cut > 0) doubts.push({ code: "cut off", washes: cut });
  return { refused: null, doubts };
}

/** Reads rows of a card already found, under the light on it. */
function readRows(
  photo: PixelArray,
  { found, kind, light }: Pick<LitCard, "found" | "kind" | "light">,
  wishes: CardWishes,
): RowRead[] {
  const { paper, moved, references = [] } = wishes;
  const white = linearP3OfXyz(xyzOfReflectance(paper.reflectance));
  const correction = correctionFrom(
    references.map(({ box, lab }) => {
      const { linear, places, count } = boxPixels(photo, found.onPhoto, box, found.pxPerMm);
      const relative = (c: number): number =>
        medianOf(
          Array.from(
            { length: count },
            (_, i) => linear[3 * i + c]! / light.at(places[2 * i]!, places[2 * i + 1]!)[c]!,
          ),
        );
      return { seen: { r: relative(0), g: relative(1), b: relative(2) }, known: lab };
    }),
    white,
  );
  const bare = labOfXyz(xyzOfReflectance(paper.reflectance));
  const rows = wishes.rows.filter((row) => row < SHEETS[kind].paints);
  return rows.map((row) => {
    const places = SHEETS[kind].readingPlaces(row).map((place, index): PlaceRead => {
      const box = moved?.[placeKey(row, index)] ?? place.box;
      return {
        place,
        box,
        reading: readPatch(boxPixels(photo, found.onPhoto, box, found.pxPerMm), light, paper.reflectance, correction),
      };
    });
    return { row, places, ...judgeRow(places, bare) };
  });
}

/** A card found on a photo, with the light on it: what stays the same however its places are dragged. */
export interface LitCard extends Omit<CardRead, "rows"> {
  readonly light: Illumination;
}

/** Finds a card on a photo and measures the light on it, or tells why it can't be read. */
export function findLitCard(
  photo: PixelArray,
  rows: readonly number[],
  said?: SheetKind,
): LitCard | { readonly refused: SheetRefusal } {
  const found = findCard(photo);
  if ("seen" in found)
    return (sharpestEdge(greyOf(photo)) ?? 0) > BLURRED_PX
      ? { refused: { code: "blurred" } }
      : { refused: { code: "not found", seen: found.seen } };
  if (found.pxPerMm < LEAST_PX_PER_MM) return { refused: { code: "too small" } };
  const blurMm = blurOf(photo, found);
  if (blurMm > MOST_BLUR_MM) return { refused: { code: "blurred" } };
  const cells = cellsOn(photo, found);
  const number = numberOfCells(cells.slice(0, NUMBER_CELLS));
  const kind = said ?? (KIND_CELLS.every((cell) => cells[cell]) ? "box" : "card");
  const all = Array.from({ length: SHEETS[kind].paints }, (_, row) => row);
  const { samples, burnt } = paperOn(photo, found, kind, number === 0 ? rows : all);
  if (burnt > 0.2) return { refused: { code: "burnt out" } };
  const light = illuminationOf(samples);
  if (light.unusable > 0.5) return { refused: { code: "no bare paper" } };
  const middle = light.at(88, 118);
  if (Math.max(...middle) < DARKEST_PAPER) return { refused: { code: "too dark" } };
  const cast = Math.max(...middle) / Math.min(...middle);
  if (cast > MOST_CAST) return { refused: { code: "cast", looks: castHue(middle) } };
  if (light.unevenness > MOST_UNEVEN) return { refused: { code: "uneven", times: light.unevenness } };
  return { found, kind, number, light, unevenness: light.unevenness, cast, blurMm };
}

/** Reads the rows of a card already found. */
export function readLitCard(photo: PixelArray, { light, ...card }: LitCard, wishes: CardWishes): CardRead {
  return { ...card, rows: readRows(photo, { ...card, light }, wishes) };
}

/** Finds a card on a photo and reads it, or tells why it can't be read. */
export function readCard(photo: PixelArray, wishes: CardWishes): CardRead | { readonly refused: SheetRefusal } {
  const card = findLitCard(photo, wishes.rows, wishes.kind);
  return "refused" in card ? card : readLitCard(photo, card, wishes);
}

function castHue([r, g, b]: readonly [number, number, number]): CastHue {
  if (b < r && b < g) return r > 1.15 * g ? "orange" : "yellow";
  if (r < g && r < b) return b > g ? "blue" : "green";
  return r > b ? "pink" : "violet";
}
