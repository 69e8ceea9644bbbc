/**
 * Sets without common members, 0 to `count - 1` each alone at first: union-find with path halving (Tarjan and van
 * Leeuwen 1984).
 */
export class DisjointSet {
  private readonly parent: Int32Array;

  constructor(count: number) {
    this.parent = Int32Array.from({ length: count }, (_, i) => i);
  }

  /** The member that stands for the set of `i`. */
  find(i: number): number {
    while (this.parent[i] !== i) i = this.parent[i] = this.parent[this.parent[i]!]!;
    return i;
  }

  /** Makes one set of those of `a` and `b`; a's standing member stands for both. */
  union(a: number, b: number): void {
    this.parent[this.find(b)] = this.find(a);
  }
}
