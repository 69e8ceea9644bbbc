import type { Paper } from "../optics/paper";
import { looksOf } from "./looks";
import type { PaintModel } from "./paint";

/** Masstone and a wash: what two paints must differ in to be worth having both. */
const COMPARED_LOADS = [1, 0.2];

/**
 * Of many paints, the `most` that differ most from each other: all combinations of three grow with
 * the cube, and a mix hardly ever needs one of two near-twins. Farthest-point sampling in Lab over
 * masstone and wash, the first paint given staying in. Keeps the given order.
 */
export function farthestPointSample(paints: readonly PaintModel[], most: number, paper: Paper): readonly PaintModel[] {
  if (paints.length <= most) return paints;
  const looks = looksOf(paints, COMPARED_LOADS, paper);
  const apart = (i: number, j: number): number =>
    COMPARED_LOADS.reduce(
      (sum, _, n) =>
        sum +
        (looks[i]![n]!.L - looks[j]![n]!.L) ** 2 +
        (looks[i]![n]!.a - looks[j]![n]!.a) ** 2 +
        (looks[i]![n]!.b - looks[j]![n]!.b) ** 2,
      0,
    );
  const nearest = Float64Array.from(paints, (_, i) => apart(i, 0));
  const chosen = new Set([0]);
  while (chosen.size < most) {
    let farthest = -1;
    for (let i = 0; i < paints.length; i++)
      if (!chosen.has(i) && (farthest < 0 || nearest[i]! > nearest[farthest]!)) farthest = i;
    chosen.add(farthest);
    for (let i = 0; i < paints.length; i++) nearest[i] = Math.min(nearest[i]!, apart(i, farthest));
  }
  return paints.filter((_, i) => chosen.has(i));
}
