import type { PaintModel } from "../../mixing/paint";
import type { Reflectance } from "../../colour/bands";
import type { Lab, Rgb } from "../../colour/colour";
import { labOfXyz, xyzOfLab } from "../../colour/lab";
import { linearSrgbOfXyz, xyzOfLinearSrgb } from "../../colour/srgb";
import { xyzOfReflectance } from "../../colour/xyz";
import { solveLinear } from "../../numeric/solve";
import { rowFit, type Camera, type Ground, type Reading } from "./fit-optics";
import { leastSquares } from "../../numeric/least-squares";

/**
 * How a camera mixes its channels, beyond what its white balance took out: shares of the other two
 * that each channel takes on (red from green and blue, green from red and blue, blue from red and
 * green). Paper stays as it is.
 */
export type Crosstalk = readonly [number, number, number, number, number, number];

/** What each share is likely to be, one standard deviation. From memory; on the simulated bench 0.02 to 0.03 serve best. */
const LIKELY_SHARE = 0.022;

function mixed(mix: ArrayLike<number>, paper: Rgb): Camera {
  return (light) => {
    const [r, g, b] = [light.r / paper.r, light.g / paper.g, light.b / paper.b];
    return {
      r: paper.r * (r + mix[0] * (g - r) + mix[1] * (b - r)),
      g: paper.g * (g + mix[2] * (r - g) + mix[3] * (b - g)),
      b: paper.b * (b + mix[4] * (r - b) + mix[5] * (g - b)),
    };
  };
}

const lightOf = (paper: Reflectance): Rgb => linearSrgbOfXyz(xyzOfReflectance(paper));

/** One paint of a card with what was read of it. */
export interface CardPaint {
  readonly base: Pick<PaintModel, "optics" | "granulation">;
  readonly readings: readonly Reading[];
  readonly ground: Ground;
}

/** Remembers a function's last answer: of a card's paints only one moves at a time. */
function remembered(
  f: (at: Float64Array, camera: Camera | null) => number[],
): (at: Float64Array, camera: Camera | null, key: string) => number[] {
  let last: { at: Float64Array; key: string; value: number[] } | null = null;
  return (at, camera, key) => {
    if (last?.key !== key || !at.every((value, i) => value === last!.at[i]))
      last = { at: at.slice(), key, value: f(at, camera) };
    return last.value;
  };
}

/**
 * Estimates how the camera mixed its channels from all the paints of a card together: what each of
 * them misses in its own way is the paint's, what all miss alike is the camera's. Cameras' matrices
 * are made for ordinary colours; pure washes come out a little greyer.
 */
export function fitCrosstalk(paints: readonly CardPaint[]): Crosstalk {
  if (paints.length === 0) return [0, 0, 0, 0, 0, 0];
  const paper = lightOf(paints[0].ground.paper);
  const rows = paints.map(({ base, readings, ground }) => rowFit(base, readings, ground));
  const judged = rows.map(({ residuals }) => remembered(residuals));
  const from = rows.reduce<number[]>((list, { start }) => [...list, list[list.length - 1] + start.length], [0]);
  const shares = from[from.length - 1];
  const { at } = leastSquares(
    (numbers) => {
      const mix = numbers.subarray(shares);
      const camera = mixed(mix, paper);
      const list = judged.map((judge, i) => judge(numbers.subarray(from[i], from[i + 1]), camera, mix.join()));
      return Float64Array.from([...list.flat(), ...Array.from(mix, (share) => share / LIKELY_SHARE)]);
    },
    Float64Array.from([...rows.flatMap(({ start }) => [...start]), 0, 0, 0, 0, 0, 0]),
  );
  const [a, b, c, d, e, f] = at.subarray(shares);
  return [a, b, c, d, e, f];
}

/** A colour as it would have been read without the camera's mixing. */
export function withoutCrosstalkOf(lab: Lab, mix: Crosstalk, paperReflectance: Reflectance): Lab {
  const paper = lightOf(paperReflectance);
  const { r, g, b } = linearSrgbOfXyz(xyzOfLab(lab));
  const [m0, m1, m2, m3, m4, m5] = mix;
  const own = solveLinear(
    [
      [1 - m0 - m1, m0, m1],
      [m2, 1 - m2 - m3, m3],
      [m4, m5, 1 - m4 - m5],
    ],
    [r / paper.r, g / paper.g, b / paper.b],
  );
  return own ? labOfXyz(xyzOfLinearSrgb({ r: own[0] * paper.r, g: own[1] * paper.g, b: own[2] * paper.b })) : lab;
}
