import { labOfXyz } from "../../spectrum/lab";
import { linearSrgbOfLinearP3, linearP3OfXyz, xyzOfLinearP3 } from "../../spectrum/display-p3";
import type { Reflectance } from "../../spectrum/bands";
import type { Lab, Rgb } from "../../spectrum/colour";
import { xyzOfReflectance } from "../../spectrum/xyz";
import type { BoxPixels } from "./pixels";
import { medianOf, robustDeviation } from "./pixels";
import type { PaperLight } from "./light";
import { AS_SEEN, type Correction } from "./references";

/** What a place on the card was read as. */
export interface PatchReading {
  readonly lab: Lab;
  /** How much its lightness varies over the wash, standard deviation in L* of spots a good half millimetre wide. */
  readonly texture: number;
  /** Share of the place left out as edge, bloom, speck or shine. */
  readonly leftOut: number;
  /** Channels (linear sRGB) that the photo cut off at nothing. */
  readonly cutOff: readonly [boolean, boolean, boolean];
  /** Uncertainty of the colour from the wash's own unevenness, dE00. */
  readonly unsure: number;
}

/** Spots further than this many deviations from the middle lightness are left out, but never those within 2 L*. */
const CUT = 2.4;
const LEAST_L = 1.2;
/** A channel at or below this (linear) was cut off: the first three levels of a byte. */
const NOTHING = 0.0012;
const SPOT_MM = 0.6;

const lightnessOf = (Y: number): number => 116 * Math.cbrt(Math.max(1e-6, Y)) - 16;

/**
 * Colour of a painted place relative to the bare paper beside it: every pixel over the light
 * there, spots far from the middle left out, the mean of the rest, as it looks on this paper.
 */
export function readPatch(pixels: BoxPixels, light: PaperLight, paper: Reflectance, correction: Correction = AS_SEEN): PatchReading {
  const white = linearP3OfXyz(xyzOfReflectance(paper));
  const spots = new Map<string, { n: number; sum: [number, number, number]; cut: [number, number, number] }>();
  for (let i = 0; i < pixels.count; i++) {
    const [x, y] = [pixels.places[2 * i], pixels.places[2 * i + 1]];
    const own = light.at(x, y);
    const key = `${Math.floor(x / SPOT_MM)} ${Math.floor(y / SPOT_MM)}`;
    const spot = spots.get(key) ?? { n: 0, sum: [0, 0, 0], cut: [0, 0, 0] };
    spots.set(key, spot);
    const seen = linearSrgbOfLinearP3({ r: pixels.linear[3 * i], g: pixels.linear[3 * i + 1], b: pixels.linear[3 * i + 2] });
    spot.n++;
    for (let c = 0; c < 3; c++) spot.sum[c] += pixels.linear[3 * i + c] / own[c];
    if (seen.r < NOTHING) spot.cut[0]++;
    if (seen.g < NOTHING) spot.cut[1]++;
    if (seen.b < NOTHING) spot.cut[2]++;
  }
  const list = [...spots.values()].map(({ n, sum, cut }) => ({ n, linear: sum.map((v) => v / n), cut, L: lightnessOf((0.23 * sum[0] + 0.69 * sum[1] + 0.08 * sum[2]) / n) }));
  const middle = medianOf(list.map(({ L }) => L));
  const limit = CUT * Math.max(LEAST_L, robustDeviation(list.map(({ L }) => L), middle));
  const kept = list.filter(({ L }) => Math.abs(L - middle) <= limit);
  const total = kept.reduce((sum, { n }) => sum + n, 0);
  const mean = (c: number): number => kept.reduce((sum, { n, linear }) => sum + n * linear[c], 0) / total;
  const seen: Rgb = correction({ r: mean(0), g: mean(1), b: mean(2) });
  const lab = labOfXyz(xyzOfLinearP3({ r: white.r * seen.r, g: white.g * seen.g, b: white.b * seen.b }));
  const texture = Math.sqrt(kept.reduce((sum, { L }) => sum + (L - middle) ** 2, 0) / kept.length);
  const cut = (c: number): boolean => kept.reduce((sum, spot) => sum + spot.cut[c], 0) > 0.3 * total;
  const leftOut = 1 - total / pixels.count;
  return { lab, texture, leftOut, cutOff: [cut(0), cut(1), cut(2)], unsure: 0.12 * texture + 1.5 * leftOut };
}
