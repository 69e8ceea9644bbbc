import type { PaintModel } from "./paint";

/** Which paints may be mixed together. */
export interface CombinationRules {
  /** Paints in one mix, 1 to 3. */
  readonly maxPaints: 1 | 2 | 3;
  /** Distinct pigments in one mix: a convenience mix brings all of its own. */
  readonly maxPigments: number;
  /** Paints that are mixed at all, by their places; all where it is left out. */
  readonly among?: readonly number[];
}

/** Pigments counted once each over several paints. */
export function pigmentCount(paints: readonly PaintModel[]): number {
  return new Set(paints.flatMap((paint) => paint.pigmentIds)).size;
}

/** All combinations of 1 to `maxPaints` paints within the rules, as ascending indices into `paints`. */
export function combinationsOf(paints: readonly PaintModel[], rules: CombinationRules): readonly (readonly number[])[] {
  const found: number[][] = [];
  const among = [...(rules.among ?? paints.keys())].sort((one, two) => one - two);
  const extend = (chosen: number[], from: number): void => {
    for (let i = from; i < among.length; i++) {
      const next = [...chosen, among[i]!];
      // One paint alone is always allowed: its pigments can't be taken apart.
      if (next.length > 1 && pigmentCount(next.map((j) => paints[j]!)) > rules.maxPigments) continue;
      found.push(next);
      if (next.length < rules.maxPaints) extend(next, i + 1);
    }
  };
  extend([], 0);
  return found;
}
