import { BANDS, WAVELENGTHS_NM, type Reflectance } from "./bands";

/** A spectrum must reach at least this far to be used, nm: beyond it the eye hardly sees. */
const MUST_COVER_NM = [400, 700] as const;
const COARSEST_NM = 20;

/** Why values at these wavelengths are no whole spectrum. */
export type SpectrumGap =
  | { readonly code: "spectrum too short"; readonly fromNm: number; readonly toNm: number }
  | { readonly code: "spectrum too coarse"; readonly coarsestNm: number };

/** What is missing of a spectrum that has values at these wavelengths, nm; null when it can be used. */
export function gapIn(wavelengthsNm: readonly number[]): SpectrumGap | null {
  const sorted = [...wavelengthsNm].sort((a, b) => a - b);
  const [fromNm, toNm] = MUST_COVER_NM;
  if (sorted.length < 2 || sorted[0]! > fromNm || sorted[sorted.length - 1]! < toNm)
    return { code: "spectrum too short", fromNm, toNm };
  if (sorted.some((nm, i) => i > 0 && nm - sorted[i - 1]! > COARSEST_NM))
    return { code: "spectrum too coarse", coarsestNm: COARSEST_NM };
  return null;
}

/**
 * A reflectance measured at other wavelengths, at the 36 bands: in straight lines between its
 * points, its ends held. Asks {@link gapIn} for null.
 */
export function resample(wavelengthsNm: readonly number[], values: readonly number[]): Reflectance {
  const points = wavelengthsNm.map((nm, i) => ({ nm, value: values[i]! })).sort((a, b) => a.nm - b.nm);
  const out = new Float64Array(BANDS);
  WAVELENGTHS_NM.forEach((nm, i) => {
    const next = points.findIndex((point) => point.nm >= nm);
    if (next <= 0) out[i] = next === 0 ? points[0]!.value : points[points.length - 1]!.value;
    else {
      const [a, b] = [points[next - 1]!, points[next]!];
      out[i] = a.value + ((nm - a.nm) / (b.nm - a.nm)) * (b.value - a.value);
    }
  });
  return out;
}
