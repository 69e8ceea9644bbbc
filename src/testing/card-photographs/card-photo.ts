import { cellsOfNumber, FRAME_NUMBER } from "@/core/calibration/card/card-number";
import { mapPoint, homographyOf } from "@/core/calibration/card/homography";
import { boxWash } from "@/core/calibration/card/box-layout";
import {
  cellBox,
  lineBox,
  FIDUCIAL,
  FIDUCIAL_CENTRES,
  KIND_CELLS,
  swatchBox,
  type Box,
} from "@/core/calibration/card/layout";
import { SHEETS, type SheetKind } from "@/core/calibration/card/sheets";
import { valueNoise } from "@/core/optics/wash-pixels";
import { encodedSrgb } from "../encoded-srgb";
import type { Camera } from "./camera";
import { FINE_NM } from "@/core/simulation/fine-bands";
import { normalFrom } from "@/core/numeric/normal";
import { trueFilm, unevennessOf, type TrueSheet } from "@/core/simulation/true-film";
import type { TruePaint } from "@/core/simulation/true-paint";

/**
 * A paint's swatches as they lie there: what the film of any load looks like (reflectance by 5 nm), and how the load
 * is spread.
 */
export interface PaintedRow {
  readonly seen: (load: number, under: "paper" | "black") => Float64Array;
  /** Relative spread of the load from grain to grain. */
  readonly grain: number;
  /** True loads of its swatches. */
  readonly loads: readonly number[];
}

/** A sheet as it lies there painted and dry. */
export interface PaintedCard {
  /** A card unless said otherwise. */
  readonly kind?: SheetKind;
  /** The bare sheet and the bare ink, seen from outside, by 5 nm. */
  readonly paper: Float64Array;
  readonly ink: Float64Array;
  /** By place; null for one left bare. */
  readonly rows: readonly (PaintedRow | null)[];
  readonly number: number;
  /** A cut-out frame of office paper lies over the sheet. */
  readonly framed?: boolean;
  /** Water dropped into a swatch that was still wet. */
  readonly bloom?: { readonly row: number; readonly swatch: number };
  readonly seed: number;
}

/** A paint of the simulated bench on its sheet. */
export const benchRow = (
  sheet: TrueSheet,
  black: Float64Array,
  paint: TruePaint,
  loads: readonly number[],
): PaintedRow => ({
  loads,
  grain: unevennessOf(paint.granulation, sheet),
  seen: (load, under) =>
    trueFilm(
      [{ paint, share: 1 }],
      load,
      sheet,
      0.5 * unevennessOf(paint.granulation, sheet),
      under === "paper" ? sheet.ground : black,
    ),
});

/** The bare sheet and its ink on the simulated bench. */
export const benchSheet = (sheet: TrueSheet, black: Float64Array): Pick<PaintedCard, "paper" | "ink"> => ({
  paper: sheet.reflectance,
  ink: trueFilm([], 0, sheet, 0, black),
});

type Rgb3 = readonly [number, number, number];

const TABLED_LOADS = Array.from({ length: 48 }, (_, i) => 0.003 * (3 / 0.003) ** (i / 47));
const OFFICE_PAPER = Float64Array.from(FINE_NM, (nm) => 0.87 + 0.12 * Math.exp(-0.5 * ((nm - 442) / 24) ** 2));
const TABLE = Float64Array.from(FINE_NM, (nm) => 0.16 + 0.00025 * (nm - 380));

const inBox = (x: number, y: number, b: Box, by = 0): boolean =>
  x >= b.x - by && x <= b.x + b.width + by && y >= b.y - by && y <= b.y + b.height + by;

/** Colours of one ground under a paint at any load, as the camera makes them. */
function ramp({ seen }: PaintedRow, under: "paper" | "black", camera: Camera): (load: number) => Rgb3 {
  const colours = TABLED_LOADS.map((load) => camera.rgbOf(seen(load, under)));
  const step = Math.log(TABLED_LOADS[1]! / TABLED_LOADS[0]!);
  return (load) => {
    const at = Math.min(TABLED_LOADS.length - 1.001, Math.max(0, Math.log(load / TABLED_LOADS[0]!) / step));
    const i = Math.floor(at);
    const [low, high] = [colours[i], colours[i + 1]];
    return [
      low![0] + (at - i) * (high![0] - low![0]),
      low![1] + (at - i) * (high![1] - low![1]),
      low![2] + (at - i) * (high![2] - low![2]),
    ];
  };
}

