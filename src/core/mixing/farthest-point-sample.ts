import type { Paper } from "../optics/paper";
import { looksOf } from "./looks";
import type { PaintModel } from "./paint";

/** Masstone and a wash: what two paints must differ in to be worth having both. */
const COMPARED_LOADS = [1, 0.2];

const SEEN = 3 * COMPARED_LOADS.length;

/** L, a, b of each compared load, of each paint that was compared on a paper before. */
const compared = new WeakMap<Paper, WeakMap<PaintModel, readonly number[]>>();

/** The same for some paints, one after the other; those that were compared before are not predicted again. */
function comparedColours(paints: readonly PaintModel[], paper: Paper): Float64Array {
  const known = compared.get(paper) ?? new WeakMap<PaintModel, readonly number[]>();
  compared.set(paper, known);
  const unknown = paints.filter((paint) => !known.has(paint));
  looksOf(unknown, COMPARED_LOADS, paper).forEach((looks, i) =>
    known.set(
      unknown[i]!,
      looks.flatMap(({ L, a, b }) => [L, a, b]),
    ),
  );
  const colours = new Float64Array(SEEN * paints.length);
  paints.forEach((paint, i) => colours.set(known.get(paint)!, SEEN * i));
  return colours;
}

/**
 * Of many paints, the `most` that differ most from each other: all combinations of three grow with
 * the cube, and a mix hardly ever needs one of two near-twins. Farthest-point sampling in Lab over
 * masstone and wash, the first paint given staying in. Keeps the given order.
 */
export function farthestPointSample(paints: readonly PaintModel[], most: number, paper: Paper): readonly PaintModel[] {
  if (paints.length <= most) return paints;
  const colours = comparedColours(paints, paper);
  const apart = (i: number, j: number): number => {
    let sum = 0;
    for (let n = 0; n < SEEN; n++) sum += (colours[SEEN * i + n]! - colours[SEEN * j + n]!) ** 2;
    return sum;
  };
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
