import { bitsOf } from "./bits";
import { errorOf, type Ranked } from "./ranking";

/** The best palettes found so far, each once. */
export class Best {
  readonly kept: { paints: readonly number[]; error: number }[] = [];
  private readonly seen = new Set<string>();
  constructor(private readonly most: number) {}
  /** A palette must be better than this to be kept. */
  get limit(): number {
    return this.kept.length < this.most ? Infinity : this.kept[this.kept.length - 1].error;
  }
  offer(paints: readonly number[], error: number): void {
    if (error >= this.limit) return;
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
export function searchNearby(ranked: readonly Ranked[], must: readonly number[], free: readonly number[], size: number, best: Best, start: readonly number[]): void {
  let paints = [...new Set([...must, ...start])].slice(0, size);
  const within = new Set([...must, ...free]);
  paints = paints.filter((p) => within.has(p));
  while (paints.length < size) {
    let [chosen, least] = [-1, Infinity];
    for (const p of free) {
      if (paints.includes(p)) continue;
      const error = errorOf(ranked, bitsOf([...paints, p]));
      if (error < least) [chosen, least] = [p, error];
    }
    if (chosen < 0) return;
    paints.push(chosen);
  }
  let error = errorOf(ranked, bitsOf(paints));
  best.offer(paints, error);
  for (let improved = true; improved; ) {
    improved = false;
    for (const out of paints.filter((p) => !must.includes(p))) {
      for (const into of free) {
        if (paints.includes(into)) continue;
        const swapped = paints.map((p) => (p === out ? into : p));
        const tried = errorOf(ranked, bitsOf(swapped));
        best.offer(swapped, tried);
        if (tried < error - 1e-12) {
          paints = swapped;
          error = tried;
          improved = true;
          break;
        }
      }
      if (improved) break;
    }
  }
}
