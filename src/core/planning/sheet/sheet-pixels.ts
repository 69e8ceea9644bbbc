import { srgbOfLinear } from "../../colour/srgb";
import type { Point } from "../../image/frame";
import { blurred, noiseField, paperGrain } from "./fields";
import type { WashLook } from "./wash-look";

/** How a wash fills its area. `over` lies where the photo is nearest its own colour, `drop` where it is plainly so. */
export type SheetWashKind = "flat" | "graded" | "varied" | "over" | "drop";

/** A wash as it is seen on the sheet. */
export interface SheetWash {
  readonly label: number;
  readonly kind: SheetWashKind;
  /** What it is laid with, one to three; and what the photo shows where each belongs, OKLab. */
  readonly looks: readonly WashLook[];
  readonly photo: readonly (readonly [number, number, number])[];
  /** Colours of the same area that it is not, OKLab: where they are nearer, `over` and `drop` keep away. */
  readonly others: readonly (readonly [number, number, number])[];
  /** Ends of a graded wash, shares of the photo. */
  readonly run: { readonly from: Point; readonly to: Point } | null;
  /** It melts into what lies around it, since both are wet. */
  readonly soft: boolean;
}

/** The sheet on which washes are laid: the areas' map, and the photo's colours at its size. */
export interface SheetPlace {
  readonly width: number;
  readonly height: number;
  readonly labels: Uint8Array;
  /** Three numbers for each pixel. */
  readonly oklab: Float32Array;
  /** Size of a pixel on the sheet. */
  readonly mmPerPx: number;
}

/** Size of the grain of a sheet of watercolour paper, and width of an edge laid wet into wet, mm. From memory. */
const GRAIN_MM = 0.8;
const SOFT_EDGE_MM = 4;
/** How far a hand strays from the line, px; and how much a flat wash's load wanders. From memory. */
const STRAYS_PX = 1.6;
/** One line for both sides of an edge. */
const STRAY_SEED = 301;
const WANDERS = 0.06;
/** The photo is taken so blurred where colours melt, and where they don't, px. */
const MELTS_PX = 9;
const CRISP_PX = 2;
const MELTS_POWER = 3;
const CRISP_POWER = 24;
/** Grain at which all is hollow, or hill. */
const DEEP = 1.1;

export interface SheetFields {
  readonly grain: Float32Array;
  /** Where a hand strays to, across and down; and how the load of a wash wanders. */
  readonly strays: readonly [Float32Array, Float32Array];
  readonly drift: Float32Array;
  readonly melting: readonly Float32Array[];
  readonly crisp: readonly Float32Array[];
}

/** What does not hang on the washes: worked out once for a photo and its size on the sheet. */
export function sheetFields({ width, height, oklab, mmPerPx }: SheetPlace): SheetFields {
  const channels = [0, 1, 2].map((c) => Float32Array.from({ length: width * height }, (_, i) => oklab[3 * i + c]!));
  return {
    grain: paperGrain(width, height, Math.max(1.5, GRAIN_MM / mmPerPx)),
    strays: [noiseField(width, height, 9, STRAY_SEED), noiseField(width, height, 9, STRAY_SEED + 1)],
    drift: noiseField(width, height, 40, STRAY_SEED + 2),
    melting: channels.map((one) => blurred(one, width, height, MELTS_PX)),
    crisp: channels.map((one) => blurred(one, width, height, CRISP_PX)),
  };
}

/** Shares of colours at a place of the photo: the nearer, the more. */
function nearness(
  at: readonly Float32Array[],
  i: number,
  colours: readonly (readonly [number, number, number])[],
  power: number,
  out: Float64Array,
): void {
  let least = Infinity;
  for (let k = 0; k < colours.length; k++) {
    const [L, a, b] = colours[k]!;
    out[k] = Math.sqrt((at[0]![i]! - L) ** 2 + (at[1]![i]! - a) ** 2 + (at[2]![i]! - b) ** 2) + 1e-3;
    least = Math.min(least, out[k]!);
  }
  let sum = 0;
  for (let k = 0; k < colours.length; k++) sum += out[k] = (least / out[k]!) ** power;
  for (let k = 0; k < colours.length; k++) out[k]! /= sum;
}

/** The box around a label with a margin; null where it has no pixel. */
function boxOf({ width, height, labels }: SheetPlace, label: number, margin: number) {
  let [left, top, right, bottom] = [width, height, -1, -1];
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++)
      if (labels[i] === label) {
        if (x < left) left = x;
        if (x > right) right = x;
        if (y < top) top = y;
        bottom = y;
      }
  if (right < 0) return null;
  [left, top] = [Math.max(0, left - margin), Math.max(0, top - margin)];
  return {
    left,
    top,
    width: Math.min(width - 1, right + margin) - left + 1,
    height: Math.min(height - 1, bottom + margin) - top + 1,
  };
}

const smooth = (t: number): number => {
  const u = Math.min(1, Math.max(0, t));
  return u * u * (3 - 2 * u);
};

