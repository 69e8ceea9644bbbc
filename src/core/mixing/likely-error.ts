import { deltaE00 } from "../colour/difference";
import type { Lab } from "../colour/colour";
import { filmLab } from "../optics/film-colour";
import type { Load } from "../optics/load";
import type { Paper } from "../optics/paper";
import { textureOf } from "../optics/texture";
import { CORRECTIONS, correctedOptics, K_CORRECTIONS, LIKELY } from "../pigments/maker-variation";
import { blendOptics, type Optics } from "../pigments/optics";
import type { PaintModel } from "./paint";

/** How far a prediction is likely to be off, in CIEDE2000, and what it stands on. */
export interface LikelyError {
  readonly median: number;
  /** Nine predictions in ten are nearer than this. */
  readonly p90: number;
  readonly basis: "typical" | "measured" | "mixed";
  /** The measurements it stands on: day and way of each, without doubles, newest first. */
  readonly measurements: readonly { readonly on: string; readonly way: string; readonly book?: number }[];
  /**
   * Shares of the squared error that come of the tubes' strength, of their hues and of their scattering; they sum to
   * 1.
   */
  readonly from: { readonly strength: number; readonly hue: number; readonly scattering: number };
}

/** What an error stands on: which paints in which parts; only the proportions matter. */
interface ErrorPart {
  readonly paint: Pick<PaintModel, "id" | "optics" | "granulation" | "measured">;
  readonly parts: number;
}

/**
 * How unlike the handbook a tube may be, one standard deviation each: of the logarithm of its strength (makers differ
 * by up to twice either way), of its hue as a multiple of what the fit takes for likely, of its scattering likewise.
 * Set on the bench of foreign paints (src/testing/foreign-bench), seeds apart from those that test it.
 */
export const TUBE = { strength: 0.4, hue: 1.3, scattering: 0.8 } as const;
/**
 * What is left however well paints are known: another sheet, its texture, the model itself; root mean square, dE00.
 * Set on the same bench.
 */
export const REMAINS = 1.1;
/**
 * Median and nine in ten over the root mean square: typical paints, measured ones, and ones learned from mixes that
 * were painted: what is not known of those goes against each other in a mix. Set on the same bench.
 */
const OF_RMS = {
  typical: { median: 0.72, p90: 1.45 },
  measured: { median: 0.82, p90: 1.8 },
  learned: { median: 0.56, p90: 1.2 },
} as const;
/** So much of each paint's own doubt is left in a mix of learned paints, by the same bench. */
const LEARNED_TOGETHER = OF_RMS.learned.median / OF_RMS.typical.median;
/**
 * Measured paints: one alone is known by its own washes, in a mix each brings what its washes didn't tell. Set on the
 * same bench, on boxes of other seeds than those it reports.
 */
const BY_PAINTS = [0.96, 1, 1.03] as const;
/** A strength far from any measured wash adds uncertainty: this much for each e-fold of load. From memory. */
const PER_FOLD = 0.25;
/** Doubt about an unmeasured tube for {@link tubeDoubt}. Set on the same bench. */
const TUBE_DOUBT = 0.62;
/** Strength at which a paint's own measured miss is compared with what is likely of an unmeasured one. */
const COMPARED_LOAD: Load = 0.25;

const foldsOutside = (load: number, [least, most]: readonly [number, number]): number =>
  Math.max(0, Math.log(least / load), Math.log(load / most));

interface Squares {
  strength: number;
  hue: number;
  scattering: number;
}

/** Two tubes that a paint's might be instead: one deviation above and one below, by what is uncertain. */
interface OtherTubes {
  readonly of: keyof Squares;
  readonly above: Optics;
  readonly below: Optics;
}

/** Other tubes that were made before, by a paint's optics: the same paint is asked about in every mix. */
const tubesMade = new WeakMap<Optics, readonly OtherTubes[]>();

function otherTubesOf(base: Optics): readonly OtherTubes[] {
  const made = tubesMade.get(base);
  if (made) return made;
  const stronger = (by: number): Optics => ({
    K: base.K.map((k) => k * Math.exp(by)),
    S: base.S.map((s) => s * Math.exp(by)),
  });
  const tubes: OtherTubes[] = [
    { of: "strength", above: stronger(TUBE.strength), below: stronger(-TUBE.strength) },
    ...Array.from({ length: CORRECTIONS - 1 }, (_, n): OtherTubes => {
      const i = n + 1;
      const of = i < K_CORRECTIONS ? "hue" : "scattering";
      const at = (sign: number): Optics => {
        const weights = new Float64Array(CORRECTIONS);
        weights[i] = sign * TUBE[of] * LIKELY[i]!;
        return correctedOptics(base, weights);
      };
      return { of, above: at(1), below: at(-1) };
    }),
  ];
  tubesMade.set(base, tubes);
  return tubes;
}

/**
 * Squared error of a mix from one of its paints, dE00 squared, by what is uncertain of it: half of the way from one
 * deviation below to one above.
 */