/** How the load of a swatch runs: grain, the brush's slope, the rim, a bloom; null outside its ragged edge. */
function loadIn(
  box: Box,
  x: number,
  y: number,
  load: number,
  grain: number,
  seed: number,
  bloom: boolean,
): number | null {
  const ragged = 0.7 * valueNoise(x / 3, y / 3, seed);
  const toEdge = Math.min(x - box.x, box.x + box.width - x, y - box.y, box.y + box.height - y) + ragged;
  if (toEdge < 0) return null;
  const texture =
    1 + grain * (0.9 * valueNoise(x / 0.55, y / 0.55, seed + 1) + 0.7 * valueNoise(x / 2.2, y / 2.2, seed + 2));
  const slope = 1 + 0.07 * (((y - box.y) / box.height - 0.5) * 2) + 0.04 * (((x - box.x) / box.width - 0.5) * 2);
  const rim = toEdge < 1.1 ? 1.5 : 1;
  let pool = 1;
  if (bloom) {
    const r =
      Math.hypot(x - box.x - 0.62 * box.width, y - box.y - 0.4 * box.height) + 1.2 * valueNoise(x / 2, y / 2, seed + 3);
    pool = r < 5 ? 0.45 : r < 6.5 ? 1.6 : 1;
  }
  return Math.max(0.003, load * Math.max(0.2, texture) * slope * rim * pool);
}

/** The paper that the card is printed on, in the card's mm. */
const SHEET: Box = { x: -17, y: -26, width: 210, height: 288 };

/** Whether a place of the sheet may lie in one of some boxes: told by the square millimetre, never wrongly "no". */
function nearBoxes(boxes: readonly Box[]): (x: number, y: number) => boolean {
  const across = SHEET.width + 1;
  const squares = new Uint8Array(across * (SHEET.height + 1));
  for (const box of boxes)
    for (let y = Math.floor(box.y); y <= Math.floor(box.y + box.height); y++)
      for (let x = Math.floor(box.x); x <= Math.floor(box.x + box.width); x++)
        squares[(y - SHEET.y) * across + x - SHEET.x] = 1;
  return (x, y) => squares[(Math.floor(y) - SHEET.y) * across + Math.floor(x) - SHEET.x] === 1;
}

/** What colour the camera makes of each place of the card, before light, noise and blur. */
function scene(card: PaintedCard, camera: Camera): (x: number, y: number) => Rgb3 {
  const { seed, kind = "card" } = card;
  const paper = camera.rgbOf(card.paper);
  const ink = camera.rgbOf(card.ink);
  const around = card.framed ? camera.rgbOf(OFFICE_PAPER) : paper;
  const table = camera.rgbOf(TABLE);
  const rows = card.rows.map(
    (row) =>
      row && {
        ...row,
        onPaper: ramp(row, "paper", camera),
        onBlack: kind === "card" ? ramp(row, "black", camera) : null,
      },
  );
  const cells = [
    ...cellsOfNumber(card.framed ? FRAME_NUMBER : card.number).flatMap((on, i) => (on ? [cellBox(i)] : [])),
    ...(kind === "box" ? KIND_CELLS.map(cellBox) : []),
  ];
  const { windows } = SHEETS[kind];
  const perWindow = SHEETS[kind].paints / windows.length;
  const lines = kind === "card" ? card.rows.map((_, row) => lineBox(row)) : [];
  const boxes = card.rows.map((row, place) =>
    (row?.loads ?? []).map((_, swatch) => (kind === "card" ? swatchBox(place, swatch) : boxWash(place, swatch))),
  );
  const rings = FIDUCIAL_CENTRES.map((mark, i) => ({
    ...mark,
    outer2: FIDUCIAL.radius ** 2,
    inner2: (i === 0 ? FIDUCIAL.wideHole : FIDUCIAL.hole) ** 2,
  }));
  const perhaps = nearBoxes([
    ...cells,
    ...FIDUCIAL_CENTRES.map(({ x, y }) => ({
      x: x - FIDUCIAL.radius,
      y: y - FIDUCIAL.radius,
      width: 2 * FIDUCIAL.radius,
      height: 2 * FIDUCIAL.radius,
    })),
  ]);
  const printed = (x: number, y: number): boolean => {
    if (!perhaps(x, y)) return false;
    for (let i = 0; i < rings.length; i++) {
      const ring = rings[i]!;
      const r2 = (x - ring.x) * (x - ring.x) + (y - ring.y) * (y - ring.y);
      if (r2 <= ring.outer2 && r2 >= ring.inner2) return true;
    }
    for (let i = 0; i < cells.length; i++) if (inBox(x, y, cells[i]!)) return true;
    return false;
  };
  return (x, y) => {
    if (x < SHEET.x || x > SHEET.x + SHEET.width || y < SHEET.y || y > SHEET.y + SHEET.height) return table;
    if (printed(x, y)) return ink;
    for (let line = 0; line < windows.length; line++) {
      const window = windows[line]!;
      if (!inBox(x, y, window, 1)) {
        // Words above the row.
        if (y > window.y - 5 && y < window.y - 2.5 && x > 4 && x < 60 && valueNoise(x * 1.6, y * 0.4, seed) > 0.35)
          return ink;
        continue;
      }
      if (card.framed && !inBox(x, y, window)) return around;
      const onLine = kind === "card" && lines[line] !== undefined && inBox(x, y, lines[line]!);
      for (let row = perWindow * line; row < Math.min(rows.length, perWindow * (line + 1)); row++) {
        const painted = rows[row];
        for (let swatch = 0; painted && swatch < painted.loads.length; swatch++) {
          const box = boxes[row]![swatch]!;
          if (!inBox(x, y, box, 1)) continue;
          const bloom = card.bloom?.row === row && card.bloom.swatch === swatch;
          const load = loadIn(box, x, y, painted.loads[swatch]!, painted.grain, seed + 40 * row + 5 * swatch, bloom);
          if (load !== null) return onLine && painted.onBlack ? painted.onBlack(load) : painted.onPaper(load);
        }
      }
      return onLine ? ink : paper;
    }
    return around;
  };
}

