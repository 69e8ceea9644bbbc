import { filmReflectance } from "../../optics/film";
import { DRY_SURFACE, inverseSaunderson } from "../../optics/surface";
import { textureOf } from "../../optics/texture";
import type { PaintModel } from "../../mixing/paint";
import { BANDS } from "../../colour/bands";
import { labOfXyz } from "../../colour/lab";
import { xyzOfReflectance } from "../../colour/xyz";
import { CORRECTIONS, correctedOptics } from "../../pigments/maker-variation";
import type { FittedOptics, Ground } from "./fit-optics";
import { deviationOf } from "../../numeric/least-squares";

/** Strengths over which the likely miss is taken. */
export const ASKED_LOADS = [0.8, 0.4, 0.2, 0.1, 0.05];
/**
 * What no fit gets rid of: another sheet, another brush, the model itself; dE00, set on the bench of foreign paints.
 */
const REMAINS = 0.8;
/**
 * Median length of a three-dimensional error over its root mean square, when one of the three is the largest (from
 * memory: 0.67 to 0.89).
 */
const MEDIAN_OF_RMS = 0.82;
const STEP = 1e-3;
/** A fit that meets its few readings by luck is not taken for surer than this. Set on the bench of foreign paints. */
const LEAST_CHI_SQUARE = 0.37;

/**
 * Slopes of L*, and of a* and b* as CIE94 weighs them, at a load, by every number of the fit (loads of puddles don't
 * move it).
 */
function slopesAt(
  base: Pick<PaintModel, "optics" | "granulation">,
  at: Float64Array,
  load: number,
  ground: Ground,
): Float64Array[] {
  const paper = ground.paper.map((r) => inverseSaunderson(r, DRY_SURFACE));
  const texture = textureOf(ground.roughness, base.granulation);
  const lab = (numbers: Float64Array) => {
    const { K, S } = correctedOptics(base.optics, numbers);
    return labOfXyz(
      xyzOfReflectance(filmReflectance(K, S, load, paper, DRY_SURFACE, texture, 1, new Float64Array(BANDS))),
    );
  };
  const here = lab(at);
  const chroma = 1 + 0.045 * Math.hypot(here.a, here.b);
  const rows = [0, 1, 2].map(() => new Float64Array(at.length));
  for (let i = 0; i < CORRECTIONS; i++) {
    const moved = at.slice();
    moved[i]! += STEP;
    const there = lab(moved);
    rows[0]![i] = (there.L - here.L) / STEP;
    rows[1]![i] = (there.a - here.a) / (STEP * chroma);
    rows[2]![i] = (there.b - here.b) / (STEP * chroma);
  }
  return rows;
}

/**
 * By how much a fit's misses are larger than expected beforehand, from how well it meets its readings. Its square root
 * would be right were the loads all that is unsure; on the bench of foreign paints misses grow as it does itself.
 */
export const scaleOfMisses = (reducedChiSquare: number): number => Math.max(LEAST_CHI_SQUARE, reducedChiSquare);

/** Median miss of a paint's own washes, dE00, from the root mean square of what is unsure of their colours. */
export const missOfUnsure = (rms: number): number => Math.hypot(REMAINS, MEDIAN_OF_RMS * rms);

/**
 * The likely miss of a paint's own washes, median in dE00, from how surely the fit knows its
 * numbers: the spread of the corrections carried over to colour in first order, as much larger as
 * the fit meets its readings worse than was expected.
 */
export function likelyMiss(
  base: Pick<PaintModel, "optics" | "granulation">,
  { solution, reducedChiSquare }: FittedOptics,
  ground: Ground,
): number {
  const misses = ASKED_LOADS.map((load) =>
    Math.hypot(...slopesAt(base, solution.at, load, ground).map((row) => deviationOf(solution.slopes, row))),
  );
  return missOfUnsure(
    scaleOfMisses(reducedChiSquare) * Math.sqrt(misses.reduce((sum, m) => sum + m * m, 0) / misses.length),
  );
}
