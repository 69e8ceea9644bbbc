import { tripleOf } from "../../numeric/tuples";
import type { PaintModel } from "../../mixing/paint";
import type { Reflectance } from "../../colour/bands";
import type { Lab, Rgb } from "../../colour/colour";
import { labOfXyz, xyzOfLab } from "../../colour/lab";
import { linearSrgbOfXyz, xyzOfLinearSrgb } from "../../colour/srgb";
import { xyzOfReflectance } from "../../colour/xyz";
import { sharedLeastSquares, type SharedBlock } from "../../numeric/shared-least-squares";
import { solveLinear } from "../../numeric/solve";
import { rowFit, type Camera, type Ground, type Reading } from "./fit-optics";

/**
 * What a camera makes of light, beyond what its white balance took out; bare paper stays as it is, and nothing is 0.
 * First the crosstalk: shares of the other two that each channel takes on (red from green and blue, green from red and
 * blue, blue from red and green). Then by how much it makes colours purer.
 */
export type CameraResponse = readonly number[];
const CROSSTALK = 6;
const SATURATION = CROSSTALK;
export const TRUE_CAMERA: CameraResponse = new Array<number>(CROSSTALK + 1).fill(0);

/**
 * What each number is likely to be, one standard deviation; set on the bench of foreign paints. A tone curve is not
 * among them: it can't be told from a hand that mixes everything a little stronger (tried there, predictions got worse
 * by a fifth); a grey card in the picture tells it.
 */
const LIKELY = [...new Array<number>(CROSSTALK).fill(0.015), 0.1] as const;

/** Luminance of linear sRGB (IEC 61966-2-1). */
const greyOf = ([r, g, b]: readonly number[]): number => 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;

/** The camera as a function of linear sRGB on this paper. */
function cameraOf(response: ArrayLike<number>, paper: Rgb): Camera {
  return (light) => {
    const [r, g, b] = [light.r / paper.r, light.g / paper.g, light.b / paper.b];
    const mixed = [
      r + response[0]! * (g - r) + response[1]! * (b - r),
      g + response[2]! * (r - g) + response[3]! * (b - g),
      b + response[4]! * (r - b) + response[5]! * (g - b),
    ];
    const grey = greyOf(mixed);
    const [R, G, B] = tripleOf(mixed.map((x) => grey + (1 + response[SATURATION]!) * (x - grey)));
    return { r: paper.r * R, g: paper.g * G, b: paper.b * B };
  };
}

/**
 * A paint that was measured before is nearer to its base than a maker's to the handbook, by this share. From memory.
 */
const KNOWN_SPREAD = 0.25;

const lightOfPaper = (paper: Reflectance): Rgb => linearSrgbOfXyz(xyzOfReflectance(paper));

/** One paint of a sheet with what was read of it. */
export interface SheetPaint {
  readonly base: Pick<PaintModel, "optics" | "granulation">;
  /** The base was measured before: it tells the more of the camera. */
  readonly known?: boolean;
  readonly readings: readonly Reading[];
  readonly ground: Ground;
}

/**
 * Estimates what the camera made of its colours from all the paints of a sheet together: what each of them misses in
 * its own way is the paint's, what all miss alike is the camera's (maximum a posteriori).
 */
export function fitCamera(paints: readonly SheetPaint[]): CameraResponse {
  if (paints.length === 0) return TRUE_CAMERA;
  const paper = lightOfPaper(paints[0]!.ground.paper);
  const rows = paints.map(({ base, known, readings, ground }): SharedBlock => {
    const { start, residuals } = rowFit(base, readings, ground, known ? KNOWN_SPREAD : 1);
    return { start, residuals: (own, response) => residuals(own, cameraOf(response, paper)) };
  });
  const expected: SharedBlock = {
    start: new Float64Array(0),
    residuals: (_, response) => response.map((value, i) => value / LIKELY[i]!),
  };
  return [...sharedLeastSquares([...rows, expected], new Float64Array(TRUE_CAMERA.length)).common];
}

/** A colour as it would have been read by a true camera. */
export function withoutCameraOf(lab: Lab, response: CameraResponse, paperReflectance: Reflectance): Lab {
  const paper = lightOfPaper(paperReflectance);
  const { r, g, b } = linearSrgbOfXyz(xyzOfLab(lab));
  const seen = [r / paper.r, g / paper.g, b / paper.b];
  const grey = greyOf(seen);
  const mixed = seen.map((x) => grey + (x - grey) / (1 + response[SATURATION]!));
  const [m0, m1, m2, m3, m4, m5] = response;
  const own = solveLinear(
    [
      [1 - m0! - m1!, m0!, m1!],
      [m2!, 1 - m2! - m3!, m3!],
      [m4!, m5!, 1 - m4! - m5!],
    ],
    mixed,
  );
  return own ? labOfXyz(xyzOfLinearSrgb({ r: own[0]! * paper.r, g: own[1]! * paper.g, b: own[2]! * paper.b })) : lab;
}
