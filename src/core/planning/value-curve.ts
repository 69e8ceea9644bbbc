import type { ValueRange } from "../mixing/range";

/** How a photo's values are brought to what paper and paint can do. */
export const CURVE_KINDS = ["lights", "even", "high", "low"] as const;
export type CurveKind = (typeof CURVE_KINDS)[number];

/** Photo values at which a curve is held, darkest first. */
export const CURVE_AT = [0, 2.5, 5, 7.5, 10] as const;
/** Painted values there, never falling. */
export type CurveValues = readonly [number, number, number, number, number];

/**
 * Painted values as shares of the way from the darkest to the lightest in reach, for the photo
 * values of CURVE_AT. Common practice, no source; the shares are ours.
 */
const SHARES: Readonly<Record<Exclude<CurveKind, "lights">, CurveValues>> = {
  even: [0, 0.25, 0.5, 0.75, 1],
  high: [0.35, 0.53, 0.7, 0.85, 1],
  low: [0, 0.12, 0.3, 0.53, 0.82],
};
/** Keeping the lights: the share of the step from 0 to 5 that the darkest quarter gets. */
const DARK_SHARE = 0.3;

/**
 * The curve of a kind for a range of values; where there is none to go by (no paint yet), the photo's own values
 * stand.
 */
export function curveOf(kind: CurveKind, { darkest, lightest }: ValueRange): CurveValues {
  if (darkest >= lightest) return CURVE_AT;
  if (kind !== "lights")
    return SHARES[kind].map((share) => darkest + share * (lightest - darkest)) as unknown as CurveValues;
  const middle = Math.max(darkest, lightest / 2);
  return [darkest, darkest + DARK_SHARE * (middle - darkest), middle, (middle + lightest) / 2, lightest];
}

/** Slopes of a curve that never overshoots (Fritsch and Carlson 1980, weighted harmonic means). */
function slopesOf(y: CurveValues): number[] {
  const h = CURVE_AT[1] - CURVE_AT[0];
  const d = [0, 1, 2, 3].map((i) => (y[i + 1]! - y[i]!) / h);
  const inner = [1, 2, 3].map((i) => (d[i - 1]! * d[i]! <= 0 ? 0 : (2 * d[i - 1]! * d[i]!) / (d[i - 1]! + d[i]!)));
  return [d[0]!, ...inner, d[3]!];
}

/** The painted Munsell value for a photo's, by a smooth curve through the given ones; it rises wherever they rise. */
export function paintedValue(photoValue: number, values: CurveValues): number {
  const v = Math.min(10, Math.max(0, photoValue));
  const h = CURVE_AT[1] - CURVE_AT[0];
  const i = Math.min(3, Math.floor(v / h));
  const m = slopesOf(values);
  const t = (v - CURVE_AT[i]!) / h;
  const [t2, t3] = [t * t, t * t * t];
  return (
    (2 * t3 - 3 * t2 + 1) * values[i]! +
    (t3 - 2 * t2 + t) * h * m[i]! +
    (3 * t2 - 2 * t3) * values[i + 1]! +
    (t3 - t2) * h * m[i + 1]!
  );
}
