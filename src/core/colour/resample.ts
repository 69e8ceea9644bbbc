import { BANDS, WAVELENGTHS_NM, type Reflectance } from "./bands";

/** A spectrum must reach at least this far to be used, nm: beyond it the eye hardly sees. */
const MUST_COVER_NM = [400, 700] as const;
const COARSEST_NM = 20;

/**
 * A reflectance measured at other wavelengths, at the 36 bands: in straight lines between its
 * points, its ends held. Throws a RangeError with words for the painter when it doesn't reach from
 * 400 to 700 nm, or has gaps of over 20 nm.
 */
export function resample(wavelengthsNm: readonly number[], values: readonly number[]): Reflectance {
  const points = wavelengthsNm.map((nm, i) => ({ nm, value: values[i]! })).sort((a, b) => a.nm - b.nm);
  if (points.length < 2 || points[0]!.nm > MUST_COVER_NM[0] || points[points.length - 1]!.nm < MUST_COVER_NM[1]) {
    throw new RangeError("A spectrum must reach from 400 to 700 nm.");
  }
  if (points.some(({ nm }, i) => i > 0 && nm - points[i - 1]!.nm > COARSEST_NM))
    throw new RangeError("A spectrum must have a value at least every 20 nm.");
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
