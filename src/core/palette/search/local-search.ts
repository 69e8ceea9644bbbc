import { couldBe } from "./cardinality-constraints";
import { OPEN, statesOf } from "./paint-set";
import { errorWithEach } from "./ranking";
import type { SizeSearch } from "./branch-and-bound";

/** The best palettes found so far, each once. */
export class Incumbents {
  readonly kept: { paints: readonly number[]; error: number }[] = [];
  private readonly seen = new Set<string>();
  constructor(
    private readonly most: number,
    private readonly allowed: (paints: readonly number[]) => boolean = () => true,
  ) {}
  /** A palette must be better than this to be kept. */
  get limit(): number {
    return this.kept.length < this.most ? Infinity : this.kept[this.kept.length - 1].error;
  }
  offer(paints: readonly number[], error: number): void {
    if (error >= this.limit || !this.allowed(paints)) return;
    const sorted = [...paints].sort((a, b) => a - b);
    const key = sorted.join();
    if (this.seen.has(key)) return;
    this.seen.add(key);
    this.kept.push({ paints: sorted, error });
    this.kept.sort((a, b) => a.error - b.error);
    if (this.kept.length > this.most) this.kept.pop();
  }
}

/** Palettes by adding the paint that helps most, then by swapping while that helps: usually the optimum, and a good limit for the search. */
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
      if (others.length === size - 1 && totals[p] < best.limit) best.offer([...others, p], totals[p]);
      if (totals[p] < found.error) found = { paint: p, error: totals[p] };
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