/** Blurs planes of three by a Gaussian in two passes, in place: along the rows, then across them. */
function blur(light: Float32Array, width: number, height: number, sigma: number): void {
  const reach = Math.max(1, Math.ceil(2.5 * sigma));
  const kernel = Float64Array.from({ length: 2 * reach + 1 }, (_, i) => Math.exp(-0.5 * ((i - reach) / sigma) ** 2));
  const total = kernel.reduce((sum, k) => sum + k, 0);
  const length = 3 * width;
  const between = new Float32Array(light.length);
  const sums = new Float64Array(length);
  const add = (weight: number, from: Float32Array, at: number): void => {
    for (let i = 0; i < length; i++) sums[i]! += weight * from[at + i]!;
  };
  const put = (to: Float32Array, y: number): void => {
    for (let i = 0; i < length; i++) to[y * length + i] = sums[i]! / total;
    sums.fill(0);
  };
  // A row with its ends repeated outwards, so that no pixel of it needs to ask where it lies.
  const row = new Float32Array(length + 6 * reach);
  for (let y = 0; y < height; y++) {
    row.set(light.subarray(y * length, (y + 1) * length), 3 * reach);
    for (let i = 0; i < reach; i++)
      for (let c = 0; c < 3; c++) {
        row[3 * i + c] = light[y * length + c]!;
        row[length + 3 * (reach + i) + c] = light[(y + 1) * length - 3 + c]!;
      }
    for (let k = 0; k <= 2 * reach; k++) add(kernel[k]!, row, 3 * k);
    put(between, y);
  }
  for (let y = 0; y < height; y++) {
    for (let k = 0; k <= 2 * reach; k++)
      add(kernel[k]!, between, Math.min(height - 1, Math.max(0, y + k - reach)) * length);
    put(light, y);
  }
}

/** The photo of a painted card: encoded sRGB, 4 bytes a pixel. */
export function photographCard(
  card: PaintedCard,
  camera: Camera,
  random: () => number,
): Uint8ClampedArray<ArrayBuffer> {
  const { widthPx, heightPx, noise } = camera;
  const normal = normalFrom(random);
  const colourAt = scene(card, camera);
  const onCard = homographyOf(
    FIDUCIAL_CENTRES.map((mark) => mapPoint(camera.onPhoto, mark)),
    FIDUCIAL_CENTRES,
  )!;
  const light = new Float32Array(3 * widthPx * heightPx);
  const mean = new Float64Array(3);
  for (let py = 0; py < heightPx; py++) {
    for (let px = 0; px < widthPx; px++) {
      const shade = 0.5 * camera.lightAt(px / widthPx, py / heightPx);
      const at = 3 * (py * widthPx + px);
      const one = mapPoint(onCard, { x: px + 0.25, y: py + 0.3 });
      const other = mapPoint(onCard, { x: px + 0.75, y: py + 0.7 });
      const colour = colourAt(one.x, one.y);
      const beside = colourAt(other.x, other.y);
      for (let c = 0; c < 3; c++) {
        const seen = shade * colour[c]! + shade * beside[c]!;
        light[at + c] = seen;
        mean[c]! += seen;
      }
    }
  }
  if (camera.blurPx > 0) blur(light, widthPx, heightPx, camera.blurPx);
  const stray = mean.map((sum) => (camera.flare * sum) / (widthPx * heightPx));
  const [dark, shot] = [noise.dark ** 2, noise.shot ** 2];
  const pixels = new Uint8ClampedArray(4 * widthPx * heightPx);
  for (let i = 0; i < widthPx * heightPx; i++) {
    for (let c = 0; c < 3; c++) {
      const clean = light[3 * i + c]! + stray[c]!;
      const noisy = clean + normal() * Math.sqrt(dark + shot * Math.max(0, clean));
      pixels[4 * i + c] = encodedSrgb(noisy);
    }
    pixels[4 * i + 3] = 255;
  }
  return pixels;
}
