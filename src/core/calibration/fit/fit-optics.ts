import { filmReflectance } from "../../optics/film";
import { DRY_SURFACE, inverseSaunderson } from "../../optics/surface";
import { textureOf } from "../../optics/texture";
import type { Load } from "../../optics/load";
import type { PaintModel } from "../../mixing/paint";
import type { Optics } from "../../pigments/optics";
import { BANDS, type Reflectance } from "../../colour/bands";
import type { Lab, Rgb } from "../../colour/colour";
import { deltaE00 } from "../../colour/difference";
import { labOfXyz } from "../../colour/lab";
import { linearSrgbOfXyz, xyzOfLinearSrgb } from "../../colour/srgb";
import { xyzOfReflectance } from "../../colour/xyz";
import { CORRECTIONS, correctedOptics, LIKELY } from "../../pigments/maker-variation";
import { leastSquares, type LeastSquares } from "../../numeric/least-squares";

/** What was measured of one swatch, or of one part of it. */
export interface Reading {
  /** Swatches brushed from one puddle have the same number; their load is estimated together. */
  readonly puddle: number;
  /** What the load was meant to be. */
  readonly meantLoad: Load;
  readonly over: "paper" | "black";
  readonly lab: Lab;
  /** Spectrum, where the reading has one: it is fitted in the place of Lab. */
  readonly reflectance?: Reflectance;
  /**
   * Channels of the photo that were cut off at nothing (linear sRGB r, g, b): the colour lies beyond what it could
   * hold.
   */
  readonly cutOff?: readonly [boolean, boolean, boolean];
  /** Own uncertainty of the reading, dE00, beyond the usual. */
  readonly unsure?: number;
}

/** The sheet that swatches were painted on. */
export interface Ground {
  /** Reflectance of the bare paper, seen from outside. */
  readonly paper: Reflectance;
  /** Reflectance of the bare black line; null when nothing was painted over black. */
  readonly black: Reflectance | null;
  /** Relative spread of the load that a smooth paint has on it. */
  readonly roughness: number;
}

/** Fitted optics with everything that tells how good they are. */
export interface FittedOptics {
  readonly optics: Optics;
  /** Load of each puddle as estimated, by its number. */
  readonly loads: ReadonlyMap<number, Load>;
  /** The fitted colour of each reading and how far it is from the measured one. */
  readonly fitted: readonly { readonly lab: Lab; readonly dE00: number }[];
  /** Root mean square of those differences, dE00. */
  readonly rms: number;
  /**
   * Reduced chi-square: the sum of squares, in units of what was expected beforehand, for each number that was
   * measured.
   * About 1 for a careful hand and a paint not far from its label; loose washes or a wrong paint pull it up.
   */
  readonly reducedChiSquare: number;
  /** The fit itself, from which the likely error of predictions is reckoned. */
  readonly solution: LeastSquares;
}

/** What a camera makes of linear sRGB. */
export type Camera = (light: Rgb) => Rgb;

/**
 * How far a puddle's load may be from what was meant: one standard deviation of its logarithm. From memory, for drops
 * counted.
 */
const LOAD_UNSURE = 0.14;
/**
 * A reading is off by this much even when all goes well, CIELAB units near grey; more where chroma is high. From
 * memory.
 */
const LAB_UNSURE = 1.2;
/**
 * A meter's reading is off by this share of full scale, and the model by this share of the reading itself. From
 * memory.
 */
const SPECTRUM_UNSURE = { floor: 0.006, share: 0.025 } as const;

/**
 * What one reading counts for. A spectrum's 36 bands count as a dozen and meet the model a little worse; set on the
 * simulated bench.
 */
const NUMBERS = { lab: 3, spectrum: 15 } as const;

/** The colour of a reflectance as the camera had it: its channels mixed, and cut off where the reading's were. */
function asPhotographed(reflectance: Reflectance, { cutOff }: Reading, camera: Camera | null): Lab {
  const xyz = xyzOfReflectance(reflectance);
  if (!camera && !cutOff?.some(Boolean)) return labOfXyz(xyz);
  const { r, g, b } = camera ? camera(linearSrgbOfXyz(xyz)) : linearSrgbOfXyz(xyz);
  return labOfXyz(
    xyzOfLinearSrgb({
      r: cutOff?.[0] ? Math.max(0, r) : r,
      g: cutOff?.[1] ? Math.max(0, g) : g,
      b: cutOff?.[2] ? Math.max(0, b) : b,
    }),
  );
}

