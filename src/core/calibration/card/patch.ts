import { pairOf, tripleOf } from "../../numeric/tuples";
import { labOfXyz, lightnessOfLuminance } from "../../colour/lab";
import { linearSrgbOfLinearP3, linearP3OfXyz, xyzOfLinearP3 } from "../../colour/display-p3";
import type { Reflectance } from "../../colour/bands";
import type { Lab, Rgb } from "../../colour/colour";
import { xyzOfReflectance } from "../../colour/xyz";
import type { BoxPixels } from "./pixels";
import { medianOf, robustDeviation } from "./pixels";
import type { Illumination } from "./illumination";
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
/**
 * A channel of sRGB within these bounds (linear) was cut off: the first levels of a byte, and as far
 * below nothing as the working copy's rounding goes. Further below, the photo held more than sRGB.
 */
const NOTHING = { least: -0.0015, most: 0.0012 } as const;
const cutAt = (channel: number): boolean => channel > NOTHING.least && channel < NOTHING.most;
const SPOT_MM = 0.6;

/**
 * Colour of a painted place relative to the bare paper beside it: every pixel over the light
 * there, spots far from the middle left out, the mean of the rest, as it looks on this paper.
 */
export function readPatch(
  pixels: BoxPixels,
  light: Illumination,
  paper: Reflectance,
  correction: Correction = AS_SEEN,
): PatchReading {
  const white = linearP3OfXyz(xyzOfReflectance(paper));
  const { count, linear, places } = pixels;
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let i = 0; i < count; i++) {
    [left, right] = [Math.min(left, places[2 * i]!), Math.max(right, places[2 * i]!)];
    [top, bottom] = [Math.min(top, places[2 * i + 1]!), Math.max(bottom, places[2 * i + 1]!)];
  }
  const across = Math.max(1, Math.ceil((right - left) / SPOT_MM));
  const down = Math.max(1, Math.ceil((bottom - top) / SPOT_MM));
  /** Of each spot: pixels, sums of r, g, b relative to the paper, pixels cut off in r, g, b. */
  const sums = new Float64Array(7 * across * down);
  for (let i = 0; i < count; i++) {
    const [x, y] = pairOf([places[2 * i]!, places[2 * i + 1]!]);
    const own = light.at(x, y);
    const at =
      7 *
      (Math.min(down - 1, Math.floor((y - top) / SPOT_MM)) * across +
        Math.min(across - 1, Math.floor((x - left) / SPOT_MM)));
    const [r, g, b] = tripleOf([linear[3 * i]!, linear[3 * i + 1]!, linear[3 * i + 2]!]);
    const seen = linearSrgbOfLinearP3({ r, g, b });
    sums[at]!++;
    sums[at + 1]! += r / own[0];
    sums[at + 2]! += g / own[1];
    sums[at + 3]! += b / own[2];
    if (cutAt(seen.r)) sums[at + 4]!++;
    if (cutAt(seen.g)) sums[at + 5]!++;
    if (cutAt(seen.b)) sums[at + 6]!++;
  }
  const list = Array.from({ length: across * down }, (_, spot) => {
    const [n, r, g, b, ...cut] = sums.subarray(7 * spot, 7 * spot + 7);
    return {
      n,
      linear: [r! / n!, g! / n!, b! / n!],
      cut,
      L: lightnessOfLuminance(Math.max(0, 0.23 * r! + 0.69 * g! + 0.08 * b!) / n!),
    };
  }).filter(({ n }) => n! > 0);
  const middle = medianOf(list.map(({ L }) => L));
  const limit =
    CUT *
    Math.max(
      LEAST_L,
      robustDeviation(
        list.map(({ L }) => L),
        middle,
      ),
    );
  const kept = list.filter(({ L }) => Math.abs(L - middle) <= limit);
  const total = kept.reduce((sum, { n }) => sum + n!, 0);
  const mean = (c: number): number => kept.reduce((sum, { n, linear: own }) => sum + n! * own[c]!, 0) / total;
  const seen: Rgb = correction({ r: mean(0), g: mean(1), b: mean(2) });
  const lab = labOfXyz(xyzOfLinearP3({ r: white.r * seen.r, g: white.g * seen.g, b: white.b * seen.b }));
  const texture = Math.sqrt(kept.reduce((sum, { L }) => sum + (L - middle) ** 2, 0) / kept.length);
  const cut = (c: number): boolean => kept.reduce((sum, spot) => sum + spot.cut[c]!, 0) > 0.3 * total;
  const leftOut = 1 - total / count;
  return { lab, texture, leftOut, cutOff: [cut(0), cut(1), cut(2)], unsure: 0.12 * texture + 1.5 * leftOut };
}
