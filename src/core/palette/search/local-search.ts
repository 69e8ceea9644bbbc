import { couldBe } from "./cardinality-constraints";
import type { Incumbents } from "./incumbents";
import { OPEN, statesOf } from "./paint-set";
import { errorWithEach } from "./ranking";
import type { SizeSearch } from "./size-search";

/**
 * Palettes by adding the paint that helps most, then by swapping while that helps: usually the optimum, and a good
 * limit for the search.
 */
export function localSearch(
  { all, must, free, kinds, size, paints }: SizeSearch,
  best: Incumbents,
  start: readonly number[],
): void {
  const totals = new Float64Array(paints);
  const within = new Set([...must, ...free]);
  let palette = [...new Set([...must, ...start])].filter((p) => within.has(p)).slice(0, size);
  let error = Infinity;
  /** Fills the last well with whatever is best, offering each. */
  const fillLast = (others: readonly number[]): { paint: number; error: number } => {
    const states = statesOf(
      others,
      free.filter((p) => !others.includes(p)),
    );
    errorWithEach(all, states, paints, totals);
    let found = { paint: -1, error: Infinity };
    for (const p of free) {
      if (states[p] !== OPEN || !couldBe(kinds, [...others, p], free, size - others.length - 1, paints)) continue;
      if (others.length === size - 1 && totals[p]! < best.limit) best.offer([...others, p], totals[p]!);
      if (totals[p]! < found.error) found = { paint: p, error: totals[p]! };
    }
    return found;
  };
  while (palette.length < size) {
    const { paint, error: now } = fillLast(palette);
    if (paint < 0) return;
    palette = [...palette, paint];
    error = now;
  }
  const swappable = (): number[] => palette.filter((p) => !must.includes(p));
  for (let stale = 0, i = 0; stale < size - must.length; i++) {
    const out = swappable()[i % Math.max(1, size - must.length)];
    if (out === undefined) return;
    const others = palette.filter((p) => p !== out);
    const { paint, error: now } = fillLast(others);
    if (now < error - 1e-12 && paint !== out) {
      palette = [...others, paint];
      error = now;
      stale = 0;
    } else stale++;
  }
}
