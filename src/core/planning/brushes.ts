import type { Ml } from "./amounts";

/** Round brushes by their number, and what a full one holds. Volumes from memory. */
export const BRUSHES = [
  { number: 4, ml: 0.12 },
  { number: 8, ml: 0.45 },
  { number: 12, ml: 1.2 },
] as const;

/** A brush for washes: a round one by its number, or a flat wash brush. */
export type WashBrush = { readonly number: number | null; readonly ml: Ml };

/**
 * Sizes of wash up to which each brush is taken, cm². From memory; that big washes want big brushes is common practice.
 */
const UP_TO_CM2 = [12, 80, 350] as const;
/** A flat wash brush of 4 to 5 cm. Volume from memory. */
const FLAT: WashBrush = { number: null, ml: 3 };

/** The brush that a wash of this size is laid with. */
export function brushFor(areaCm2: number): WashBrush {
  const found = UP_TO_CM2.findIndex((limit) => areaCm2 <= limit);
  return found < 0 ? FLAT : BRUSHES[found]!;
}