/** Lays one wash on the sheet: `light` is linear sRGB, three numbers for each pixel, and is changed in place. */
function lay(light: Float32Array, place: SheetPlace, fields: SheetFields, wash: SheetWash): void {
  const { width, height, labels } = place;
  const reach = wash.soft ? Math.max(2, Math.round(SOFT_EDGE_MM / place.mmPerPx / 2)) : 1;
  const box = boxOf(place, wash.label, 2 * reach + 3);
  if (!box) return;
  const mask = new Float32Array(box.width * box.height);
  const strays = wash.soft ? 0 : STRAYS_PX;
  for (let y = 0; y < box.height; y++) {
    const line = (box.top + y) * width + box.left;
    for (let x = 0; x < box.width; x++) {
      const px = Math.min(width - 1, Math.max(0, Math.round(box.left + x + strays * fields.strays[0][line + x]!)));
      const py = Math.min(height - 1, Math.max(0, Math.round(box.top + y + strays * fields.strays[1][line + x]!)));
      if (labels[py * width + px] === wash.label) mask[y * box.width + x] = 1;
    }
  }
  const near = blurred(mask, box.width, box.height, reach);
  const inner = wash.soft ? near : blurred(mask, box.width, box.height, 3);
  const melts = wash.kind === "varied";
  const photo = melts ? fields.melting : fields.crisp;
  const partial = wash.kind === "over" || wash.kind === "drop";
  const colours = partial ? [...wash.photo, ...wash.others] : wash.photo;
  const weights = new Float64Array(Math.max(1, colours.length));
  const along = wash.run && {
    x: (wash.run.to.x - wash.run.from.x) * width,
    y: (wash.run.to.y - wash.run.from.y) * height,
    fromX: wash.run.from.x * width,
    fromY: wash.run.from.y * height,
  };
  const length2 = along ? Math.max(1e-6, along.x ** 2 + along.y ** 2) : 1;
  for (let y = 0; y < box.height; y++) {
    const py = box.top + y;
    // Each area has its own part of the one field.
    const drifts = ((py + 91 * wash.label) % height) * width;
    for (let x = 0; x < box.width; x++) {
      const m = y * box.width + x;
      let covers = wash.soft ? smooth((near[m]! - 0.08) / 0.84) : smooth(near[m]! * 1.6 - 0.3);
      if (covers < 0.004) continue;
      const px = box.left + x;
      const i = py * width + px;
      const drift = fields.drift[drifts + ((px + 37 * wash.label) % width)]!;
      if (wash.looks.length === 1 && !partial) weights[0] = 1;
      else if (wash.kind === "graded" && along) {
        const t = Math.min(
          1,
          Math.max(0, ((px - along.fromX) * along.x + (py - along.fromY) * along.y) / length2 + 0.03 * drift),
        );
        const last = wash.looks.length - 1;
        for (let k = 0; k <= last; k++) weights[k] = Math.max(0, 1 - Math.abs(t * last - k));
      } else nearness(photo, i, colours, melts ? MELTS_POWER : CRISP_POWER, weights);
      if (partial) {
        // The part of the area that is this colour's own.
        let own = 0;
        for (let k = 0; k < wash.looks.length; k++) own += weights[k]!;
        covers *= own;
        if (covers < 0.004) continue;
        for (let k = 0; k < wash.looks.length; k++) weights[k]! /= own;
      }
      const grain = fields.grain[i]!;
      const rim = wash.soft || partial ? 0 : Math.max(0, 1 - (inner[m]! - 0.5) / 0.35);
      const depth = Math.min(1, Math.abs(grain) / DEEP);
      const place3 = grain > 0 ? 2 : 0;
      let [r, g, b] = [0, 0, 0];
      for (let k = 0; k < wash.looks.length; k++) {
        const weight = weights[k]!;
        if (weight < 0.002) continue;
        const { logShare, levels, logMin, logStep, logLoad, spread, rimGain } = wash.looks[k]!;
        const load =
          logLoad +
          1.7 * spread * grain -
          0.5 * spread * spread +
          WANDERS * drift +
          (rim > 0 && rimGain > 0 ? Math.log1p(rimGain * Math.min(1, rim)) : 0);
        const level = Math.min(levels - 1, Math.max(0, Math.round((load - logMin) / logStep)));
        const flat = 3 * (levels + level);
        const there = 3 * (place3 * levels + level);
        r += weight * (logShare[flat]! + depth * (logShare[there]! - logShare[flat]!));
        g += weight * (logShare[flat + 1]! + depth * (logShare[there + 1]! - logShare[flat + 1]!));
        b += weight * (logShare[flat + 2]! + depth * (logShare[there + 2]! - logShare[flat + 2]!));
      }
      light[3 * i]! *= Math.exp(covers * r);
      light[3 * i + 1]! *= Math.exp(covers * g);
      light[3 * i + 2]! *= Math.exp(covers * b);
    }
  }
}

/** Encoded bytes of linear light, by 4096 steps. */
const ENCODED = Uint8ClampedArray.from({ length: 4097 }, (_, i) => Math.round(255 * srgbOfLinear(i / 4096)));

/**
 * The sheet with these washes dried on it, in their order, as RGBA pixels in sRGB; bare paper where nothing lies.
 * Washes over each other multiply in linear light, which their looks are made for (each over what lies under it).
 * @param paper the bare sheet, linear sRGB
 */
export function sheetPixels(
  place: SheetPlace,
  fields: SheetFields,
  washes: readonly SheetWash[],
  paper: readonly [number, number, number],
): Uint8ClampedArray<ArrayBuffer> {
  const count = place.width * place.height;
  const light = new Float32Array(3 * count);
  for (let i = 0; i < light.length; i++) light[i] = paper[i % 3]!;
  for (const wash of washes) lay(light, place, fields, wash);
  const pixels = new Uint8ClampedArray(4 * count);
  for (let i = 0; i < count; i++) {
    for (let c = 0; c < 3; c++) pixels[4 * i + c] = ENCODED[Math.min(4096, Math.round(4096 * light[3 * i + c]!))]!;
    pixels[4 * i + 3] = 255;
  }
  return pixels;
}