function squaresOf(mix: readonly ErrorPart[], which: number, load: Load, paper: Paper): Squares {
  const total = mix.reduce((sum, { parts }) => sum + parts, 0);
  const granulation = mix.reduce((sum, { paint, parts }) => sum + (paint.granulation * parts) / total, 0);
  const { loads, weights } = textureOf(paper.roughness, granulation);
  const colourWith = (optics: Optics): Lab => {
    const { K, S } = blendOptics(
      mix.map(({ paint, parts }, i) => ({ optics: i === which ? optics : paint.optics, share: parts / total })),
    );
    const lab = new Float64Array(3);
    filmLab(K, S, load, paper, loads, weights, lab);
    return { L: lab[0]!, a: lab[1]!, b: lab[2]! };
  };
  const squares: Squares = { strength: 0, hue: 0, scattering: 0 };
  for (const { of, above, below } of otherTubesOf(mix[which]!.paint.optics))
    squares[of] += (deltaE00(colourWith(above), colourWith(below)) / 2) ** 2;
  return squares;
}

const sumOf = ({ strength, hue, scattering }: Squares): number => strength + hue + scattering;

/** What was reckoned before for {@link unmeasuredSquare}, by a paint's optics. */
const reckoned = new WeakMap<Optics, { readonly paper: Paper; readonly square: number }>();

/** Squared error of a paint by itself if nothing of it were measured, dE00 squared. */
function unmeasuredSquare(paint: ErrorPart["paint"], paper: Paper): number {
  const before = reckoned.get(paint.optics);
  if (before?.paper === paper) return before.square;
  const square = sumOf(squaresOf([{ paint, parts: 1 }], 0, COMPARED_LOAD, paper));
  reckoned.set(paint.optics, { paper, square });
  return square;
}

/**
 * How unsure a tube is, told as the logarithm of its strength, one standard deviation, hue and scattering counted in:
 * the same for all unmeasured ones, less for a measured one. A mix is moved by it as by another part of the paint, so
 * that the slopes of a hand's parts tell both; on the bench that goes with the true scatter by 0.87
 * (laid-by-hand.test.ts).
 */
export function tubeDoubt(paint: ErrorPart["paint"], paper: Paper): number {
  if (!paint.measured) return TUBE_DOUBT;
  const together = paint.measured.swatches ? LEARNED_TOGETHER : 1;
  return together * TUBE_DOUBT * Math.sqrt(surer(paint, COMPARED_LOAD, paper));
}

/**
 * How much surer a measured paint is than an unmeasured one: its own miss over what would be likely of it, squared; 1
 * for unmeasured.
 */
function surer(paint: ErrorPart["paint"], load: Load, paper: Paper): number {
  if (!paint.measured) return 1;
  const far = 1 + PER_FOLD * foldsOutside(load, paint.measured.loads);
  const own = (far * paint.measured.miss) / OF_RMS.measured.median;
  return Math.min(1, Math.max(0, own * own - REMAINS * REMAINS) / Math.max(unmeasuredSquare(paint, paper), 1e-6));
}

/**
 * What predictions of a mix stand on: typical paints, measured ones or both, and the measurements without doubles,
 * newest first.
 */
export function groundsOf(
  mix: readonly { readonly paint: Pick<PaintModel, "measured"> }[],
): Pick<LikelyError, "basis" | "measurements"> {
  const measured = mix.flatMap(({ paint }) => paint.measured ?? []);
  // What the logbook learned is one measurement, of all its swatches; it is as new as the newest of them.
  const days = new Map<string, LikelyError["measurements"][number]>();
  for (const { on, way, book } of [...measured].sort((a, b) => a.on.localeCompare(b.on)))
    days.set(book ? "book" : `${on} ${way}`, book ? { on, way, book } : { on, way });
  return {
    basis: measured.length === 0 ? "typical" : measured.length === mix.length ? "measured" : "mixed",
    measurements: [...days.values()].sort((a, b) => b.on.localeCompare(a.on)),
  };
}

/**
 * Likely error of a mix, from how unsure each of its paints is: a tube's strength, hue and scattering as makers differ,
 * carried over to the mix's colour at this load; for a measured paint as much less as its own miss is smaller.
 * Held to a bench of foreign paints: half of the true misses lie under the median, nine in ten under p90.
 * @param mix paints with parts above 0
 */
export function likelyErrorOf(mix: readonly ErrorPart[], load: Load, paper: Paper): LikelyError {
  const all: Squares = { strength: 0, hue: 0, scattering: 0 };
  mix.forEach((part, i) => {
    const left = surer(part.paint, load, paper);
    const own = squaresOf(mix, i, load, paper);
    for (const cause of ["strength", "hue", "scattering"] as const) all[cause] += left * own[cause];
  });
  const { basis, measurements } = groundsOf(mix);
  const learned = mix.every(({ paint }) => paint.measured?.swatches);
  const of = OF_RMS[learned ? "learned" : basis === "measured" ? "measured" : "typical"];
  const byPaints = basis === "measured" && !learned ? BY_PAINTS[Math.min(mix.length, BY_PAINTS.length) - 1]! : 1;
  const rms = byPaints * Math.sqrt(sumOf(all) + REMAINS * REMAINS);
  const total = Math.max(sumOf(all), 1e-9);
  // A large error is not known to a tenth.
  const rounded = (x: number): number => (x < 5 ? Math.round(10 * x) / 10 : Math.round(x));
  return {
    median: rounded(of.median * rms),
    p90: rounded(of.p90 * rms),
    basis,
    measurements,
    from: { strength: all.strength / total, hue: all.hue / total, scattering: all.scattering / total },
  };
}
