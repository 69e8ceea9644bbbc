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
    return this.kept.length < this.most ? Infinity : this.kept[this.kept.length - 1]!.error;
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
