import { FINE_BANDS, FINE_NM } from "./fine-bands";
import { normalFrom } from "../numeric/normal";
import type { TruePaint } from "./true-paint";

/** A sheet of the bench: its reflectance and surface are its own, not those that the model assumes. */
export interface TrueSheet {
  /** Reflectance of the bare sheet by 5 nm, seen from outside. */
  readonly reflectance: Float64Array;
  readonly ground: Float64Array;
  readonly k1: number;
  readonly k2: number;
  readonly roughness: number;
}

const inside = (seen: number, k1: number, k2: number): number => (seen - k1) / ((1 - k1) * (1 - k2) + k2 * (seen - k1));
const outside = (R: number, k1: number, k2: number): number => k1 + ((1 - k1) * (1 - k2) * R) / (1 - k2 * R);

/** A white cotton sheet like others of its kind, and unlike each of them. */
export function trueSheet(random: () => number): TrueSheet {
  const normal = normalFrom(random);
  const level = 0.912 + 0.008 * normal();
  const fall = 0.12 + 0.02 * normal();
  const [k1, k2] = [0.026 + 0.012 * random(), 0.4 + 0.15 * random()];
  const reflectance = Float64Array.from(
    FINE_NM,
    (nm) => level - fall * Math.exp(-(nm - 380) / 60) - 0.00013 * Math.max(0, 590 - nm),
  );
  return { reflectance, ground: reflectance.map((r) => inside(r, k1, k2)), k1, k2, roughness: 0.1 + 0.05 * random() };
}

/**
 * Nine equal shares of the sheet: relative loads of a normal distribution cut in nine, by its quantiles (from memory).
 */
const NINTHS = [-1.593, -0.967, -0.589, -0.282, 0, 0.282, 0.589, 0.967, 1.593];

/**
 * Reflectance by 5 nm of a film of true paints: Kubelka-Munk in its hyperbolic form over the
 * bench's own sheet and surface, averaged over nine loads that lie unevenly.
 * @param parts shares of the mix, summing to 1
 * @param unevenness relative spread of the load; 0 for an even film
 * @param ground internal reflectance under the film; the sheet's own when left out
 */
export function trueFilm(
  parts: readonly { readonly paint: TruePaint; readonly share: number }[],
  load: number,
  sheet: TrueSheet,
  unevenness: number,
  ground = sheet.ground,
): Float64Array {
  const loads = unevenness > 0 ? NINTHS.map((z) => Math.max(0.05, 1 + unevenness * z)) : [1];
  const mean = loads.reduce((sum, l) => sum + l, 0) / loads.length;
  return Float64Array.from({ length: FINE_BANDS }, (_, i) => {
    const K = parts.reduce((sum, { paint, share }) => sum + share * paint.K[i]!, 0) + 1e-7;
    const S = parts.reduce((sum, { paint, share }) => sum + share * paint.S[i]!, 0) + 1e-7;
    const a = 1 + K / S;
    const b = Math.sqrt(a * a - 1);
    let sum = 0;
    for (const relative of loads) {
      const x = b * S * ((load * relative) / mean);
      if (x < 1e-9) sum += outside(ground[i]!, sheet.k1, sheet.k2);
      else {
        const coth = 1 / Math.tanh(x);
        sum += outside((1 - ground[i]! * (a - b * coth)) / (a - ground[i]! + b * coth), sheet.k1, sheet.k2);
      }
    }
    return sum / loads.length;
  });
}

/** How unevenly a mix lies on a sheet; granulating paints more. From memory, and not the model's own rule. */
export const unevennessOf = (granulation: number, sheet: TrueSheet): number =>
  sheet.roughness * (1 + 1.8 * granulation);

/** A black line as printed or drawn with a pen: nearly even over the spectrum, brown or blue by a little. */
export function trueBlack(random: () => number, sheet: TrueSheet): Float64Array {
  const [level, lean] = [0.032 + 0.02 * random(), 0.006 * (random() - 0.5)];
  return Float64Array.from(FINE_NM, (nm) =>
    inside(Math.max(sheet.k1 + 0.004, level + lean * ((nm - 550) / 150)), sheet.k1, sheet.k2),
  );
}