/** A film model of the readings: reflectance of each for given optics and loads. */
function seenBy(readings: readonly Reading[], ground: Ground, granulation: number) {
  const texture = textureOf(ground.roughness, granulation);
  const inside = (seen: Reflectance): Reflectance => seen.map((r) => Math.max(0, inverseSaunderson(r, DRY_SURFACE)));
  const under = { paper: inside(ground.paper), black: ground.black && inside(ground.black) };
  return ({ K, S }: Optics, loads: ReadonlyMap<number, Load>): Reflectance[] =>
    readings.map(({ puddle, over }) => {
      const below = under[over];
      if (!below) throw new RangeError("A swatch over black needs the colour of the bare black.");
      return filmReflectance(K, S, loads.get(puddle)!, below, DRY_SURFACE, texture, 1, new Float64Array(BANDS));
    });
}

/**
 * The numbers that describe one paint's fit (corrections, then the logarithm of each puddle's load), and what they are
 * judged by.
 */
export interface RowFit {
  readonly start: Float64Array;
  /**
   * Differences between readings and model, and of the numbers from what was expected, each in units of what is
   * likely.
   */
  readonly residuals: (at: Float64Array, camera: Camera | null) => number[];
  readonly loadsAt: (at: Float64Array) => ReadonlyMap<number, Load>;
  readonly colours: (at: Float64Array) => readonly Lab[];
}

/**
 * Sets up the fit of a paint to its readings.
 * @param spread how far the paint may be from the base, as a share of how far makers' paints are from the handbook
 * Throws a RangeError without a reading, or for one over black without the bare black.
 */
export function rowFit(
  base: Pick<PaintModel, "optics" | "granulation">,
  readings: readonly Reading[],
  ground: Ground,
  spread = 1,
): RowFit {
  if (readings.length === 0) throw new RangeError("There is nothing to fit: no swatch was read.");
  const puddles = [...new Set(readings.map(({ puddle }) => puddle))];
  const meant = puddles.map((puddle) => Math.log(readings.find((reading) => reading.puddle === puddle)!.meantLoad));
  const model = seenBy(readings, ground, base.granulation);
  const loadsAt = (at: Float64Array): Map<number, Load> =>
    new Map(puddles.map((puddle, i) => [puddle, Math.exp(at[CORRECTIONS + i]!)]));
  const made = (at: Float64Array): Reflectance[] => model(correctedOptics(base.optics, at), loadsAt(at));
  const residuals = (at: Float64Array, camera: Camera | null): number[] => {
    const list: number[] = [];
    made(at).forEach((reflectance, i) => {
      const { lab, reflectance: measured, unsure: own = 0 } = readings[i]!;
      if (measured) {
        // Neighbouring bands tell much the same: together they count as a dozen.
        for (let band = 0; band < BANDS; band++) {
          list.push(
            (reflectance[band]! - measured[band]!) /
              (Math.sqrt(BANDS / 12) * (SPECTRUM_UNSURE.floor + SPECTRUM_UNSURE.share * measured[band]!)),
          );
        }
        return;
      }
      const seen = asPhotographed(reflectance, readings[i]!, camera);
      const unsure = Math.hypot(LAB_UNSURE, own);
      const chroma = unsure * (1 + 0.045 * Math.hypot(lab.a, lab.b));
      list.push((seen.L - lab.L) / unsure, (seen.a - lab.a) / chroma, (seen.b - lab.b) / chroma);
    });
    for (let i = 0; i < CORRECTIONS; i++) list.push(at[i]! / (spread * LIKELY[i]!));
    meant.forEach((load, i) => list.push((at[CORRECTIONS + i]! - load) / LOAD_UNSURE));
    return list;
  };
  return {
    start: Float64Array.of(...new Float64Array(CORRECTIONS), ...meant),
    residuals,
    loadsAt,
    colours: (at) => made(at).map((reflectance, i) => asPhotographed(reflectance, readings[i]!, null)),
  };
}

/**
 * Fits a paint's K and S to its swatches: the handbook's optics under smooth corrections, loads
 * estimated with them, so that the squares of all differences are least, each in units of what is
 * likely: readings as measured, corrections and loads as expected beforehand (maximum a posteriori).
 * @param base the paint as the handbook has it
 * Throws a RangeError without a reading.
 */
export function fitOptics(
  base: Pick<PaintModel, "optics" | "granulation">,
  readings: readonly Reading[],
  ground: Ground,
): FittedOptics {
  const row = rowFit(base, readings, ground);
  const solution = leastSquares((at) => Float64Array.from(row.residuals(at, null)), row.start);
  const fitted = row.colours(solution.at).map((lab, i) => ({ lab, dE00: deltaE00(lab, readings[i]!.lab) }));
  return {
    optics: correctedOptics(base.optics, solution.at),
    loads: row.loadsAt(solution.at),
    fitted,
    solution,
    reducedChiSquare:
      solution.cost /
      readings.reduce((sum, { reflectance }) => sum + (reflectance ? NUMBERS.spectrum : NUMBERS.lab), 0),
    rms: Math.sqrt(fitted.reduce((sum, { dE00 }) => sum + dE00 * dE00, 0) / fitted.length),
  };
}
