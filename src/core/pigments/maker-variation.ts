import { BANDS, WAVELENGTHS_NM } from "../colour/bands";
import type { Optics } from "./optics";

/**
 * How a maker's paint may differ from the handbook: K and S times the exponential of smooth curves
 * over the spectrum. The curves are cosines; those of K may be large where they are slow and must
 * be small where they are fast. Standard deviations of their weights, from memory.
 */
const K_WEIGHTS = [0.3, 0.2, 0.2, 0.2, 0.2, 0.2, 0.15, 0.15, 0.12, 0.12, 0.1, 0.1];
const S_WEIGHTS = [0.8, 0.3];

/** Numbers of K in a correction, the first of them its strength. */
export const K_CORRECTIONS = K_WEIGHTS.length;
/** Numbers that describe a correction: those of K, then those of S. */
export const CORRECTIONS = K_WEIGHTS.length + S_WEIGHTS.length;
/** What each is likely to be, one standard deviation. */
export const LIKELY: readonly number[] = [...K_WEIGHTS, ...S_WEIGHTS];

/**
 * Where the handbook has no absorption at all a factor could bring none: this share of its largest is taken for
 * granted.
 */
const LEAST_K = 0.006;
const LEAST_S = 0.004;

export const CURVES: readonly Float64Array[] = Array.from(
  { length: Math.max(K_WEIGHTS.length, S_WEIGHTS.length) },
  (_, order) =>
    Float64Array.from(WAVELENGTHS_NM, (_nm, i) =>
      order === 0 ? 1 : Math.SQRT2 * Math.cos((Math.PI * order * (i + 0.5)) / BANDS),
    ),
);

function corrected(
  base: Float64Array,
  least: number,
  weights: Float64Array,
  from: number,
  count: number,
): Float64Array {
  const bands = base.length;
  const power = new Float64Array(bands);
  for (let order = 0; order < count; order++) {
    const weight = weights[from + order]!;
    const curve = CURVES[order]!;
    for (let i = 0; i < bands; i++) power[i]! += weight * curve[i]!;
  }
  for (let i = 0; i < bands; i++) power[i] = (base[i]! + least) * Math.exp(power[i]!);
  return power;
}

/** The largest of a spectrum's numbers. */
function largestOf(spectrum: Float64Array): number {
  let most = spectrum[0]!;
  for (let i = 1; i < spectrum.length; i++) if (spectrum[i]! > most) most = spectrum[i]!;
  return most;
}

/** K and S of the handbook's optics under a correction (CORRECTIONS numbers, zeros for none). */
export function correctedOptics(base: Optics, weights: Float64Array): Optics {
  return {
    K: corrected(base.K, LEAST_K * largestOf(base.K), weights, 0, K_WEIGHTS.length),
    S: corrected(base.S, LEAST_S, weights, K_WEIGHTS.length, S_WEIGHTS.length),
  };
}
