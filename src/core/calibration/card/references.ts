import { tripleOf } from "../../numeric/tuples";
import { solveLinear } from "../../numeric/solve";
import { linearP3OfXyz } from "../../colour/display-p3";
import { xyzOfLab } from "../../colour/lab";
import type { Lab, Rgb } from "../../colour/colour";

/** Brings light read relative to the paper nearer to the truth. */
export type Correction = (relative: Rgb) => Rgb;

export const AS_SEEN: Correction = (relative) => relative;

/** A grey card or a chart's patch lying in the photo: what was read of it and what it is known to be. */
export interface Reference {
  /** Linear Display P3 relative to the paper, as read. */
  readonly seen: Rgb;
  readonly known: Lab;
}

/** A reference with less chroma than this is a grey and tells about the camera's curve. */
const GREY_CHROMA = 6;
/** A phone bends its curve by no more than this. */
const POWERS = { least: 0.7, most: 1.45 } as const;
/**
 * Colours needed before the camera's colour mixing is corrected too, and how hard its matrix is held to "no change"
 * (both from memory).
 */
const COLOURS_NEEDED = 5;
const HELD = 0.0005;

const CHANNELS = ["r", "g", "b"] as const;

/**
 * The correction that references tell: greys the power by which the camera bent its curve, five
 * colours or more also a matrix, held to no change so that few references can't run away with it.
 * @param paper linear Display P3 of the bare paper
 */
export function correctionFrom(references: readonly Reference[], paper: Rgb): Correction {
  const known = references.map(({ known: lab }) => {
    const light = linearP3OfXyz(xyzOfLab(lab));
    return { r: light.r / paper.r, g: light.g / paper.g, b: light.b / paper.b };
  });
  const greys = references.flatMap(({ seen, known: lab }, i) =>
    Math.hypot(lab.a, lab.b) < GREY_CHROMA && seen.g > 0 && seen.g < 0.9 ? [{ seen, known: known[i] }] : [],
  );
  // Each grey's own power, weighed by how dark it is: near white a power shows little.
  const [top, bottom] = greys.reduce(
    ([n, d], grey) => {
      const [s, k] = [Math.log(grey.seen.g), Math.log(Math.max(1e-4, grey.known!.g))];
      return [n + k * s, d + s * s];
    },
    [0, 0],
  );
  const power = bottom > 0 ? Math.min(POWERS.most, Math.max(POWERS.least, top / bottom)) : 1;
  const bent = (relative: Rgb): Rgb => ({
    r: Math.max(0, relative.r) ** power,
    g: Math.max(0, relative.g) ** power,
    b: Math.max(0, relative.b) ** power,
  });
  if (references.length < COLOURS_NEEDED) return bent;
  const inputs = references.map(({ seen }) => bent(seen)).map(({ r, g, b }) => [r, g, b]);
  const rows = CHANNELS.map((channel, c) => {
    const A = [0, 1, 2].map((i) =>
      [0, 1, 2].map((j) => inputs.reduce((sum, x) => sum + x[i]! * x[j]!, i === j ? HELD * inputs.length : 0)),
    );
    return (
      solveLinear(
        A,
        [0, 1, 2].map((i) =>
          inputs.reduce((sum, x, n) => sum + x[i]! * known[n]![channel], i === c ? HELD * inputs.length : 0),
        ),
      ) ?? [0, 1, 2].map((i) => (i === c ? 1 : 0))
    );
  });
  return (relative) => {
    const { r, g, b } = bent(relative);
    const [R, G, B] = tripleOf(rows.map((row) => row[0]! * r + row[1]! * g + row[2]! * b));
    return { r: R, g: G, b: B };
  };
}
