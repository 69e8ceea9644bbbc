import type { Lab } from "@/core/colour/colour";
import { labOfXyz } from "@/core/colour/lab";
import { normalFrom } from "@/core/numeric/normal";
import { FINE_BANDS, FINE_NM, xyzOfFine } from "@/core/simulation/fine-bands";
import type { ForeignPaint } from "./foreign-paint";

/** A sheet with a surface, a binder and a texture that are not the model's. */
export interface ForeignSheet {
  readonly seen: Float64Array;
  readonly k1: number;
  readonly k2: number;
  /** Relative depth of its hollows for a smooth paint, and how much more a granulating one makes of them. */
  readonly hollows: number;
  readonly settling: number;
}

/** A white cotton sheet of some mill. */
export function foreignSheet(random: () => number): ForeignSheet {
  const normal = normalFrom(random);
  const level = 0.91 + 0.01 * normal();
  const yellow = 0.1 + 0.03 * normal();
  return {
    seen: Float64Array.from(FINE_NM, (nm) => level - yellow / (1 + Math.exp((nm - 415) / 18))),
    k1: 0.022 + 0.02 * random(),
    k2: 0.38 + 0.18 * random(),
    hollows: 0.07 + 0.1 * random(),
    settling: 1.2 + 2 * random(),
  };
}

const inside = (seen: number, { k1, k2 }: ForeignSheet): number =>
  Math.max(0.001, (seen - k1) / ((1 - k1) * (1 - k2) + k2 * (seen - k1)));
const outside = (R: number, { k1, k2 }: ForeignSheet): number => k1 + ((1 - k1) * (1 - k2) * R) / (1 - k2 * R);

/** Kubelka-Munk by adding thin slices one on another (Kubelka 1948): slow, and without the model's closed form. */
const SLICES = 24;
function stacked(K: number, S: number, X: number, ground: number): number {
  const x = X / SLICES;
  let R = ground;
  // Exact for one thin slice to second order; dR/dx = S - 2 (K + S) R + S R^2, by Heun's rule.
  const slope = (r: number): number => S - 2 * (K + S) * r + S * r * r;
  for (let n = 0; n < SLICES; n++) {
    // Steep films are taken in finer steps.
    const steps = Math.max(1, Math.ceil((2 * (K + S) * x) / 0.25));
    for (let i = 0; i < steps; i++) {
      const h = x / steps;
      const first = slope(R);
      R += (h / 2) * (first + slope(R + h * first));
    }
  }
  return R;
}

/** What lies under a film. */
export type Under = "paper" | "black";
/** A line of black ink, seen from outside. */
const INK = 0.042;

/** Reflectance by 5 nm of a dried mix on the sheet: hollows hold more of it, and the hills are broad. */
export function foreignReflectance(
  mix: readonly { readonly paint: ForeignPaint; readonly share: number }[],
  load: number,
  sheet: ForeignSheet,
  under: Under = "paper",
): Float64Array {
  const granulation = mix.reduce((sum, { paint, share }) => sum + share * paint.granulation, 0);
  const depth = Math.min(1.2, sheet.hollows * (1 + sheet.settling * granulation));
  // A third of the sheet is hollow, two thirds hill; the mean load is kept.
  const places = [
    { part: 1 / 3, load: load * (1 + 1.4 * depth) },
    { part: 2 / 3, load: load * (1 - 0.7 * Math.min(1.2, depth)) },
  ];
  const reflectance = new Float64Array(FINE_BANDS);
  for (let i = 0; i < FINE_BANDS; i++) {
    const K = mix.reduce((sum, { paint, share }) => sum + share * paint.K[i]!, 0);
    const S = mix.reduce((sum, { paint, share }) => sum + share * paint.S[i]!, 0);
    const ground = inside(under === "paper" ? sheet.seen[i]! : INK, sheet);
    for (const place of places)
      reflectance[i]! += place.part * outside(stacked(K, S, Math.max(0, place.load), ground), sheet);
  }
  return reflectance;
}

/** The dried colour of a mix on the sheet. */
export const foreignColour = (...args: Parameters<typeof foreignReflectance>): Lab =>
  labOfXyz(xyzOfFine(foreignReflectance(...args)));

/** The bare sheet, or the bare line. */
export const bareColour = (sheet: ForeignSheet, under: Under): Lab => foreignColour([], 0, sheet, under);
